<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table drift_waivers (
                tenant_id uuid not null references tenants on delete cascade,
                id uuid not null,
                object text not null,
                path text,
                live json not null,
                reason text not null check (reason <> ''),
                until date,
                technician_id uuid not null references technicians,
                made_at timestamptz not null,
                ended_at timestamptz,
                primary key (tenant_id, id)
            );
            comment on column drift_waivers.live is 'what the switch held when this was waived: anything else is drift '
                'again';
            comment on column drift_waivers.until is 'the last day it holds, by the customer''s calendar; null for '
                'until it is taken back';

            create table signed_books (
                tenant_id uuid not null references tenants on delete cascade,
                id uuid not null,
                revision integer not null,
                signed_by text not null check (signed_by <> ''),
                signed_on date not null,
                technician_id uuid not null references technicians,
                made_at timestamptz not null,
                primary key (tenant_id, id),
                foreign key (tenant_id, revision) references revisions (tenant_id, no)
            );
            comment on table signed_books is 'the revisions customers put their name to; the newest is the baseline';
            SQL);

        RowSecurity::tenant('drift_waivers');
        RowSecurity::tenant('signed_books', RowSecurity::ADD);
        RowSecurity::appendOnly('signed_books');
    }
};
