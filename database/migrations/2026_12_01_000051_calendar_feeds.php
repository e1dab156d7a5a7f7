<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table calendar_feeds (
                technician_id uuid primary key references technicians on delete cascade,
                code_hash text not null unique,
                made_at timestamptz not null,
                read_at timestamptz
            );
            comment on column calendar_feeds.code_hash is 'the code itself is in the address that was shown once';
            grant select, insert, update, delete on calendar_feeds to roster_app;
            SQL);
    }
};
