<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table house (
                only_one boolean primary key default true check (only_one),
                settings jsonb not null default '{}',
                secrets text,
                begun_at timestamptz,
                changed_at timestamptz not null default now(),
                changed_by uuid references technicians
            );
            comment on table house is 'one row: what the reseller settled for all of it (App\House\Settings)';
            comment on column house.settings is 'what was settled; whatever is missing is as it comes';
            comment on column house.secrets is 'tokens of switches, carrier and studio by connection, encrypted with '
                'the application key';
            comment on column house.begun_at is 'when it got its first lead; unset: nobody can sign in yet';
            insert into house default values;
            SQL);
        RowSecurity::force('house', 'select, update (settings, secrets, begun_at, changed_at, changed_by)');
        DB::unprepared(<<<'SQL'
            -- The page for signing in says whose house it is, to whoever comes.
            create policy house_read on house for select using (true);
            create policy house_lead on house for update
                using ((select t.lead and t.closed_at is null from technicians t where t.id = roster_technician()))
                with check (changed_by = roster_technician());

            -- A switch with customers on it is not taken away, whoever may look at them.
            alter policy tenants_grant on tenants to roster_app;
            create policy tenants_owner on tenants for select to current_user using (true);
            create function roster_customers_on(switch text) returns integer
                language sql stable security definer set search_path = public, pg_temp as $$
                select count(*)::integer from tenants where connector = switch $$;
            -- Numbers that were put into stock from a list by mistake; ordered ones cost and are given back otherwise.
            create function roster_drop_numbers(wanted text[]) returns integer
                language plpgsql security definer set search_path = public, pg_temp as $$
                declare gone integer;
                begin
                    if not roster_granted_every() then
                        raise exception 'no grant for every customer' using errcode = 'insufficient_privilege';
                    end if;
                    delete from numbers where e164 = any(wanted) and tenant_id is null and carrier_receipt is null;
                    get diagnostics gone = row_count;
                    return gone;
                end $$;
            revoke execute on function roster_drop_numbers(text[]) from public;
            grant execute on function roster_drop_numbers(text[]) to roster_app;
            revoke execute on function roster_customers_on(text) from public;
            grant execute on function roster_customers_on(text) to roster_app;
            SQL);
    }
};
