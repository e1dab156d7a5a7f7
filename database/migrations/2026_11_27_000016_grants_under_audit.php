<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- Whoever audits a customer has to find the same: who may do what there is told to everybody who may look
            -- at it.
            create policy grants_owner on grants for select to current_user using (true);
            create function roster_grants_here()
                returns table (name text, ability text, until timestamptz, looks_after boolean)
                language sql stable security definer set search_path = public, pg_temp as $$
                select t.name, g.ability, g.until, t.id is not distinct
                    from (select looked_after_by from tenants where id = roster_tenant())
                from grants g join technicians t on t.id = g.technician_id
                where g.tenant_id = roster_tenant() and roster_granted(roster_tenant())
                order by t.name, g.given_at $$;
            revoke execute on function roster_grants_here() from public;
            grant execute on function roster_grants_here() to roster_app;
            SQL);
    }
};
