<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table telephones_heard (
                tenant_id uuid primary key references tenants on delete cascade,
                read_at timestamptz,
                heard jsonb,
                asked_at timestamptz not null
            );
            comment on column telephones_heard.asked_at is 'by the clock of the database: whoever asks within seconds '
                'is told what another was';
            comment on table telephones_heard is 'telephones of a customer as the switch last heard of each, by the '
                'id of the object; null where the switch cannot tell';
            SQL);
        RowSecurity::tenant('telephones_heard');
    }
};
