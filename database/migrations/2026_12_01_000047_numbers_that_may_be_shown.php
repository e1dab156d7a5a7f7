<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table verified_numbers (
                tenant_id uuid not null references tenants on delete cascade,
                number text not null check (number ~ '^\+[1-9][0-9]{5,14}$'),
                called_at timestamptz not null,
                called_by uuid not null references technicians,
                verified_at timestamptz,
                verified_by uuid references technicians,
                primary key (tenant_id, number),
                check ((verified_at is null) = (verified_by is null))
            );
            comment on table verified_numbers is 'of other carriers: whoever is called by one read back a code';

            create table number_registrations (
                tenant_id uuid not null references tenants on delete cascade,
                number text not null,
                kind text not null check (kind in ('name', 'texting')),
                said jsonb not null,
                state text not null check (state in ('filed', 'shown', 'refused')),
                remark text not null default '',
                filed_by uuid not null references technicians,
                filed_at timestamptz not null,
                read_at timestamptz not null,
                primary key (tenant_id, number, kind)
            );
            comment on table number_registrations is 'what the network is told of a number, as last read';
            SQL);
        RowSecurity::tenant('verified_numbers');
        RowSecurity::tenant('number_registrations');
    }
};
