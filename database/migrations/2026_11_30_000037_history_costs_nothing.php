<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table kept_books (
                tenant_id uuid not null,
                revision integer not null,
                objects jsonb not null,
                primary key (tenant_id, revision),
                foreign key (tenant_id, revision) references revisions (tenant_id, no)
            );
            comment on table kept_books is 'a whole book now and then, as rows of objects: an earlier one is reached '
                'from the next kept one by a few revisions, however many there are';

            create table unnoted_fields (
                tenant_id uuid not null references tenants on delete cascade,
                object text not null,
                path text not null,
                schema_version integer not null,
                primary key (tenant_id, object, path, schema_version)
            );
            comment on table unnoted_fields is 'fields that somebody edited without saying why, each once: as many as '
                'there are fields, not as there are revisions';

            create table since_signed (
                tenant_id uuid primary key references tenants on delete cascade,
                signed integer not null,
                revision integer not null,
                operations json not null,
                schema_version integer not null
            );
            comment on table since_signed is 'what the book says otherwise than as it was signed, as one set of '
                'changes';
            SQL);
        RowSecurity::tenant('kept_books', RowSecurity::ADD);
        RowSecurity::appendOnly('kept_books');
        RowSecurity::tenant('unnoted_fields', RowSecurity::ADD);
        RowSecurity::tenant('since_signed');
        foreach (['kept_books', 'unnoted_fields', 'since_signed'] as $table) {
            DB::unprepared(<<<SQL
                alter policy {$table}_grant on {$table} to roster_app;
                create policy {$table}_leaves on {$table} to current_user
                    using (tenant_id::text = current_setting('app.purging', true));
                SQL);
        }
        DB::unprepared(<<<'SQL'
            alter table revisions no force row level security;
            alter table unnoted_fields no force row level security;
            insert into unnoted_fields
                select distinct r.tenant_id, o->>'object', o->>'path', r.schema_version
                from revisions r, json_array_elements(r.operations) o
                where r.note is null and r.source = 'edit' and o->>'object' is not null and o->>'path' is not null;
            alter table unnoted_fields force row level security;
            alter table revisions force row level security;
            SQL);
    }
};
