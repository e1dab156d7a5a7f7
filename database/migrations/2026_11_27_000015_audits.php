<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table thresholds (
                name text primary key,
                value integer not null,
                set_by uuid not null references technicians,
                set_at timestamptz not null
            );
            comment on table thresholds is 'of the reseller; what is not set is as core has it';
            create table tenant_thresholds (
                tenant_id uuid not null references tenants on delete cascade,
                name text not null,
                value integer not null,
                set_by uuid not null references technicians,
                set_at timestamptz not null,
                primary key (tenant_id, name)
            );

            create table job_batches (
                id text primary key, name text not null, total_jobs integer not null, pending_jobs integer not null,
                    failed_jobs integer not null,
                failed_job_ids text not null, options text, cancelled_at integer, created_at integer not null,
                    finished_at integer
            );
            create table audit_runs (
                id uuid primary key,
                no bigint generated always as identity,
                technician_id uuid not null references technicians,
                reason text not null,
                tenant_ids jsonb not null,
                batch_id text,
                begun_at timestamptz not null,
                stopped_at timestamptz,
                ended_at timestamptz
            );
            create index audit_runs_by_technician on audit_runs (technician_id, no desc);
            create table audited_customers (
                run_id uuid not null references audit_runs on delete cascade,
                tenant_id uuid not null references tenants on delete cascade,
                findings integer not null,
                milliseconds integer not null,
                trouble text,
                done_at timestamptz not null,
                primary key (run_id, tenant_id)
            );

            create table finding_days (
                tenant_id uuid not null references tenants on delete cascade,
                day date not null,
                counts jsonb not null,
                primary key (tenant_id, day)
            );
            comment on table finding_days is 'how many findings of each weight stood at the end of a day on which the '
                'customer was audited';

            alter table findings
                add objects jsonb not null default '[]',
                add path text,
                add fix text,
                add first_revision integer,
                add assignee_id uuid references technicians,
                add due_on date;
            comment on column findings.fix is 'what its button would do, where there is one';
            comment on column findings.first_revision is 'by which it came, found by looking at earlier revisions; '
                'null until they were looked at';

            alter table revisions drop constraint revisions_source_check;
            alter table revisions add constraint revisions_source_check
                check (source in ('taking-on', 'import', 'edit', 'template', 'undo', 'fix'));

            alter table technicians add digest boolean not null default false;
            comment on column technicians.digest is 'whether what is new is mailed to them each morning';

            grant select, insert, update, delete on thresholds, job_batches, audit_runs to roster_app;
            -- Summed up anew, which fills what is new in their findings.
            alter table tenant_summaries no force row level security;
            update tenant_summaries set summed_up_on = null;
            alter table tenant_summaries force row level security;
            SQL);

        RowSecurity::tenant('tenant_thresholds');
        RowSecurity::technician('audited_customers');
        RowSecurity::technician('finding_days');
    }
};
