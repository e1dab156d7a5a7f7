<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table live_snapshots add mark text;
            comment on column live_snapshots.mark is 'SHA-256 of what was read: a reading that says the same as the '
                'one before is not kept beside it';

            create table purged_customers (
                customer uuid primary key,
                purged_at timestamptz not null,
                in_backups_until timestamptz not null
            );
            comment on table purged_customers is 'that it happened: what an older backup brings back is purged again';

            -- Append-only to everybody but to the one command that purges, for the one customer it purges, and to the
            -- one that tidies what settings keep no longer.
            create or replace function roster_refuse_rewriting() returns trigger language plpgsql as $$
                begin
                    if tg_op = 'DELETE' and current_user = (select tableowner from pg_tables
                            where schemaname = tg_table_schema and tablename = tg_table_name)
                        and (to_jsonb(old) ->> 'tenant_id' = current_setting('app.purging', true)
                            or tg_table_name = 'recordings' and current_setting('app.tidying', true) = 'recordings')
                    then
                        return old;
                    end if;
                    raise exception '% is append-only', tg_table_name using errcode = 'restrict_violation';
                end $$;

            -- The owner is under row security like everybody; it reaches the customer it purges, and what it tidies.
            do $$
                declare of_table text;
                begin
                    for of_table in select c.table_name from information_schema.columns c
                        join pg_tables t on t.schemaname = 'public' and t.tablename = c.table_name and t.rowsecurity
                        where c.table_schema = 'public' and c.column_name = 'tenant_id' loop
                        if exists (select 1 from pg_policies where tablename = of_table
                                and policyname = of_table || '_grant') then
                            execute format('alter policy %I on %I to roster_app', of_table || '_grant', of_table);
                        end if;
                        execute format('create policy %I on %I to current_user using (tenant_id::text = '
                            'current_setting(''app.purging'', true) or current_setting(''app.tidying'', true) '
                            '= %L)', of_table || '_leaves', of_table, of_table);
                    end loop;
                end $$;
            create policy tenants_leaves on tenants for delete to current_user
                using (id::text = current_setting('app.purging', true));

            create function roster_kept_days(of_what text, usual integer) returns integer language sql stable as $$
                select coalesce((select (settings -> 'retention' ->> of_what)::integer from house), usual) $$;

            -- What settings keep no longer, of every customer. It takes no word for how long: nobody deletes by asking.
            create function roster_tidy(moment timestamptz) returns jsonb
                language plpgsql security definer set search_path = public, pg_temp as $$
                declare
                    told jsonb := '{}';
                    gone bigint;
                begin
                    perform set_config('app.tidying', 'live_snapshots', true);
                    delete from live_snapshots s using (select tenant_id, max(serial) as newest
                            from live_snapshots group by tenant_id) n
                        where n.tenant_id = s.tenant_id and s.serial <> n.newest
                            and s.read_at < moment - make_interval(days => roster_kept_days('readings', 90));
                    get diagnostics gone = row_count;
                    told := told || jsonb_build_object('readings', gone);

                    perform set_config('app.tidying', 'call_records', true);
                    delete from call_records
                        where at < moment - make_interval(days => roster_kept_days('calls', 90));
                    get diagnostics gone = row_count;
                    told := told || jsonb_build_object('calls', gone);

                    -- Those whose sound no book, draft or reading names any more.
                    perform set_config('app.tidying', 'objects', true);
                    create temporary table named on commit drop as
                        select o.tenant_id, o.body::text as body from objects o where o.kind = 'prompt';
                    perform set_config('app.tidying', 'drafts', true);
                    insert into named select d.tenant_id, d.operations::text from drafts d;
                    perform set_config('app.tidying', 'recordings', true);
                    delete from recordings r
                        where r.made_at < moment - make_interval(days => roster_kept_days('recordings', 365))
                            and not exists (select 1 from named n where n.tenant_id = r.tenant_id
                                and position(r.sha256 in n.body) > 0)
                            and r.no < (select max(l.no) from recordings l where l.tenant_id = r.tenant_id
                                and l.prompt = r.prompt);
                    get diagnostics gone = row_count;
                    told := told || jsonb_build_object('recordings', gone);
                    drop table named;

                    perform set_config('app.tidying', 'dropped_drafts', true);
                    delete from dropped_drafts
                        where dropped_at < moment - make_interval(days => roster_kept_days('papers', 730));
                    get diagnostics gone = row_count;
                    told := told || jsonb_build_object('papers', gone);
                    perform set_config('app.tidying', '', true);
                    return told;
                end $$;
            revoke execute on function roster_tidy(timestamptz) from public;
            grant execute on function roster_tidy(timestamptz) to roster_app;

            -- One customer, whole: called as the owner alone. What is left is the house's own entry, and a number that
            -- tells what to purge again from a backup.
            create function roster_purge(wanted uuid, moment timestamptz) returns jsonb
                language plpgsql set search_path = public, pg_temp as $$
                declare
                    told jsonb := '{}';
                    gone bigint;
                    left_over text[];
                    of_table text;
                    log activity_chains;
                begin
                    perform set_config('app.purging', wanted::text, true);
                    select * into log from activity_chains where chain = wanted;
                    update numbers set tenant_id = null, taken_at = null where tenant_id = wanted;
                    get diagnostics gone = row_count;
                    told := jsonb_build_object('numbers', gone, 'mark', coalesce(log.hash, '-'));
                    select array_agg(c.table_name::text) into left_over from information_schema.columns c
                        join pg_tables t on t.schemaname = 'public' and t.tablename = c.table_name
                        where c.table_schema = 'public' and c.column_name = 'tenant_id'
                            and c.table_name <> 'numbers';
                    set constraints all deferred;
                    -- Whatever refers to a table goes before it: a table that is still referred to waits a round.
                    for turn in 1..20 loop
                        exit when left_over is null or cardinality(left_over) = 0;
                        foreach of_table in array left_over loop
                            begin
                                execute format('delete from %I where tenant_id = $1', of_table) using wanted;
                                get diagnostics gone = row_count;
                                if gone > 0 then
                                    told := told || jsonb_build_object(of_table, gone);
                                end if;
                                left_over := array_remove(left_over, of_table);
                            exception when foreign_key_violation then
                                null;
                            end;
                        end loop;
                    end loop;
                    if cardinality(left_over) > 0 then
                        raise exception 'still referred to: %', array_to_string(left_over, ', ');
                    end if;
                    delete from activity_chains where chain = wanted;
                    update audit_runs set tenant_ids = tenant_ids - wanted::text where tenant_ids ? wanted::text;
                    delete from tenants where id = wanted;
                    if not found then
                        return null;
                    end if;
                    insert into purged_customers values (wanted, moment,
                            moment + make_interval(days => roster_kept_days('backups', 35)))
                        on conflict (customer) do nothing;
                    return told;
                end $$;
            revoke execute on function roster_purge(uuid, timestamptz) from public;
            create policy audit_runs_leaves on audit_runs to current_user
                using (current_setting('app.purging', true) <> '');
            create policy house_owner on house for select to current_user using (true);

            -- What is done to somebody's grants at a customer stands in the customer's chain, and goes with it.
            drop policy activity_add on activity;
            create policy activity_add on activity for insert
                with check (tenant_id is null or tenant_id = roster_tenant() or roster_granted(tenant_id));
            create policy activity_owner_adds on activity for insert to current_user with check (tenant_id is null);
            SQL);
    }
};
