<?php

declare(strict_types=1);

use Database\Support\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table invitations (
                id uuid primary key,
                sign_in text not null check (sign_in = lower(sign_in)),
                tenant_id uuid references tenants on delete cascade,
                customer text,
                ability text not null check (ability in ('read', 'edit', 'push')),
                purpose text,
                grant_until timestamptz,
                code_hash text not null unique,
                invited_by uuid not null references technicians,
                sent_at timestamptz not null,
                open_until timestamptz not null,
                accepted_at timestamptz
            );
            comment on column invitations.tenant_id is 'unset: every customer, as in grants';
            comment on column invitations.customer is 'its name as the letter says it: who follows the letter may not '
                'read customers yet';
            comment on column invitations.code_hash is 'the code itself is in the letter and nowhere else';
            SQL);
        RowSecurity::force('invitations', RowSecurity::WRITE);
        DB::unprepared(<<<'SQL'
            create policy invitations_lead on invitations
                using ((select t.lead from technicians t where t.id = roster_technician()))
                with check ((select t.lead from technicians t where t.id = roster_technician())
                    and invited_by = roster_technician());
            -- For the functions below, which are the owner's: who follows an invitation is not signed in yet, and
            -- whoever audits a customer has to find the same.
            create policy invitations_owner on invitations to current_user using (true) with check (true);
            create policy grants_owner_gives on grants for insert to current_user with check (true);

            create function roster_invitation(wanted text) returns table (
                sign_in text, customer text, ability text, grant_until timestamptz, invited_by text,
                    open_until timestamptz
            )
                language sql stable security definer set search_path = public, pg_temp as $$
                select i.sign_in, i.customer, i.ability, i.grant_until, b.name, i.open_until
                from invitations i join technicians b on b.id = i.invited_by
                where i.code_hash = wanted and i.accepted_at is null and i.open_until > roster_now() $$;
            -- One invitation, one grant: whoever comes second with the same code gets nothing.
            create function roster_accept_invitation(wanted text, technician uuid, new_grant uuid) returns boolean
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
                    insert into grants (id, technician_id, tenant_id, ability, purpose, until, given_by, given_at)
                        values (new_grant, technician, taken.tenant_id, taken.ability, taken.purpose,
                            taken.grant_until, taken.invited_by, roster_now());
                    return true;
                end $$;
            create function roster_invitations_here()
                returns table (sign_in text, sent_at timestamptz, open_until timestamptz)
                language sql stable security definer set search_path = public, pg_temp as $$
                select i.sign_in, i.sent_at, i.open_until from invitations i
                where i.tenant_id = roster_tenant() and i.accepted_at is null and roster_granted(roster_tenant())
                order by i.sign_in, i.sent_at $$;
            revoke execute on function roster_invitation(text), roster_accept_invitation(text, uuid, uuid),
                roster_invitations_here() from public;
            grant execute on function roster_invitation(text), roster_accept_invitation(text, uuid, uuid),
                roster_invitations_here() to roster_app;
            SQL);
    }
};
