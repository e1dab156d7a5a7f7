<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table audit_runs add total integer not null default 0, add counted integer not null default 0;
            comment on column audit_runs.counted is 'customers looked at, or found gone, so far: how far it is without '
                'asking who';
            update audit_runs r set total = jsonb_array_length(tenant_ids), counted = jsonb_array_length(tenant_ids)
                where ended_at is not null;
            update audit_runs r set total = jsonb_array_length(tenant_ids) where ended_at is null;
            SQL);
    }
};
