<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table address_asks (
                tenant_id uuid not null references tenants on delete cascade,
                id uuid not null,
                user_id uuid not null,
                name text not null,
                customer text not null,
                region text,
                told text,
                code_hash text not null unique,
                sent_to text not null,
                language text not null,
                asked_by uuid not null references technicians,
                asked_at timestamptz not null,
                open_until timestamptz not null,
                taken_back_at timestamptz,
                primary key (tenant_id, id)
            );
            create index address_asks_by_user on address_asks (tenant_id, user_id, asked_at desc);
            comment on table address_asks is 'people who were asked by letter where they work; the code itself is in '
                'the letter and nowhere else';
            comment on column address_asks.told is 'the address of their own that the book had, as the letter asks '
                'about it: who follows the letter may read no book';

            create table address_answers (
                tenant_id uuid not null,
                ask_id uuid not null,
                serial bigint generated always as identity,
                user_id uuid not null,
                address jsonb not null,
                made_at timestamptz not null,
                primary key (tenant_id, ask_id),
                foreign key (tenant_id, ask_id) references address_asks on delete cascade
            );
            create index address_answers_by_user on address_answers (tenant_id, user_id, serial desc);
            comment on table address_answers is 'what they said, once for each letter';
            SQL);
        RowSecurity::force('address_asks', RowSecurity::WRITE);
        RowSecurity::force('address_answers', RowSecurity::READ);
        DB::unprepared(<<<'SQL'
            create policy address_asks_tenant on address_asks to roster_app
                using (tenant_id = roster_tenant() and (select roster_granted(roster_tenant())))
                with check (tenant_id = roster_tenant() and (select roster_granted(roster_tenant())));
            create policy address_answers_tenant on address_answers to roster_app
                using (tenant_id = roster_tenant() and (select roster_granted(roster_tenant())));
            -- For the functions below, which are the owner's: whoever follows a letter signs in nowhere.
            create policy address_asks_owner on address_asks to current_user using (true) with check (true);
            create policy address_answers_owner on address_answers to current_user using (true) with check (true);

            create function address_asked(wanted text) returns table (
                tenant_id uuid, asked_by uuid, name text, customer text, region text, told text, language text,
                    is_answered boolean, said jsonb
            )
                language sql stable security definer set search_path = public, pg_temp as $$
                select a.tenant_id, a.asked_by, a.name, a.customer, a.region, a.told, a.language,
                    exists (select 1 from address_answers w where w.tenant_id = a.tenant_id and w.ask_id = a.id),
                    (select w.address from address_answers w where w.tenant_id = a.tenant_id and w.user_id = a.user_id
                        order by w.serial desc limit 1)
                from address_asks a
                where a.code_hash = wanted and a.taken_back_at is null and a.open_until > roster_now() $$;
            -- One letter, one answer: whoever comes second with the same code changes nothing.
            create function answer_address(wanted text, given jsonb) returns boolean
                language plpgsql security definer set search_path = public, pg_temp as $$
                begin
                    insert into address_answers (tenant_id, ask_id, user_id, address, made_at)
                        select a.tenant_id, a.id, a.user_id, given, roster_now() from address_asks a
                        where a.code_hash = wanted and a.taken_back_at is null and a.open_until > roster_now()
                        on conflict do nothing;
                    return found;
                end $$;
            revoke execute on function address_asked(text), answer_address(text, jsonb) from public;
            grant execute on function address_asked(text), answer_address(text, jsonb) to roster_app;
            SQL);
    }
};
