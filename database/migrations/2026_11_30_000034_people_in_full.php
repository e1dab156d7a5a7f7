<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table grants add starts_at timestamptz, add in_emergency boolean not null default false;
            alter table grants drop constraint grants_ability_check,
                add constraint grants_ability_check check (ability in ('read', 'edit', 'push', 'bill'));
            comment on column grants.starts_at is 'unset: from when it was given';
            comment on column grants.in_emergency is 'taken by the technician themselves, for two hours, with a reason';
            alter table invitations add grant_from timestamptz;
            alter table invitations drop constraint invitations_ability_check,
                add constraint invitations_ability_check check (ability in ('read', 'edit', 'push', 'bill'));

            create or replace function roster_granted_every() returns boolean language sql stable as $$
                select exists (select 1 from public.grants where technician_id = public.roster_technician()
                    and tenant_id is null
                    and (starts_at is null or starts_at <= public.roster_now())
                    and (until is null or until > public.roster_now())) $$;
            create or replace function roster_granted_tenants() returns setof uuid language sql stable as $$
                select tenant_id from public.grants where technician_id = public.roster_technician() and tenant_id
                    is not null
                    and (starts_at is null or starts_at <= public.roster_now())
                    and (until is null or until > public.roster_now()) $$;

            -- As whoever asks: what row security hides from them, it hides here.
            create or replace function roster_open(technician uuid, customer text, moment text) returns jsonb
                language plpgsql set search_path = public, pg_temp as $$
                declare
                    found_tenant tenants%rowtype;
                begin
                    perform set_config('app.technician_id', technician::text, true),
                        set_config('app.tenant_id', '', true), set_config('app.now', moment, true);
                    if customer ~ '^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$' then
                        select * into found_tenant from tenants where id = customer::uuid;
                    else
                        select * into found_tenant from tenants where key = customer;
                    end if;
                    if not found then
                        return null;
                    end if;
                    perform set_config('app.tenant_id', found_tenant.id::text, true);
                    return jsonb_build_object('tenant', to_jsonb(found_tenant), 'grants', (
                        select coalesce(jsonb_agg(jsonb_build_object('tenant', g.tenant_id, 'ability', g.ability)),
                            '[]')
                        from grants g where g.technician_id = technician
                            and (g.starts_at is null or g.starts_at <= roster_now())
                            and (g.until is null or g.until > roster_now())
                            and (g.tenant_id is null or g.tenant_id = found_tenant.id)),
                        'factor', (select t.totp_confirmed_at is not null from technicians t where t.id = technician),
                        'factorFor', (select h.settings -> 'secondFactorFor' from house h));
                end $$;

            create or replace function roster_end_push(of_tenant uuid, wanted uuid, why text) returns boolean
                language plpgsql security definer set search_path = public, pg_temp as $$
                begin
                    update pushes p set status = 'stopped', reason = why, ended_at = roster_now(), lease_until = null
                        where p.tenant_id = of_tenant and p.id = wanted and p.status in ('queued', 'running')
                            and not exists (
                            select 1 from grants g where g.technician_id = p.technician_id and g.ability = 'push'
                                and (g.tenant_id is null or g.tenant_id = p.tenant_id)
                                and (g.starts_at is null or g.starts_at <= roster_now())
                                and (g.until is null or g.until > roster_now()));
                    return found;
                end $$;

            create or replace function roster_accept_invitation(wanted text, technician uuid, new_grant uuid)
                returns boolean
                language plpgsql security definer set search_path = public, pg_temp as $$
                declare taken invitations;
                begin
                    update invitations i set accepted_at = roster_now() from technicians t
                        where i.code_hash = wanted and i.accepted_at is null and i.open_until > roster_now()
                            and t.id = technician and t.sign_in = i.sign_in
                        returning i.* into taken;
                    if taken.id is null then
                        return false;
                    end if;
                    insert into grants (id, technician_id, tenant_id, ability, purpose, starts_at, until, given_by,
                            given_at)
                        values (new_grant, technician, taken.tenant_id, taken.ability, taken.purpose,
                            taken.grant_from, taken.grant_until, taken.invited_by, roster_now());
                    return true;
                end $$;

            -- There is always somebody who can let others in.
            create function roster_keep_a_lead() returns trigger language plpgsql as $$
                begin
                    perform pg_advisory_xact_lock(hashtext('roster: the last lead'));
                    if not exists (select 1 from technicians where lead and closed_at is null) then
                        raise exception 'the last lead' using errcode = 'check_violation',
                            constraint = 'technicians_a_lead';
                    end if;
                    return null;
                end $$;
            create constraint trigger technicians_a_lead after update on technicians for each row
                when (old.lead and old.closed_at is null and (not new.lead or new.closed_at is not null))
                execute function roster_keep_a_lead();

            -- In an emergency: whoever is of the staff takes a grant themselves, by the customer's own name or key.
            create function roster_break_glass(new_grant uuid, customer text, wanted text, why text, ends timestamptz)
                returns jsonb
                language plpgsql security definer set search_path = public, pg_temp as $$
                declare found_tenant tenants%rowtype;
                begin
                    if not exists (select 1 from technicians where id = roster_technician() and closed_at is null) then
                        return null;
                    end if;
                    select * into found_tenant from tenants
                        where key = lower(customer) or lower(name) = lower(customer) order by key limit 1;
                    if not found then
                        return null;
                    end if;
                    insert into grants (id, technician_id, tenant_id, ability, purpose, starts_at, until, given_by,
                            given_at, in_emergency)
                        values (new_grant, roster_technician(), found_tenant.id, wanted, why, roster_now(), ends,
                            roster_technician(), roster_now(), true);
                    return jsonb_build_object('key', found_tenant.key, 'name', found_tenant.name,
                        'id', found_tenant.id);
                end $$;

            -- What somebody leaves behind who is switched off, and its passing on: a lead may do so for customers that
            -- are not granted to them.
            alter policy findings_grant on findings to roster_app;
            create policy findings_owner on findings to current_user using (true) with check (true);
            create policy tenants_owner_hands on tenants for update to current_user using (true) with check (true);
            create policy grants_owner_takes on grants for delete to current_user using (true);
            create function roster_leaves(leaver uuid) returns jsonb
                language sql stable security definer set search_path = public, pg_temp as $$
                select jsonb_build_object(
                    'customers', (select coalesce(jsonb_agg(name order by name), '[]') from tenants
                        where looked_after_by = leaver),
                    'findings', (select count(*) from findings where assignee_id = leaver),
                    'grants', (select count(*) from grants where technician_id = leaver
                        and (until is null or until > roster_now())))
                where (select lead from technicians where id = roster_technician()) $$;
            create function roster_hand_over(leaver uuid, heir uuid) returns void
                language plpgsql security definer set search_path = public, pg_temp as $$
                begin
                    if not coalesce((select lead and closed_at is null from technicians
                            where id = roster_technician()), false) then
                        raise exception 'leads only' using errcode = 'insufficient_privilege';
                    end if;
                    -- Who gets the work may do what it takes: the same grants, where theirs do not reach as far.
                    insert into grants (id, technician_id, tenant_id, ability, purpose, starts_at, until, given_by,
                            given_at)
                        select gen_random_uuid(), heir, g.tenant_id, g.ability, g.purpose, g.starts_at, g.until,
                            roster_technician(), roster_now()
                        from grants g
                        where heir is not null and g.technician_id = leaver and not g.in_emergency
                            and (g.until is null or g.until > roster_now())
                            and not exists (select 1 from grants h where h.technician_id = heir
                                and (h.tenant_id is null or h.tenant_id = g.tenant_id)
                                and (h.until is null or h.until >= g.until)
                                and case h.ability when 'push' then g.ability <> 'bill'
                                    when 'edit' then g.ability in ('read', 'edit')
                                    else h.ability = g.ability or g.ability = 'read' end);
                    update tenants set looked_after_by = heir where looked_after_by = leaver;
                    update findings set assignee_id = heir where assignee_id = leaver;
                    delete from grants where technician_id = leaver;
                end $$;
            revoke execute on function roster_break_glass(uuid, text, text, text, timestamptz), roster_leaves(uuid),
                roster_hand_over(uuid, uuid) from public;
            grant execute on function roster_break_glass(uuid, text, text, text, timestamptz), roster_leaves(uuid),
                roster_hand_over(uuid, uuid) to roster_app;
            SQL);
    }
};
