<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table numbers add awaited boolean not null default false;
            alter table numbers add constraint numbers_awaited_by_somebody check (not awaited or tenant_id is not null);
            comment on column numbers.awaited is 'another carrier''s still: it stands in a customer''s book and is not '
                'ours to put in service';

            -- What is known of a number, for whoever is granted anything: free, theirs (of the customer in scope),
            -- awaited (theirs, and another carrier's still), taken (by another customer) or unknown.
            create function roster_number_known(wanted text) returns text
                language plpgsql stable security definer set search_path = public, pg_temp as $$
                declare found_number numbers;
                begin
                    if roster_technician() is null then
                        raise exception 'nobody asks' using errcode = 'insufficient_privilege';
                    end if;
                    select * into found_number from numbers where e164 = wanted;
                    return case
                        when found_number.e164 is null then 'unknown'
                        when found_number.tenant_id is null then 'free'
                        when found_number.tenant_id is distinct from roster_tenant() then 'taken'
                        when found_number.awaited then 'awaited'
                        else 'theirs' end;
                end $$;

            -- Stands in the book of the customer in scope from now on, though it is another carrier's. One of our stock
            -- is taken as any other is.
            create function await_number(wanted text, of_region text) returns void
                language plpgsql security definer set search_path = public, pg_temp as $$
                begin
                    if not roster_granted(roster_tenant()) then
                        raise exception 'no grant for this customer' using errcode = 'insufficient_privilege';
                    end if;
                    insert into numbers (e164, tenant_id, region, taken_at, awaited)
                        values (wanted, roster_tenant(), of_region, roster_now(), true) on conflict (e164) do nothing;
                    if not found then
                        perform take_number(wanted);
                    end if;
                end $$;

            -- One that never came over is nobody's here once its customer lets it go: nothing to give to somebody else.
            create function roster_never_came() returns trigger
                language plpgsql security definer set search_path = public, pg_temp as $$
                begin
                    delete from numbers where e164 = old.e164;
                    return null;
                end $$;
            create trigger numbers_never_came before update on numbers
                for each row when (old.awaited and new.tenant_id is null) execute function roster_never_came();

            -- The carrier says that they came over.
            create function numbers_arrived(given text[]) returns void
                language plpgsql security definer set search_path = public, pg_temp as $$
                begin
                    if not roster_granted(roster_tenant()) then
                        raise exception 'no grant for this customer' using errcode = 'insufficient_privilege';
                    end if;
                    update numbers set awaited = false where tenant_id = roster_tenant() and awaited
                        and e164 = any (given);
                end $$;
            revoke execute on function roster_number_known(text), await_number(text, text), numbers_arrived(text[])
                from public;
            grant execute on function roster_number_known(text), await_number(text, text), numbers_arrived(text[])
                to roster_app;
            SQL);
    }
};
