<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create function roster_tenant() returns uuid language sql stable
                as $$ select nullif(current_setting('app.tenant_id', true), '')::uuid $$;
            create function roster_technician() returns uuid language sql stable
                as $$ select nullif(current_setting('app.technician_id', true), '')::uuid $$;
            -- The application's clock, so that a demo at a fixed instant and a test at another agree on what has
            -- expired.
            create function roster_now() returns timestamptz language sql stable
                as $$ select coalesce(nullif(current_setting('app.now', true), '')::timestamptz, now()) $$;
            create function roster_refuse_rewriting() returns trigger language plpgsql as $$
                begin
                    raise exception '% is append-only', tg_table_name using errcode = 'restrict_violation';
                end $$;

            create table tenants (
                id uuid primary key,
                key text not null unique,
                name text not null,
                stage text not null,
                region text,
                zone text not null,
                head_revision integer not null default 0,
                looked_after_by uuid references technicians,
                created_at timestamptz not null default now()
            );

            create table grants (
                id uuid primary key,
                technician_id uuid not null references technicians,
                tenant_id uuid references tenants on delete cascade deferrable initially deferred,
                ability text not null check (ability in ('read', 'edit', 'push')),
                purpose text,
                until timestamptz,
                given_by uuid not null references technicians,
                given_at timestamptz not null default now()
            );
            comment on column grants.tenant_id is 'unset: every customer, those not taken on yet too';
            create index grants_by_technician on grants (technician_id);

            create function roster_granted_every() returns boolean language sql stable as $$
                select exists (select 1 from grants where technician_id = roster_technician() and tenant_id is null
                    and (until is null or until > roster_now())) $$;
            create function roster_granted_tenants() returns setof uuid language sql stable as $$
                select tenant_id from grants where technician_id = roster_technician() and tenant_id is not null
                    and (until is null or until > roster_now()) $$;
            create function roster_granted(wanted uuid) returns boolean language sql stable as $$
                select wanted is not null and (roster_granted_every() or wanted in (select roster_granted_tenants()))
                    $$;
            SQL);

        RowSecurity::technician('tenants', 'id', 'select, insert, update');

        RowSecurity::force('grants', 'select, insert, delete');
        DB::unprepared(<<<'SQL'
            create policy grants_own on grants for select using (technician_id = roster_technician());
            create policy grants_lead on grants
                using ((select t.lead from technicians t where t.id = roster_technician()))
                with check ((select t.lead from technicians t where t.id = roster_technician())
                    and given_by = roster_technician());

            create table tenant_summaries (
                tenant_id uuid primary key references tenants on delete cascade,
                main_number text,
                main_leads_to text,
                objects integer not null default 0,
                differences integer,
                live_read_at timestamptz,
                pushed_revision integer,
                pushed_at timestamptz,
                updated_at timestamptz not null default now()
            );
            comment on column tenant_summaries.differences is 'fields that differ between book and live at the last '
                'read; unset: never read';
            SQL);
        RowSecurity::technician('tenant_summaries');

        DB::unprepared(<<<'SQL'
            create table activity (
                id bigserial primary key,
                technician_id uuid references technicians,
                tenant_id uuid,
                what text not null,
                detail jsonb not null default '{}',
                happened_at timestamptz not null default now()
            );
            create index activity_by_tenant on activity (tenant_id, id);
            grant usage on sequence activity_id_seq to roster_app;
            SQL);
        RowSecurity::force('activity', RowSecurity::ADD);
        RowSecurity::appendOnly('activity');
        DB::unprepared(<<<'SQL'
            create policy activity_add on activity for insert with
                check (tenant_id is null or tenant_id = roster_tenant());
            create policy activity_read on activity for select
                using ((tenant_id is null and technician_id = roster_technician())
                    or (tenant_id = roster_tenant() and (select roster_granted(roster_tenant()))));
            SQL);
    }
};
