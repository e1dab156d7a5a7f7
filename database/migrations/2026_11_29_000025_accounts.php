<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table technicians add closed_at timestamptz;
            comment on column technicians.closed_at is 'set: signs in no more; the history goes on naming them';

            create table password_letters (
                code_hash text primary key,
                technician_id uuid not null references technicians,
                sent_at timestamptz not null,
                open_until timestamptz not null,
                used_at timestamptz
            );
            comment on column password_letters.code_hash is 'the code itself is in the letter and nowhere else';
            grant select, insert, update, delete on password_letters to roster_app;

            -- Leads read who signed in, failed to, and what was done to accounts; what was done at a customer stays
            -- with its grants.
            create policy activity_lead on activity for select
                using (tenant_id is null and (select t.lead from technicians t where t.id = roster_technician()));

            -- Named whole: a temporary table of the same name would be found first.
            create or replace function roster_granted_every() returns boolean language sql stable as $$
                select exists (select 1 from public.grants where technician_id = public.roster_technician()
                    and tenant_id is null
                    and (until is null or until > public.roster_now())) $$;
            create or replace function roster_granted_tenants() returns setof uuid language sql stable as $$
                select tenant_id from public.grants where technician_id = public.roster_technician() and tenant_id
                    is not null
                    and (until is null or until > public.roster_now()) $$;
            create or replace function roster_granted(wanted uuid) returns boolean language sql stable as $$
                select wanted is not null and (public.roster_granted_every()
                    or wanted in (select public.roster_granted_tenants())) $$;

            -- A push goes on in somebody's name. When their grant is gone nobody is left in whose scope it could be
            -- ended.
            alter policy pushes_grant on pushes to roster_app;
            create policy pushes_owner on pushes to current_user using (true) with check (true);
            create function roster_end_push(of_tenant uuid, wanted uuid, why text) returns boolean
                language plpgsql security definer set search_path = public, pg_temp as $$
                begin
                    update pushes p set status = 'stopped', reason = why, ended_at = roster_now(), lease_until = null
                        where p.tenant_id = of_tenant and p.id = wanted and p.status in ('queued', 'running')
                            and not exists (
                            select 1 from grants g where g.technician_id = p.technician_id and g.ability = 'push'
                                and (g.tenant_id is null or g.tenant_id = p.tenant_id)
                                and (g.until is null or g.until > roster_now()));
                    return found;
                end $$;
            revoke execute on function roster_end_push(uuid, uuid, text) from public;
            grant execute on function roster_end_push(uuid, uuid, text) to roster_app;
            SQL);
    }
};
