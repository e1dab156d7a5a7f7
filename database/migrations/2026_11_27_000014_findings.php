<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table findings (
                tenant_id uuid not null references tenants on delete cascade,
                fingerprint text not null,
                rule text not null,
                severity text not null,
                title text not null,
                detail text not null,
                object text not null,
                count integer not null,
                waived boolean not null,
                first_seen timestamptz not null,
                last_seen timestamptz not null,
                primary key (tenant_id, fingerprint)
            );
            comment on table findings is 'what stands in each customer''s book and beside it on the switch, as last '
                'looked at; what is mended goes';
            -- Summed up anew, which writes them; the owner is under row-level security too, unless it is told
            -- otherwise.
            alter table tenant_summaries no force row level security;
            update tenant_summaries set summed_up_on = null;
            alter table tenant_summaries force row level security;
            SQL);

        RowSecurity::technician('findings');
    }
};
