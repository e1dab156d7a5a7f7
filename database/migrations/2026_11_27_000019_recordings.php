<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table recordings (
                tenant_id uuid not null references tenants on delete cascade,
                prompt text not null,
                no integer not null,
                origin text not null check (origin in ('upload', 'microphone', 'studio')),
                wav bytea not null,
                sha256 text not null,
                seconds numeric(9, 3) not null,
                peak_db numeric(5, 1),
                waveform jsonb not null,
                came_as text not null,
                remarks jsonb not null,
                script text,
                made_by uuid not null references technicians,
                made_at timestamptz not null,
                primary key (tenant_id, prompt, no)
            );
            comment on column recordings.prompt is 'its key, which is kept on renaming: in a draft a new prompt has no '
                'id yet';
            comment on column recordings.wav is '8 kHz mono mu-law (ITU-T G.711), whatever it came as';
            comment on column recordings.script is 'as it stood when this was made, so that one can see whether it '
                'still says the same';
            SQL);
        RowSecurity::tenant('recordings', RowSecurity::ADD);
        RowSecurity::appendOnly('recordings');
    }
};
