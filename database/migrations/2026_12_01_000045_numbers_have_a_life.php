<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * How a number stands with the reseller: free, taken, ordered, reserved, porting in, lent, resting, porting out or
 * cancelled. The database refuses what a state does not allow, whoever asks; dates move numbers on by night.
 */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table numbers
                add state text not null default 'free' check (state in ('free', 'taken', 'ordered', 'reserved',
                    'portingIn', 'lent', 'resting', 'portingOut', 'cancelled')),
                add since timestamptz not null default now(),
                add until date,
                add kind text not null default 'local' check (kind in ('local', 'tollFree', 'mobile')),
                add former uuid,
                add came_with text,
                add once_cents integer,
                add monthly_cents integer,
                add currency text;
            comment on column numbers.until is 'the last day of a reservation, a loan or a rest';
            comment on column numbers.former is 'who had it last: may have it back while it rests, so that undo undoes';
            comment on column numbers.came_with is 'the order or the range it came in';
            drop trigger numbers_never_came on numbers;
            drop function roster_never_came();
            update numbers set since = coalesce(taken_at, stocked_at),
                state = case when awaited then 'portingIn' when tenant_id is null then 'free' else 'taken' end,
                kind = case when e164 ~ '^\+1(800|833|844|855|866|877|888)' or e164 ~ '^\+44(800|808)'
                    then 'tollFree' else 'local' end;
            alter table numbers drop constraint numbers_awaited_by_somebody;
            alter table numbers drop awaited;
            alter table numbers add constraint numbers_whose check (case state
                when 'free' then tenant_id is null and until is null
                when 'resting' then tenant_id is null and until is not null
                when 'taken' then tenant_id is not null
                when 'portingIn' then tenant_id is not null
                when 'portingOut' then tenant_id is not null
                when 'lent' then until is not null
                when 'reserved' then until is not null
                else true end);
            create index numbers_by_state on numbers (state, e164);

            create function roster_number_kind(wanted text) returns text language sql immutable as $$
                select case when wanted ~ '^\+1(800|833|844|855|866|877|888)' or wanted ~ '^\+44(800|808)'
                    then 'tollFree' else 'local' end $$;

            -- What a house settled, or what holds where it settled nothing.
            create function roster_rest_days(of_kind text) returns integer
                language sql stable security definer set search_path = public, pg_temp as $$
                select coalesce((select (settings -> 'restDays' ->> of_kind)::integer from house), 90) $$;
            create function roster_today() returns date
                language sql stable security definer set search_path = public, pg_temp as $$
                select (roster_now() at time zone
                    coalesce((select settings ->> 'zone' from house), 'UTC'))::date $$;

            -- From which state to which: everything else is refused, to the owner too.
            create function roster_number_moves() returns trigger language plpgsql as $$
                begin
                    if not (new.state = any (case old.state
                        when 'free' then array['taken', 'cancelled']
                        when 'ordered' then array['taken', 'free', 'cancelled']
                        when 'reserved' then array['ordered', 'taken', 'free', 'cancelled']
                        when 'portingIn' then array['taken']
                        when 'taken' then array['resting', 'free', 'portingOut', 'cancelled']
                        when 'lent' then array['cancelled']
                        when 'resting' then array['free', 'taken', 'cancelled']
                        when 'portingOut' then array['taken', 'resting', 'free', 'cancelled']
                        when 'cancelled' then array['ordered', 'reserved', 'free', 'taken', 'lent', 'portingIn']
                        end)) then
                        raise exception 'a number that is % cannot become %', old.state, new.state
                            using errcode = 'check_violation', constraint = 'numbers_moves';
                    end if;
                    new.since := roster_now();
                    return new;
                end $$;

            -- Its customer lets it go: it rests where it served, and is nobody's where it never came. What serves is
            -- on the switch: nobody may have it before callers have forgotten it.
            create function roster_number_let_go() returns trigger
                language plpgsql security definer set search_path = public, pg_temp as $$
                begin
                    if old.state = 'portingIn' then
                        delete from numbers where e164 = old.e164;
                        return null;
                    end if;
                    new.former := old.tenant_id;
                    new.taken_at := null;
                    if old.state in ('taken', 'portingOut') then
                        if exists (select 1 from objects o join bindings b on b.tenant_id = o.tenant_id
                            and b.object_id = o.id where o.tenant_id = old.tenant_id and o.kind = 'number'
                            and o.key = old.e164) then
                            new.state := 'resting';
                            new.until := roster_today() + roster_rest_days(old.kind);
                        else
                            new.state := 'free';
                            new.until := null;
                        end if;
                    end if;
                    return new;
                end $$;
            -- In the order of their names.
            create trigger numbers_a_let_go before update on numbers for each row
                when (old.tenant_id is not null and new.tenant_id is null) execute function roster_number_let_go();
            create trigger numbers_b_moves before update on numbers for each row
                when (old.state is distinct from new.state) execute function roster_number_moves();

            create or replace function roster_number_known(wanted text) returns text
                language plpgsql stable security definer set search_path = public, pg_temp as $$
                declare n numbers;
                begin
                    if roster_technician() is null then
                        raise exception 'nobody asks' using errcode = 'insufficient_privilege';
                    end if;
                    select * into n from numbers where e164 = wanted;
                    return case
                        when n.e164 is null then 'unknown'
                        when n.tenant_id is null and n.state = 'cancelled' then 'unknown'
                        when n.tenant_id is null and n.state in ('ordered', 'reserved') then n.state
                        when n.tenant_id is null and n.state = 'free' then 'free'
                        when n.tenant_id is null and n.former is not distinct from roster_tenant() then 'free'
                        when n.tenant_id is null and n.state = 'resting' then 'resting'
                        when n.tenant_id is distinct from roster_tenant() then 'taken'
                        when n.state = 'portingIn' then 'awaited'
                        when n.state in ('ordered', 'reserved', 'cancelled') then n.state
                        else 'theirs' end;
                end $$;

            create or replace function take_number(wanted text) returns void
                language plpgsql security definer set search_path = public, pg_temp as $$
                declare n numbers;
                begin
                    if not roster_granted(roster_tenant()) then
                        raise exception 'no grant for this customer' using errcode = 'insufficient_privilege';
                    end if;
                    select * into n from numbers where e164 = wanted for update;
                    if n.tenant_id = roster_tenant() then
                        return;
                    end if;
                    if n.e164 is null or n.tenant_id is not null or n.state = 'cancelled'
                        or n.state in ('resting', 'lent') and n.former is distinct from roster_tenant() then
                        raise exception '% is not free', wanted using errcode = 'unique_violation',
                            constraint = 'numbers_free';
                    end if;
                    update numbers set tenant_id = roster_tenant(), taken_at = roster_now(),
                        state = case when n.state in ('free', 'resting') then 'taken' else n.state end,
                        until = case when n.state in ('free', 'resting') then null else n.until end
                        where e164 = wanted;
                end $$;
            create or replace function release_number(given text) returns void
                language plpgsql security definer set search_path = public, pg_temp as $$
                begin
                    if not roster_granted(roster_tenant()) then
                        raise exception 'no grant for this customer' using errcode = 'insufficient_privilege';
                    end if;
                    update numbers set tenant_id = null where e164 = given and tenant_id = roster_tenant();
                end $$;
            create or replace function await_number(wanted text, of_region text) returns void
                language plpgsql security definer set search_path = public, pg_temp as $$
                begin
                    if not roster_granted(roster_tenant()) then
                        raise exception 'no grant for this customer' using errcode = 'insufficient_privilege';
                    end if;
                    -- One that we had once and gave up is another carrier's like any other.
                    update numbers set tenant_id = roster_tenant(), taken_at = roster_now(), state = 'portingIn',
                        former = null where e164 = wanted and tenant_id is null and state = 'cancelled';
                    if found then
                        return;
                    end if;
                    insert into numbers (e164, tenant_id, region, taken_at, state, kind)
                        values (wanted, roster_tenant(), of_region, roster_now(), 'portingIn',
                            roster_number_kind(wanted)) on conflict (e164) do nothing;
                    if not found then
                        perform take_number(wanted);
                    end if;
                end $$;
            create or replace function numbers_arrived(given text[]) returns void
                language plpgsql security definer set search_path = public, pg_temp as $$
                begin
                    if not roster_granted(roster_tenant()) then
                        raise exception 'no grant for this customer' using errcode = 'insufficient_privilege';
                    end if;
                    update numbers set state = 'taken' where tenant_id = roster_tenant() and state = 'portingIn'
                        and e164 = any (given);
                end $$;
            create or replace function roster_drop_numbers(wanted text[]) returns integer
                language plpgsql security definer set search_path = public, pg_temp as $$
                declare gone integer;
                begin
                    if not roster_granted_every() then
                        raise exception 'no grant for every customer' using errcode = 'insufficient_privilege';
                    end if;
                    delete from numbers where e164 = any(wanted) and state = 'free' and carrier_receipt is null;
                    get diagnostics gone = row_count;
                    return gone;
                end $$;

            -- No number is in service in a book that is not ours to put in service.
            create function roster_number_serves() returns trigger
                language plpgsql security definer set search_path = public, pg_temp as $$
                declare stands text;
                begin
                    select state into stands from numbers where e164 = new.key and tenant_id = new.tenant_id;
                    if stands in ('ordered', 'reserved', 'portingIn', 'cancelled')
                        and coalesce(new.body ->> 'status', 'active') in ('active', 'temporary', 'portingOut') then
                        raise exception '% is % and cannot be in service', new.key, stands
                            using errcode = 'check_violation', constraint = 'numbers_serve';
                    end if;
                    return null;
                end $$;
            create constraint trigger objects_number_serves after insert or update of body on objects
                deferrable initially deferred for each row when (new.kind = 'number')
                execute function roster_number_serves();

            -- The stock as its page shows it: whoever may see a customer sees their numbers.
            create policy numbers_granted on numbers for select using (roster_tenant() is null and (
                (select roster_granted_every()) or tenant_id in (select roster_granted_tenants())));
            alter policy numbers_add on numbers with check (tenant_id is null and state = 'free'
                and (select roster_granted_every()));
            alter table findables add leads_to uuid;
            comment on column findables.leads_to is 'where the calls of a number go first';
            create index findables_of_numbers on findables (tenant_id, key) where kind = 'number';
            alter table object_links no force row level security;
            update findables f set leads_to = l.to_id from object_links l
                where f.kind = 'number' and l.tenant_id = f.tenant_id and l.from_id = f.object_id
                    and l.path = 'destination';
            alter table object_links force row level security;

            -- What the carrier says is ours, reserved for us or gone; each keeps whose it is.
            create function stock_ordered(rows jsonb) returns void
                language plpgsql security definer set search_path = public, pg_temp as $$
                begin
                    if not (roster_granted_every()) then
                        raise exception 'no grant for every customer' using errcode = 'insufficient_privilege';
                    end if;
                    insert into numbers as n (e164, region, kind, state, carrier_receipt, came_with, once_cents,
                            monthly_cents, currency)
                        select r.number, r.region, r.kind, case when r.waits then 'ordered' else 'free' end, r.receipt,
                            r.with, r.once, r.monthly, r.currency
                        from jsonb_to_recordset(rows) as r (number text, region text, kind text, waits boolean,
                            receipt text, "with" text, once integer, monthly integer, currency text)
                        on conflict (e164) do update set
                            state = case when excluded.state = 'ordered' then 'ordered'
                                when n.tenant_id is null then 'free' else 'taken' end,
                            until = null, former = case when n.state = 'cancelled' then null else n.former end,
                            carrier_receipt = excluded.carrier_receipt, came_with = excluded.came_with,
                            once_cents = excluded.once_cents, monthly_cents = excluded.monthly_cents,
                            currency = excluded.currency
                        where n.state in ('reserved', 'cancelled');
                end $$;
            create function stock_delivered(given text[]) returns integer
                language plpgsql security definer set search_path = public, pg_temp as $$
                declare moved integer;
                begin
                    if not (roster_granted_every()) then
                        raise exception 'no grant for every customer' using errcode = 'insufficient_privilege';
                    end if;
                    update numbers set state = case when tenant_id is null then 'free' else 'taken' end
                        where e164 = any (given) and state = 'ordered';
                    get diagnostics moved = row_count;
                    return moved;
                end $$;
            create function stock_reserved(rows jsonb, last_day date) returns void
                language plpgsql security definer set search_path = public, pg_temp as $$
                begin
                    if not (roster_granted_every()) then
                        raise exception 'no grant for every customer' using errcode = 'insufficient_privilege';
                    end if;
                    insert into numbers as n (e164, region, kind, state, until, once_cents, monthly_cents, currency)
                        select r.number, r.region, r.kind, 'reserved', last_day, r.once, r.monthly, r.currency
                        from jsonb_to_recordset(rows) as r (number text, region text, kind text, once integer,
                            monthly integer, currency text)
                        on conflict (e164) do update set state = 'reserved', until = excluded.until
                        where n.state in ('reserved', 'cancelled');
                end $$;
            create function stock_returned(given text[]) returns integer
                language plpgsql security definer set search_path = public, pg_temp as $$
                declare moved integer;
                begin
                    if not (roster_granted_every()) then
                        raise exception 'no grant for every customer' using errcode = 'insufficient_privilege';
                    end if;
                    update numbers set state = 'cancelled', until = null
                        where e164 = any (given) and tenant_id is null
                            and state in ('free', 'ordered', 'reserved', 'resting', 'lent');
                    get diagnostics moved = row_count;
                    return moved;
                end $$;
            create function stock_rests_ended(given text[]) returns integer
                language plpgsql security definer set search_path = public, pg_temp as $$
                declare moved integer;
                begin
                    if not (roster_granted_every()) then
                        raise exception 'no grant for every customer' using errcode = 'insufficient_privilege';
                    end if;
                    update numbers set state = 'free', until = null, former = null
                        where e164 = any (given) and state = 'resting';
                    get diagnostics moved = row_count;
                    return moved;
                end $$;
            -- What dates say, and nothing else: nobody has to be asked.
            create function stock_by_night() returns jsonb
                language plpgsql security definer set search_path = public, pg_temp as $$
                declare free bigint; lapsed bigint;
                begin
                    update numbers set state = 'free', until = null, former = null
                        where state = 'resting' and until < roster_today();
                    get diagnostics free = row_count;
                    update numbers set state = 'cancelled', until = null
                        where state in ('reserved', 'lent') and until < roster_today();
                    get diagnostics lapsed = row_count;
                    return jsonb_build_object('rested', free, 'lapsed', lapsed);
                end $$;

            create table number_orders (
                id uuid primary key,
                asked_by uuid not null references technicians,
                asked_at timestamptz not null,
                numbers jsonb not null,
                once_cents integer not null check (once_cents >= 0),
                monthly_cents integer not null check (monthly_cents >= 0),
                currency text not null,
                state text not null check (state in ('waiting', 'sent', 'ordered', 'refused')),
                decided_by uuid references technicians,
                decided_at timestamptz,
                receipt text,
                lines jsonb,
                trouble text,
                check (state <> 'ordered' or receipt is not null)
            );
            comment on table number_orders is 'written down before the carrier is asked; id is the carrier''s '
                'reference too, so that what is sent twice is one order';
            alter table number_orders enable row level security;
            alter table number_orders force row level security;
            grant select, insert, update on number_orders to roster_app;
            create policy number_orders_every on number_orders using ((select roster_granted_every()))
                with check ((select roster_granted_every()));

            revoke execute on function stock_ordered(jsonb), stock_delivered(text[]), stock_reserved(jsonb, date),
                stock_returned(text[]), stock_rests_ended(text[]), stock_by_night(), roster_rest_days(text),
                roster_today() from public;
            grant execute on function stock_ordered(jsonb), stock_delivered(text[]), stock_reserved(jsonb, date),
                stock_returned(text[]), stock_rests_ended(text[]), stock_by_night(), roster_rest_days(text),
                roster_today() to roster_app;
            SQL);
    }
};
