<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table tenant_summaries
                add column place text,
                add column strip jsonb,
                add column findings jsonb not null default '{"blocker": 0, "error": 0, "warning": 0, "note": 0}',
                add column callers_notice boolean,
                add column next_on date,
                add column next_what text,
                add column summed_up_on date;
            comment on column tenant_summaries.strip is 'the week of the main number: pieces in minutes from Monday '
                '00:00 at the customer''s';
            comment on column tenant_summaries.callers_notice is 'whether callers notice what differs between book and '
                'live; unset: never read';
            comment on column tenant_summaries.summed_up_on is 'the customer''s date of which strip, findings and what '
                'comes next speak';
            SQL);
    }
};
