<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Every row that holds fields of a book says in which version of the format; what stands here already is of the first.
 */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table revisions add schema_version integer not null default 1;
            alter table drafts add schema_version integer not null default 1;
            alter table dropped_drafts add schema_version integer not null default 1;
            comment on column objects.schema_version is 'of the format the body was written in; older ones are brought '
                'up to date when read';
            comment on column revisions.schema_version is 'of the format the operations were written in';
            SQL);
    }
};
