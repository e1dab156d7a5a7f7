<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table call_records (
                tenant_id uuid not null references tenants on delete cascade,
                serial bigint not null,
                at timestamptz not null,
                caller text,
                called text not null,
                outcome text not null,
                target text,
                groups jsonb not null,
                rang jsonb not null,
                waited integer not null,
                talked integer not null,
                came_as text not null default '',
                primary key (tenant_id, serial)
            );
            comment on column call_records.serial is 'the switch''s own number of the call, which only grows: reading '
                'goes on behind the highest';
            create index call_records_by_day on call_records (tenant_id, at);

            create table call_readings (
                tenant_id uuid primary key references tenants on delete cascade,
                last_serial bigint not null,
                read_at timestamptz not null
            );
            SQL);
        RowSecurity::tenant('call_records');
        RowSecurity::tenant('call_readings');
    }
};
