<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What is found by words and digits over all customers of a technician: one query, however many there are. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table findables (
                tenant_id uuid not null references tenants on delete cascade,
                object_id uuid not null,
                kind text not null,
                key text not null,
                label text not null,
                extension text,
                digits text,
                national text,
                words text not null,
                primary key (tenant_id, object_id)
            );
            comment on table findables is 'a projection of objects, read across customers';
            comment on column findables.digits is 'of a number with its country code; national: without it';
            comment on column findables.words is 'in small Latin letters without accents';
            create index findables_words on findables using gin (to_tsvector('simple', words));
            create index findables_digits on findables (digits text_pattern_ops);
            create index findables_national on findables (national text_pattern_ops);
            create index findables_last_digits on findables (reverse(digits) text_pattern_ops);
            create index findables_extension on findables (extension text_pattern_ops);

            alter table objects no force row level security;
            insert into findables (tenant_id, object_id, kind, key, label, extension, digits, words)
                select tenant_id, id, kind, key, name, extension, substr(number, 2),
                    lower(concat_ws(' ', name, extension))
                from objects where kind <> 'tenant';
            alter table objects force row level security;
            SQL);
        RowSecurity::technician('findables');
    }
};
