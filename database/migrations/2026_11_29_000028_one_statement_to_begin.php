<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A customer's scope is opened with one statement instead of four: every request begins so. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- As whoever asks: what row security hides from them, it hides here.
            create function roster_open(technician uuid, customer text, moment text) returns jsonb
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
                        select coalesce(jsonb_agg(jsonb_build_object('tenant', g.tenant_id, 'ability', g.ability,
                            'until', extract(epoch from g.until))), '[]')
                        from grants g where g.technician_id = technician
                            and (g.tenant_id is null or g.tenant_id = found_tenant.id)));
                end $$;
            SQL);
    }
};
