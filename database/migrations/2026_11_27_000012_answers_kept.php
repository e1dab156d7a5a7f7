<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table answers_kept (
                technician_id uuid primary key references technicians on delete cascade,
                template text not null,
                answers jsonb not null,
                kept_at timestamptz not null
            );
            comment on table answers_kept is 'what a technician has been told of a customer who is not taken on yet';
            alter table answers_kept enable row level security;
            alter table answers_kept force row level security;
            create policy answers_kept_own on answers_kept using (technician_id = roster_technician()) with
                check (technician_id = roster_technician());
            grant select, insert, update, delete on answers_kept to roster_app;
            SQL);
    }
};
