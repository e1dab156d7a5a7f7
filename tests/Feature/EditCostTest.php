<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;

/** A technician types, and the desk answers: one loading, one audit, few statements. */
final class EditCostTest extends FeatureTestCase
{
    private const MOST = 8;

    public function test_an_edit_is_answered_with_desk_and_margin_in_few_statements(): void
    {
        $customer = $this->takeOn();

        $statements = $this->statements(
            fn () => $this->edit($customer['key'], [
                ['object' => 'tenant:' . $customer['key'], 'path' => 'secondsPerRing', 'value' => 6],
            ])->assertOk(),
        );

        self::assertLessThanOrEqual(self::MOST, count($statements), implode("\n", $statements));
    }

    /** Signed, pushed, read, waived, with others' drafts: none of it costs a statement more. */
    public function test_a_past_costs_nothing(): void
    {
        $customer = $this->takeOn();
        $this->push($customer['key']);
        $this->postJson(
            "/api/customers/{$customer['key']}/signed",
            ['revision' => 1, 'by' => 'Ines Marsh'],
        )->assertCreated();
        foreach ([7, 8] as $seconds) {
            $this->edit($customer['key'], [
                ['object' => "tenant:{$customer['key']}", 'path' => 'secondsPerRing', 'value' => $seconds],
            ])->assertOk();
            $this->enter($customer['key'])->assertCreated();
        }
        $this->readAgain($customer['key']);
        $finding = $this->getJson("/api/customers/{$customer['key']}/margin")->json('findings.0.fingerprint');
        $this->postJson(
            "/api/customers/{$customer['key']}/findings/waivers",
            ['fingerprint' => $finding, 'reason' => 'as agreed'],
        )->assertCreated();
        $ada = $this->technician();
        $this->grant($ada, $customer['id'], Ability::Edit);
        $this->edit(
            $customer['key'],
            [['object' => "tenant:{$customer['key']}", 'path' => 'transferLimit', 'value' => 9]],
            $ada,
        )->assertOk();

        $statements = $this->statements(
            fn () => $this->edit($customer['key'], [
                ['object' => "tenant:{$customer['key']}", 'path' => 'secondsPerRing', 'value' => 9],
            ])->assertOk(),
        );

        self::assertLessThanOrEqual(self::MOST, count($statements), implode("\n", $statements));
    }

    /** What comes with the edit is what would be answered to whoever asks for it after. */
    public function test_what_comes_with_an_edit_is_what_is_asked_for_after_it(): void
    {
        $customer = $this->takeOn()['key'];
        $this->push($customer);

        foreach (
            [
                ['user:ines-marsh', 'name/first', 'Inés'],
                ['tenant:' . $customer, 'operator', null],
                ['user:ines-marsh', 'legs/desk/seconds', 23],
            ] as [$object, $path, $value]
        ) {
            $answer = $this->edit($customer, [['object' => $object, 'path' => $path, 'value' => $value]])->assertOk()
                ->json();

            self::assertEquals(
                $answer['margin'],
                $this->getJson("/api/customers/{$customer}/margin")->assertOk()->json(),
            );
            unset($answer['margin']);
            self::assertEquals($answer, $this->getJson("/api/customers/{$customer}/desk")->assertOk()->json());
        }
    }

    /**
     * @return list<string> statements of ours: without those of the framework, which keeps sessions and counts attempts
     */
    private function statements(\Closure $work): array
    {
        $statements = [];
        DB::listen(static function (QueryExecuted $query) use (&$statements): void {
            $isSignIn = preg_match(
                '/^select \* from "technicians" where "(?:technicians".")?id" = \? limit 1$/',
                $query->sql,
            ) === 1;
            if (! $isSignIn && preg_match('/"(?:sessions|cache|cache_locks)"/', $query->sql) !== 1) {
                $statements[] = $query->sql;
            }
        });
        $work();

        return $statements;
    }
}
