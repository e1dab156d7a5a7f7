<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- As people count: Quay 9 before Quay 10.
            create collation roster_names (provider = icu, locale = 'en-u-kn-true');

            alter table tenants add changed_at timestamptz not null default clock_timestamp();
            alter table tenant_summaries add changed_at timestamptz not null default clock_timestamp();
            comment on column tenants.changed_at is 'by the database''s clock: which lines of the Roster are to be '
                'read again';
            create function roster_changed_now() returns trigger language plpgsql as $$
                begin
                    new.changed_at := clock_timestamp();
                    return new;
                end $$;
            create trigger tenants_changed before update on tenants
                for each row execute function roster_changed_now();
            create trigger tenant_summaries_changed before update on tenant_summaries
                for each row execute function roster_changed_now();
            create index tenants_by_change on tenants (changed_at);
            create index tenant_summaries_by_change on tenant_summaries (changed_at);
            SQL);
    }
};
