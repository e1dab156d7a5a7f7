<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table ports (
                tenant_id uuid not null references tenants on delete cascade,
                id text not null,
                place integer not null,
                numbers jsonb not null,
                name text not null,
                street text not null,
                postcode text not null,
                losing_carrier text not null,
                account text not null,
                day date not null,
                state text not null check (state in ('asked', 'dated', 'rejected', 'done')),
                remark text not null,
                read_at timestamptz not null,
                primary key (tenant_id, id)
            );
            comment on table ports is 'as last read from the carrier, which is where they are';
            SQL);
        RowSecurity::tenant('ports');
    }
};
