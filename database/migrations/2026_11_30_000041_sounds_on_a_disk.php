<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table recordings alter column wav drop not null, add disk text, add path text,
                add constraint recordings_are_somewhere
                    check ((wav is null) = (path is not null) and (path is null) = (disk is null));
            comment on column recordings.path is 'on a disk of the application; unset where the sound is in the row';
            -- What is on a disk goes after its row went for good: a file has no transaction.
            create table files_let_go (
                disk text not null,
                path text not null,
                primary key (disk, path)
            );
            grant select, delete on files_let_go to roster_app;
            create function roster_let_file_go() returns trigger
                language plpgsql security definer set search_path = public, pg_temp as $$
                begin
                    insert into files_let_go values (old.disk, old.path) on conflict do nothing;
                    return null;
                end $$;
            create trigger recordings_files after delete on recordings for each row when (old.path is not null)
                execute function roster_let_file_go();
            SQL);
    }
};
