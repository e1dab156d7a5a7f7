<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- Each customer's entries, and the house's own, are a chain: an entry's hash covers what it says and the
            -- hash before it, so that none can be changed, left out or put in without all after it. By customer, so
            -- that whoever writes at one does not wait for whoever writes at another, and so that a purged customer's
            -- chain goes whole.
            alter table activity add chain uuid, add place bigint, add hash text;
            create table activity_chains (chain uuid primary key, length bigint not null, hash text not null);
            comment on column activity.chain is 'the customer, or nothing but zeros for the house itself';

            create function roster_activity_hash(before text, entry activity) returns text language sql immutable as $$
                select encode(sha256(convert_to(concat_ws(E'\x1f', before, entry.chain, entry.place,
                    coalesce(entry.technician_id::text, '-'), coalesce(entry.tenant_id::text, '-'), entry.what,
                    entry.detail::text, extract(epoch from entry.happened_at)::numeric), 'UTF8')), 'hex') $$;

            alter table activity disable trigger activity_append_only;
            alter table activity no force row level security;
            do $$
                declare
                    entry activity;
                    before text;
                begin
                    for entry in select * from activity order by id loop
                        entry.chain := coalesce(entry.tenant_id, '00000000-0000-0000-0000-000000000000');
                        insert into activity_chains values (entry.chain, 0, '') on conflict do nothing;
                        select length + 1, hash into entry.place, before from activity_chains
                            where chain = entry.chain;
                        entry.hash := roster_activity_hash(before, entry);
                        update activity set chain = entry.chain, place = entry.place, hash = entry.hash
                            where id = entry.id;
                        update activity_chains set length = entry.place, hash = entry.hash where chain = entry.chain;
                    end loop;
                end $$;
            alter table activity force row level security;
            alter table activity enable trigger activity_append_only;
            alter table activity alter chain set not null, alter place set not null, alter hash set not null,
                add unique (chain, place);

            create function roster_chain_activity() returns trigger
                language plpgsql security definer set search_path = public, pg_temp as $$
                declare before text;
                begin
                    new.chain := coalesce(new.tenant_id, '00000000-0000-0000-0000-000000000000');
                    insert into activity_chains values (new.chain, 0, '') on conflict do nothing;
                    -- Whoever writes next at this customer waits here until this is done.
                    select length + 1, hash into new.place, before from activity_chains where chain = new.chain
                        for update;
                    new.hash := roster_activity_hash(before, new);
                    update activity_chains set length = new.place, hash = new.hash where chain = new.chain;
                    return new;
                end $$;
            revoke execute on function roster_chain_activity() from public;
            create trigger activity_chain before insert on activity
                for each row execute function roster_chain_activity();

            -- The first entry that is not as it was written, of each chain that has one.
            create policy activity_owner on activity for select to current_user using (true);
            create function roster_broken_activity() returns table (chain uuid, place bigint, id bigint, why text)
                language sql stable security definer set search_path = public, pg_temp as $$
                with linked as (
                    select a, lag(a.hash, 1, '') over (partition by a.chain order by a.place) as before,
                        row_number() over (partition by a.chain order by a.place) as counted
                    from activity a
                ), faults as (
                    select (a).chain, (a).place, (a).id, case
                            when (a).place <> counted then 'an entry before it is missing'
                            else 'it does not say what it said' end as why
                    from linked where (a).place <> counted or (a).hash <> roster_activity_hash(before, a)
                    union all
                    select c.chain, c.length, null,
                        'entries at the end are missing, or there are more than were written'
                    from activity_chains c
                    where c.length <> (select count(*) from activity b where b.chain = c.chain)
                        or c.hash <> coalesce((select b.hash from activity b where b.chain = c.chain
                            order by b.place desc limit 1), '')
                )
                select distinct on (f.chain) f.chain, f.place, f.id, f.why from faults f order by f.chain, f.place $$;
            revoke execute on function roster_broken_activity() from public;

            -- Whoever may look at a customer reads what was done there, also beside that of others.
            create policy activity_granted on activity for select
                using (tenant_id is not null and ((select roster_granted_every())
                    or tenant_id in (select roster_granted_tenants())));
            create index activity_by_person on activity (technician_id, id);
            SQL);
    }
};
