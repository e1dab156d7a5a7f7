<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table tenant_summaries
                add column drift_findings jsonb not null default '{"blocker": 0, "error": 0, "warning": 0, "note": 0}';
            comment on column tenant_summaries.drift_findings is 'what the rules about drift found when live was last '
                'read; findings are those of the book alone';
            comment on column tenant_summaries.main_number is 'as it is written for people';
            SQL);
    }
};
