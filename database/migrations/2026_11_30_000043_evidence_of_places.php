<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table address_checks (
                tenant_id uuid not null references tenants on delete cascade,
                id uuid not null default gen_random_uuid(),
                serial bigint generated always as identity,
                site_id uuid not null,
                address jsonb not null,
                verdict text not null check (verdict in ('good', 'better', 'unknown', 'noted')),
                better jsonb,
                remark text not null default '',
                technician_id uuid references technicians,
                made_at timestamptz not null,
                primary key (tenant_id, id),
                check ((verdict = 'better') = (better is not null)),
                check ((verdict = 'noted') = (technician_id is null))
            );
            create index address_checks_by_site on address_checks (tenant_id, site_id, serial desc);
            comment on table address_checks is 'what the carrier said of emergency addresses, as they were when it was '
                'asked; noted: a date that was entered before checks were kept';

            create table emergency_tests (
                tenant_id uuid not null references tenants on delete cascade,
                id uuid not null default gen_random_uuid(),
                serial bigint generated always as identity,
                site_id uuid not null,
                tested_at timestamptz not null,
                caller text,
                number_shown text,
                address_read text,
                passed boolean not null,
                note text not null default '',
                basis jsonb,
                technician_id uuid references technicians,
                made_at timestamptz not null,
                primary key (tenant_id, id),
                constraint emergency_tests_were_made check (tested_at <= made_at),
                check (num_nonnulls(caller, address_read, basis, technician_id) in (0, 4))
            );
            create index emergency_tests_by_site on emergency_tests (tenant_id, site_id, serial desc);
            comment on table emergency_tests is 'test calls for help, with what they were made with; without a basis: '
                'a date that was entered before tests were kept';

            -- Dates that stood in the book become records that say no more than they did; one to come is none.
            alter table objects no force row level security;
            insert into address_checks (tenant_id, site_id, address, verdict, made_at)
                select o.tenant_id, o.id, jsonb_strip_nulls(coalesce(o.body->'address', '{}')), 'noted',
                    (o.body->'emergency'->>'checkedOn')::date
                from objects o where o.kind = 'site' and (o.body->'emergency'->>'checkedOn')::date <= now();
            insert into emergency_tests (tenant_id, site_id, tested_at, passed, made_at)
                select o.tenant_id, o.id, (o.body->'emergency'->>'testedOn')::date, true, now()
                from objects o where o.kind = 'site' and (o.body->'emergency'->>'testedOn')::date <= now();
            alter table objects force row level security;
            SQL);
        foreach (['address_checks', 'emergency_tests'] as $table) {
            RowSecurity::tenant($table, RowSecurity::ADD);
            RowSecurity::appendOnly($table);
        }
    }
};
