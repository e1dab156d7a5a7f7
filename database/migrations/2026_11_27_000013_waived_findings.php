<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table finding_waivers (
                tenant_id uuid not null references tenants on delete cascade,
                id uuid not null,
                fingerprint text not null,
                state text not null,
                rule text not null,
                reason text not null check (reason <> ''),
                until date,
                technician_id uuid not null references technicians,
                made_at timestamptz not null,
                ended_at timestamptz,
                primary key (tenant_id, id)
            );
            comment on column finding_waivers.state is 'of the finding when it was waived: one that is otherwise '
                'stands again';
            comment on column finding_waivers.until is 'the last day it holds, by the customer''s calendar; null for '
                'until it is taken back';
            SQL);

        RowSecurity::tenant('finding_waivers');
    }
};
