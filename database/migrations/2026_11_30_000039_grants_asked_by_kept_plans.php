<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        // A function in SQL is parsed and planned anew by each statement that calls it, and every statement does, once
        // for each table under row security: most of what a small one took. In PL/pgSQL its plan is kept.
        DB::unprepared(<<<'SQL'
            create or replace function roster_granted_every() returns boolean language plpgsql stable as $$
                begin
                    return exists (select 1 from public.grants where technician_id = public.roster_technician()
                        and tenant_id is null
                        and (starts_at is null or starts_at <= public.roster_now())
                        and (until is null or until > public.roster_now()));
                end $$;
            create or replace function roster_granted_tenants() returns setof uuid language plpgsql stable as $$
                begin
                    return query select tenant_id from public.grants
                        where technician_id = public.roster_technician() and tenant_id is not null
                            and (starts_at is null or starts_at <= public.roster_now())
                            and (until is null or until > public.roster_now());
                end $$;
            create or replace function roster_granted(wanted uuid) returns boolean language plpgsql stable as $$
                begin
                    return wanted is not null and (public.roster_granted_every()
                        or wanted in (select public.roster_granted_tenants()));
                end $$;
            create or replace function roster_grants_here()
                returns table (name text, ability text, until timestamptz, looks_after boolean)
                language plpgsql stable security definer set search_path = public, pg_temp as $$
                begin
                    return query select t.name, g.ability, g.until, t.id is not distinct
                        from (select looked_after_by from tenants where id = roster_tenant())
                    from grants g join technicians t on t.id = g.technician_id
                    where g.tenant_id = roster_tenant() and roster_granted(roster_tenant())
                    order by t.name, g.given_at;
                end $$;
            create or replace function roster_invitations_here()
                returns table (sign_in text, sent_at timestamptz, open_until timestamptz)
                language plpgsql stable security definer set search_path = public, pg_temp as $$
                begin
                    return query select i.sign_in, i.sent_at, i.open_until from invitations i
                    where i.tenant_id = roster_tenant() and i.accepted_at is null and roster_granted(roster_tenant())
                    order by i.sign_in, i.sent_at;
                end $$;
            SQL);
    }
};
