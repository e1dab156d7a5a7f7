<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table floor_plans (
                tenant_id uuid not null references tenants on delete cascade,
                id uuid not null,
                serial bigint generated always as identity,
                site_id uuid not null,
                floor text not null,
                type text not null check (type in ('image/png', 'image/jpeg', 'image/gif')),
                width integer not null check (width > 0),
                height integer not null check (height > 0),
                bytes bytea,
                disk text,
                path text,
                put_by uuid not null references technicians,
                put_at timestamptz not null,
                primary key (tenant_id, id),
                check ((bytes is null) = (path is not null) and (path is null) = (disk is null))
            );
            create index floor_plans_by_floor on floor_plans (tenant_id, site_id, floor, serial desc);
            create trigger floor_plans_files after delete on floor_plans for each row when (old.path is not null)
                execute function roster_let_file_go();
            comment on table floor_plans is 'pictures of floors of sites, one of each';
            SQL);
        RowSecurity::tenant('floor_plans');
    }
};
