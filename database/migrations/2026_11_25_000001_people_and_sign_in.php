<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table technicians (
                id uuid primary key,
                sign_in text not null unique check (sign_in = lower(sign_in)),
                name text not null,
                initials text not null,
                password text not null,
                remember_token text,
                lead boolean not null default false,
                totp_secret text,
                totp_confirmed_at timestamptz,
                totp_last_step bigint,
                recovery_codes text,
                created_at timestamptz not null default now()
            );
            comment on column technicians.totp_secret is 'encrypted with the application key; unset where the second '
                'factor is off';
            comment on column technicians.recovery_codes is 'JSON list of hashes; each used once';

            create table sessions (
                id text primary key,
                user_id uuid references technicians on delete cascade,
                ip_address text,
                user_agent text,
                payload text not null,
                last_activity integer not null
            );
            create index sessions_by_user on sessions (user_id);
            create index sessions_by_activity on sessions (last_activity);

            create table cache (key text primary key, value text not null, expiration integer not null);
            create table cache_locks (key text primary key, owner text not null, expiration integer not null);

            create table jobs (
                id bigserial primary key, queue text not null, payload text not null, attempts smallint not null,
                reserved_at integer, available_at integer not null, created_at integer not null
            );
            create index jobs_by_queue on jobs (queue);
            create table failed_jobs (
                id bigserial primary key, uuid text not null unique, connection text not null, queue text not null,
                payload text not null, exception text not null, failed_at timestamptz not null default now()
            );

            grant select, insert, update on technicians to roster_app;
            grant select, insert, update, delete on sessions, cache, cache_locks, jobs, failed_jobs to roster_app;
            grant usage on sequence jobs_id_seq, failed_jobs_id_seq to roster_app;
            SQL);
    }
};
