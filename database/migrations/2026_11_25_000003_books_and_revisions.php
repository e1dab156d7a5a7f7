<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- The reseller's stock: a number belongs to one customer at most. Ownership here, behaviour in the book.
            create table numbers (
                e164 text primary key check (e164 ~ '^\+[1-9][0-9]{5,14}$'),
                tenant_id uuid references tenants,
                carrier_receipt text,
                region text,
                taken_at timestamptz,
                stocked_at timestamptz not null default now(),
                unique (tenant_id, e164)
            );
            create index numbers_free on numbers (e164) where tenant_id is null;

            create table objects (
                tenant_id uuid not null references tenants on delete cascade,
                id uuid not null,
                kind text not null,
                key text not null,
                name text not null,
                extension text,
                body jsonb not null,
                schema_version integer not null default 1,
                origin text,
                position integer not null,
                number text generated always as (case when kind = 'number' then key end) stored,
                primary key (tenant_id, id),
                constraint objects_key unique (tenant_id, kind, key) deferrable initially deferred,
                constraint objects_extension unique (tenant_id, extension) deferrable initially deferred,
                constraint objects_number foreign key (tenant_id, number) references numbers (tenant_id, e164)
                    deferrable initially deferred
            );
            comment on column objects.body is 'the object as the tenant book writes it; name, extension and '
                'object_links are projections of it';

            create table object_links (
                tenant_id uuid not null,
                from_id uuid not null,
                path text not null,
                to_id uuid not null,
                primary key (tenant_id, from_id, path),
                constraint object_links_from foreign key (tenant_id, from_id) references objects (tenant_id, id)
                    deferrable initially deferred,
                constraint object_links_to foreign key (tenant_id, to_id) references objects (tenant_id, id)
                    deferrable initially deferred
            );
            create index object_links_by_target on object_links (tenant_id, to_id);

            -- Operations are json, not jsonb: what was entered is kept to the letter.
            create table revisions (
                tenant_id uuid not null references tenants,
                no integer not null,
                technician_id uuid not null references technicians,
                source text not null check (source in ('taking-on', 'edit', 'undo')),
                note text,
                undoes integer,
                operations json not null,
                entered_at timestamptz not null,
                primary key (tenant_id, no),
                foreign key (tenant_id, undoes) references revisions (tenant_id, no)
            );

            create table drafts (
                tenant_id uuid not null references tenants on delete cascade,
                technician_id uuid not null references technicians,
                base_revision integer not null,
                operations json not null,
                updated_at timestamptz not null,
                primary key (tenant_id, technician_id)
            );

            create table templates (id uuid primary key, key text not null unique);
            create table template_versions (
                id uuid primary key,
                template_id uuid not null references templates,
                no integer not null,
                body json not null,
                unique (template_id, no)
            );
            grant select, insert on templates, template_versions to roster_app;

            create table template_applications (
                tenant_id uuid not null references tenants on delete cascade,
                id uuid not null,
                template_version_id uuid not null references template_versions,
                answers json not null,
                made json not null,
                applied_at timestamptz not null,
                primary key (tenant_id, id)
            );
            comment on column template_applications.made is 'the objects as expanded: the base of a later merge';
            SQL);

        foreach (['objects', 'object_links', 'drafts', 'template_applications'] as $table) {
            RowSecurity::tenant($table);
        }
        RowSecurity::tenant('revisions', RowSecurity::ADD);
        RowSecurity::appendOnly('revisions');
        RowSecurity::appendOnly('template_versions');

        RowSecurity::force('numbers', 'select, insert');
        DB::unprepared(<<<'SQL'
            create policy numbers_owner on numbers to roster_owner using (true) with check (true);
            create policy numbers_tenant on numbers for select
                using (tenant_id = roster_tenant() and (select roster_granted(roster_tenant())));
            create policy numbers_stock on numbers for select
                using (tenant_id is null and roster_technician() is not null);
            create policy numbers_add on numbers for insert with
                check (tenant_id is null and (select roster_granted_every()));

            -- The stock scope: the only two ways a number changes hands.
            create function take_number(wanted text) returns void
                language plpgsql security definer set search_path = public, pg_temp as $$
                begin
                    if not roster_granted(roster_tenant()) then
                        raise exception 'no grant for this customer' using errcode = 'insufficient_privilege';
                    end if;
                    update numbers set tenant_id = roster_tenant(), taken_at = roster_now() where e164 = wanted
                        and tenant_id is null;
                    if not found and not exists (select 1 from numbers where e164 = wanted
                        and tenant_id = roster_tenant()) then
                        raise exception '% is not free', wanted using errcode = 'unique_violation',
                            constraint = 'numbers_free';
                    end if;
                end $$;
            create function release_number(given text) returns void
                language plpgsql security definer set search_path = public, pg_temp as $$
                begin
                    if not roster_granted(roster_tenant()) then
                        raise exception 'no grant for this customer' using errcode = 'insufficient_privilege';
                    end if;
                    update numbers set tenant_id = null, taken_at = null where e164 = given
                        and tenant_id = roster_tenant();
                end $$;
            revoke execute on function take_number(text), release_number(text) from public;
            grant execute on function take_number(text), release_number(text) to roster_app;
            SQL);
    }
};
