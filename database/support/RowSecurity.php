<?php

declare(strict_types=1);

namespace Database\Support;

use Illuminate\Support\Facades\DB;

/**
 * Puts a table under row-level security, enabled and forced, in one of the scopes that App\Access\Scope sets for a
 * transaction: *tenant* (one customer) and *technician* (every customer granted to the person).
 */
final class RowSecurity
{
    public const READ = 'select';

    public const ADD = 'select, insert';

    public const WRITE = 'select, insert, update, delete';

    /** Rows of the one customer in scope, and only while the technician in scope holds a grant for it. */
    public static function tenant(string $table, string $rights = self::WRITE): void
    {
        self::force($table, $rights);
        DB::unprepared(<<<SQL
            create policy {$table}_tenant on {$table} using (tenant_id = roster_tenant()) with
                check (tenant_id = roster_tenant());
            create policy {$table}_grant on {$table} as restrictive
                using ((select roster_granted(roster_tenant()))) with check ((select roster_granted(roster_tenant())));
            SQL);
    }

    /** Rows of every customer granted to the technician in scope may be read; writing is for the customer in scope. */
    public static function technician(string $table, string $column = 'tenant_id', string $rights = self::WRITE): void
    {
        self::force($table, $rights);
        DB::unprepared(<<<SQL
            create policy {$table}_read on {$table} for select using (true);
            create policy {$table}_tenant on {$table} using ({$column} = roster_tenant()) with
                check ({$column} = roster_tenant());
            create policy {$table}_grant on {$table} as restrictive
                using ((select roster_granted_every()) or {$column} in (select roster_granted_tenants()))
                with check ((select roster_granted_every()) or {$column} in (select roster_granted_tenants()));
            SQL);
    }

    public static function force(string $table, string $rights): void
    {
        DB::unprepared(<<<SQL
            alter table {$table} enable row level security;
            alter table {$table} force row level security;
            grant {$rights} on {$table} to roster_app;
            SQL);
    }

    /** Refuses UPDATE, DELETE and TRUNCATE to everybody, the owner too. */
    public static function appendOnly(string $table): void
    {
        DB::unprepared(<<<SQL
            create trigger {$table}_append_only before update or delete on {$table}
                for each row execute function roster_refuse_rewriting();
            create trigger {$table}_no_truncate before truncate on {$table}
                for each statement execute function roster_refuse_rewriting();
            SQL);
    }
}
