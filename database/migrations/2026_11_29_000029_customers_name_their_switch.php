<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Switches are many: each customer is on one, by the name config/roster.php has for it. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table tenants add column connector text not null default 'practice-switch';
            alter table tenants alter column connector drop default;
            comment on column tenants.connector is 'the switch the customer is on, as config/roster.php names it; '
                'bindings are kept for every switch it was on';
            -- Each switch counts its own calls.
            alter table call_records add column connector text not null default 'practice-switch';
            alter table call_records alter column connector drop default;
            alter table call_records drop constraint call_records_pkey;
            alter table call_records add primary key (tenant_id, connector, serial);
            alter table call_readings add column connector text not null default 'practice-switch';
            alter table call_readings alter column connector drop default;
            alter table call_readings drop constraint call_readings_pkey;
            alter table call_readings add primary key (tenant_id, connector);
            SQL);
    }
};
