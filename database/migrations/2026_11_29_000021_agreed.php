<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table agreed (
                tenant_id uuid primary key references tenants on delete cascade,
                book jsonb not null,
                at timestamptz not null
            );
            comment on table agreed is 'what book and live last agreed on, field by field: tells what was not pushed '
                'yet from what was changed on the switch';
            SQL);
        RowSecurity::tenant('agreed');
    }
};
