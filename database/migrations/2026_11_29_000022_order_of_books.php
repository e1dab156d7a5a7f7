<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- The owner is under row-level security too, unless it is told otherwise.
            alter table objects no force row level security;
            update objects set position = ordered.place
            from (select tenant_id, id, row_number() over (partition by tenant_id order by position, id) - 1 as place
                from objects) ordered
            where objects.tenant_id = ordered.tenant_id and objects.id = ordered.id;
            alter table objects force row level security;
            alter table objects add constraint objects_one_at_a_place unique (tenant_id, position)
                deferrable initially deferred;
            SQL);
    }
};
