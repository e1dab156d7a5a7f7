<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create index finding_days_by_day on finding_days (day);
            create index activity_by_what on activity (what, id);
            -- The words that entries are told in, each found by one step into the index: they are the application's own
            -- and tell nothing of anybody, so they are the same for all.
            create function roster_activity_whats() returns table (what text)
                language sql stable security definer set search_path = public, pg_temp as $$
                with recursive whats as (
                    (select a.what from activity a order by a.what limit 1)
                    union all
                    select (select a.what from activity a where a.what > w.what order by a.what limit 1)
                        from whats w where w.what is not null
                )
                select w.what from whats w where w.what is not null $$;
            revoke execute on function roster_activity_whats() from public;
            grant execute on function roster_activity_whats() to roster_app;
            SQL);
    }
};
