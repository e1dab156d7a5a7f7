<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table line_measurements (
                tenant_id uuid not null references tenants on delete cascade,
                id uuid not null default gen_random_uuid(),
                serial bigint generated always as identity,
                site_id uuid not null,
                measured_at timestamptz not null,
                measured jsonb not null,
                said int check (said between 1 and 10000),
                busiest int check (busiest >= 0),
                note text not null default '',
                technician_id uuid not null references technicians,
                made_at timestamptz not null,
                primary key (tenant_id, id),
                constraint line_measurements_were_made check (measured_at <= made_at)
            );
            create index line_measurements_by_site on line_measurements (tenant_id, site_id, serial desc);
            comment on table line_measurements is 'what was measured of the line of a site; said: calls at once that '
                'somebody expects; busiest: the most in the calls kept then, null where none were ever read';
            SQL);
        RowSecurity::tenant('line_measurements', RowSecurity::ADD);
        RowSecurity::appendOnly('line_measurements');
    }
};
