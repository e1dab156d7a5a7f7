<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;

/** Two who do the same at once, where the database alone can tell. */
final class TakingOnTest extends FeatureTestCase
{
    public function test_a_name_that_somebody_else_took_in_the_same_moment_is_told_at_the_name(): void
    {
        $this->meanwhile('tenants_key_key');

        $this->asked()->assertStatus(422)->assertJsonPath('errors.0.pointer', '/answers/name');
    }

    public function test_any_other_double_is_a_fault_of_ours_and_no_name_of_theirs(): void
    {
        $this->meanwhile('objects_one_at_a_place');

        $this->asked()->assertStatus(500)->assertJsonMissingPath('errors');
    }

    private function asked(): \Illuminate\Testing\TestResponse
    {
        return $this->actingAs($this->lead)->postJson('/api/taking-on', [
            'template' => 'one-line-office',
            'answers' => [
                'name' => 'Tern ' . bin2hex(random_bytes(5)), 'zone' => 'America/Halifax',
                'mainNumber' => $this->stockNumber(), 'messages' => 'Ines Marsh',
            ],
        ]);
    }

    /** As the database says it once a customer is there: what another transaction did before cannot be seen yet. */
    private function meanwhile(string $constraint): void
    {
        DB::listen(static function (QueryExecuted $query) use ($constraint): void {
            if (str_starts_with($query->sql, 'insert into "tenants"')) {
                DB::unprepared("do \$\$ begin raise exception 'duplicate key value violates unique constraint "
                    . "\"{$constraint}\"' using errcode = 'unique_violation', constraint = '{$constraint}'; end \$\$");
            }
        });
    }
}
