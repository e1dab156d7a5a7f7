<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table devices (
                hardware text primary key check (hardware ~ '^[0-9a-f]{12}$'),
                tenant_id uuid not null references tenants on delete cascade,
                object_id uuid not null
            );
            create index devices_of on devices (tenant_id, object_id);
            comment on table devices is 'hardware addresses as the books have them: a device is at one customer, '
                'whichever that is';
            SQL);
        RowSecurity::tenant('devices');
    }
};
