<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table api_tokens (
                id uuid primary key,
                technician_id uuid not null references technicians on delete cascade,
                name text not null,
                hash text not null unique,
                scope text not null check (scope in ('read', 'edit', 'push')),
                made_at timestamptz not null,
                until timestamptz,
                last_used_at timestamptz
            );
            comment on column api_tokens.hash is 'SHA-256 of the token, which is random and is shown once';
            comment on column api_tokens.scope is 'the most that may be done with it, whatever the technician is '
                'granted';
            create index api_tokens_by_technician on api_tokens (technician_id);
            grant select, insert, update, delete on api_tokens to roster_app;
            SQL);
    }
};
