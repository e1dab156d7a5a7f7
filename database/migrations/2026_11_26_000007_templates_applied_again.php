<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table drafts add column application json;
            comment on column drafts.application is 'a template applied again with other answers: template version, '
                'answers, and what it makes now; kept as template_applications once the draft is entered';
            alter table revisions drop constraint revisions_source_check;
            alter table revisions add constraint revisions_source_check
                check (source in ('taking-on', 'import', 'edit', 'template', 'undo'));
            SQL);
    }
};
