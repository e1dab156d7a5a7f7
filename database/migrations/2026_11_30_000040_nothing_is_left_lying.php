<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- What is to be worked on stands in the database first and in the queue after it was committed. Where a
            -- machine goes between the two, or a queue kept elsewhere loses its jobs, it is found by this.
            alter table pushes add moved_at timestamptz not null default clock_timestamp();
            alter table audit_runs add moved_at timestamptz not null default clock_timestamp();
            comment on column pushes.moved_at is 'by the database''s clock, which all machines share';
            create function roster_moved_now() returns trigger language plpgsql as $$
                begin
                    new.moved_at := clock_timestamp();
                    return new;
                end $$;
            create trigger pushes_moved before update on pushes for each row execute function roster_moved_now();
            create trigger audit_runs_moved before update on audit_runs
                for each row execute function roster_moved_now();

            create policy audit_runs_owner on audit_runs for select to current_user using (true);
            create function roster_left_lying(seconds integer)
                returns table (what text, tenant uuid, technician uuid, id uuid)
                language plpgsql security definer set search_path = public, pg_temp as $$
                declare
                    since timestamptz := clock_timestamp() - make_interval(secs => seconds);
                begin
                    return query select 'push', p.tenant_id, p.technician_id, p.id from pushes p
                        where p.status in ('queued', 'running') and p.moved_at < since
                            and (p.lease_until is null or p.lease_until < clock_timestamp());
                    return query select 'audit', null::uuid, r.technician_id, r.id from audit_runs r
                        where r.ended_at is null and r.stopped_at is null and r.moved_at < since;
                end $$;
            revoke execute on function roster_left_lying(integer) from public;
            grant execute on function roster_left_lying(integer) to roster_app;
            SQL);
    }
};
