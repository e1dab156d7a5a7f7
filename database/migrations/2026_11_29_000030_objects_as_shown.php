<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What screens show of an object is made when it is written: a customer of thousands opens as fast as it is read. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table objects add shown json, add shown_as text;
            comment on column objects.shown is 'the object as the HTTP contract has it; a projection of body';
            comment on column objects.shown_as is 'the contract it was made for; for another it is made anew';
            SQL);
    }
};
