<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table dropped_drafts (
                tenant_id uuid not null references tenants on delete cascade,
                technician_id uuid not null references technicians on delete cascade,
                operations json not null,
                application json,
                dropped_at timestamptz not null,
                primary key (tenant_id, technician_id)
            );
            comment on table dropped_drafts is 'what a technician dropped last of a customer, to be put back';

            -- Several may be of one instant, where the clock stands still.
            alter table template_applications add column serial bigserial;
            grant usage on sequence template_applications_serial_seq to roster_app;

            -- A customer being taken on is a set of its own; several at once.
            alter table answers_kept add column id uuid not null default gen_random_uuid();
            alter table answers_kept drop constraint answers_kept_pkey;
            alter table answers_kept add primary key (technician_id, id);
            alter table answers_kept alter column id drop default;
            SQL);
        RowSecurity::tenant('dropped_drafts');
    }
};
