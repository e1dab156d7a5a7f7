<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** How each technician reads times, days and numbers. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table technicians
                add clock text not null default '24' check (clock in ('24', '12')),
                add days text not null default 'dayFirst' check (days in ('dayFirst', 'monthFirst', 'yearFirst')),
                add numbers text not null default 'comma' check (numbers in ('comma', 'space', 'dot'));
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('alter table technicians drop clock, drop days, drop numbers');
    }
};
