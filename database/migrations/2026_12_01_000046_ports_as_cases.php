<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Ports as cases: what the order says, its papers, and how far it is at the carrier; of numbers that leave as well. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table port_cases (
                tenant_id uuid not null references tenants on delete cascade,
                id uuid not null,
                direction text not null check (direction in ('in', 'out')),
                numbers jsonb not null,
                said jsonb not null,
                pin text,
                state text not null check (case direction
                    when 'in' then state in ('open', 'sent', 'rejected', 'dated', 'moving', 'done', 'failedBack',
                        'withdrawn')
                    else state in ('asked', 'agreed', 'refused', 'gone') end),
                carrier_id text,
                day date not null,
                answer_by date,
                remark text not null default '',
                remark_at text,
                lent jsonb,
                steps jsonb not null default '[]',
                opened_by uuid references technicians,
                opened_at timestamptz not null,
                read_at timestamptz,
                primary key (tenant_id, id)
            );
            comment on column port_cases.id is 'ours, and the reference at the carrier';
            comment on column port_cases.pin is 'of the account at the losing carrier, enciphered';
            comment on column port_cases.day is 'wished until the carrier says a firm one';
            comment on column port_cases.steps is 'how it went, each with when we read it';
            create index port_cases_under_way on port_cases (state, day);

            create table port_papers (
                tenant_id uuid not null,
                id uuid not null,
                port_id uuid not null,
                kind text not null check (kind in ('authority', 'bill')),
                name text not null,
                type text not null,
                size integer not null check (size > 0),
                digest text not null,
                dated date,
                bytes bytea,
                disk text,
                path text,
                put_by uuid not null references technicians,
                put_at timestamptz not null,
                serial bigint generated always as identity,
                primary key (tenant_id, id),
                foreign key (tenant_id, port_id) references port_cases on delete cascade,
                check ((bytes is null) = (path is not null) and (path is null) = (disk is null))
            );
            create index port_papers_of_a_case on port_papers (tenant_id, port_id, serial);
            create trigger port_papers_files after delete on port_papers for each row when (old.path is not null)
                execute function roster_let_file_go();

            insert into port_cases (tenant_id, id, direction, numbers, said, state, carrier_id, day, remark, opened_at,
                    read_at)
                select tenant_id, gen_random_uuid(), 'in', numbers, jsonb_build_object('name', name, 'street', street,
                    'postcode', postcode, 'losingCarrier', losing_carrier, 'account', account),
                    case state when 'asked' then 'sent' else state end, id, day, remark, read_at, read_at from ports;
            drop table ports;

            -- Another carrier asks for numbers of the customer in scope: they leave, stay after all, or are gone.
            create function numbers_leave(given text[], how text) returns void
                language plpgsql security definer set search_path = public, pg_temp as $$
                begin
                    if not roster_granted(roster_tenant()) then
                        raise exception 'no grant for this customer' using errcode = 'insufficient_privilege';
                    end if;
                    update numbers set state = case how when 'leave' then 'portingOut' when 'gone' then 'cancelled'
                            else 'taken' end
                        where tenant_id = roster_tenant() and e164 = any (given) and state = any (case how
                            when 'leave' then array['taken'] when 'gone' then array['taken', 'portingOut']
                            else array['portingOut'] end);
                end $$;
            -- Lent by the carrier until a day, to the customer in scope.
            create function number_lent(wanted text, last_day date, of_region text) returns void
                language plpgsql security definer set search_path = public, pg_temp as $$
                begin
                    if not roster_granted(roster_tenant()) then
                        raise exception 'no grant for this customer' using errcode = 'insufficient_privilege';
                    end if;
                    insert into numbers as n (e164, tenant_id, region, taken_at, state, until, former)
                        values (wanted, roster_tenant(), of_region, roster_now(), 'lent', last_day, roster_tenant())
                        on conflict (e164) do update set until = excluded.until,
                            state = 'lent', tenant_id = roster_tenant(), former = roster_tenant()
                        where n.state = 'cancelled' and n.tenant_id is null
                            or n.state = 'lent' and coalesce(n.tenant_id, n.former) = roster_tenant();
                end $$;
            revoke execute on function numbers_leave(text[], text), number_lent(text, date, text) from public;
            grant execute on function numbers_leave(text[], text), number_lent(text, date, text) to roster_app;
            SQL);
        RowSecurity::technician('port_cases');
        RowSecurity::tenant('port_papers');
    }
};
