<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- No foreign key to objects: a binding outlives the object until the switch has let go of it.
            create table bindings (
                tenant_id uuid not null references tenants on delete cascade,
                object_id uuid not null,
                connector text not null,
                external_id text not null,
                version text,
                primary key (tenant_id, object_id, connector),
                unique (tenant_id, connector, external_id)
            );

            create table live_snapshots (
                tenant_id uuid not null references tenants on delete cascade,
                id uuid not null,
                connector text not null,
                book jsonb not null,
                edits jsonb not null,
                read_at timestamptz not null,
                serial bigserial,
                primary key (tenant_id, id)
            );
            create index live_snapshots_newest on live_snapshots (tenant_id, serial desc);
            grant usage on sequence live_snapshots_serial_seq to roster_app;

            create table pushes (
                tenant_id uuid not null references tenants on delete cascade,
                id uuid not null,
                technician_id uuid not null references technicians,
                revision integer not null,
                scope json,
                status text not null check (status in ('queued', 'running', 'done', 'stopped')),
                reason text,
                requested_at timestamptz not null,
                ended_at timestamptz,
                lease_until timestamptz,
                attempts integer not null default 0,
                serial bigserial,
                primary key (tenant_id, id),
                foreign key (tenant_id, revision) references revisions (tenant_id, no)
            );
            comment on column pushes.scope is 'unset: the whole book; else the list of fields to put back';
            create unique index pushes_one_running on pushes (tenant_id) where status in ('queued', 'running');
            grant usage on sequence pushes_serial_seq to roster_app;

            create table push_steps (
                tenant_id uuid not null,
                push_id uuid not null,
                position integer not null,
                kind text not null check (kind in ('create', 'update', 'link', 'delete')),
                object text not null,
                label text not null,
                external_id text,
                fields json not null,
                expected json not null,
                status text not null check (status in ('waiting', 'sent', 'done', 'failed')),
                attempts integer not null default 0,
                error text,
                sent_at timestamptz,
                done_at timestamptz,
                primary key (tenant_id, push_id, position),
                foreign key (tenant_id, push_id) references pushes (tenant_id, id) on delete cascade
            );
            SQL);

        foreach (['bindings', 'live_snapshots', 'pushes', 'push_steps'] as $table) {
            RowSecurity::tenant($table);
        }
    }
};
