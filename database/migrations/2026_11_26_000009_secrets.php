<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table secrets (
                tenant_id uuid not null references tenants on delete cascade,
                object_id uuid not null,
                field text not null,
                ciphertext text not null,
                strength text not null check (strength in ('set', 'weak')),
                technician_id uuid not null references technicians,
                changed_on timestamptz not null,
                revealed_at timestamptz,
                sent_at timestamptz,
                primary key (tenant_id, object_id, field)
            );
            comment on table secrets is 'PINs: sealed, in no book, revision, export or log; what is known of one is '
                'how strong it is and since when';
            comment on column secrets.revealed_at is 'a secret is shown once; who needs it again makes a new one';
            SQL);

        RowSecurity::tenant('secrets');
    }
};
