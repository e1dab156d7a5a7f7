<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Jaunty\Core\Book\Kind;

/** A technician types, and the desk answers: one loading, one audit, few statements. */
final class EditCostTest extends FeatureTestCase
{
    /** The last is the entry in the log. */
    private const MOST = 9;

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

    /** A desk with what an edit made otherwise put into it is the desk of whoever asks for it after. */
    public function test_what_comes_with_an_edit_is_what_is_asked_for_after_it(): void
    {
        $customer = $this->takeOn()['key'];
        $this->push($customer);
        $outside = 'outside:+19025550178';

        $desk = $this->getJson("/api/customers/{$customer}/desk")->assertOk()->json();
        $ines = array_column($desk['objects'], null, 'ref')['user:ines-marsh']['fields'];
        $mailbox = array_column($desk['objects'], null, 'ref')['mailbox:ines-marsh']['fields'];
        foreach (
            [
                [['object' => 'user:ines-marsh', 'path' => 'name/first', 'value' => 'Inés']],
                [['object' => "tenant:{$customer}", 'path' => 'operator', 'value' => null]],
                [['object' => 'user:ines-marsh', 'path' => 'legs/desk/seconds', 'value' => 23]],
                [['op' => 'create', 'object' => 'user:bo', 'value' => ['name' => ['first' => 'Bo']]]],
                [
                    ['op' => 'create', 'object' => 'group:hall', 'value' => ['name' => 'Hall', 'members' => [
                        ['item' => 'bo', 'who' => 'user:bo'],
                    ]]],
                    ['op' => 'create', 'object' => 'user:ada', 'value' => ['name' => ['first' => 'Ada']]],
                ],
                [['object' => 'group:hall', 'path' => 'otherwise/noAnswer', 'value' => $outside]],
                // What was entered before goes, and comes back in its place.
                [
                    ['object' => 'user:ines-marsh', 'path' => 'mailbox', 'value' => null],
                    ['op' => 'delete', 'object' => 'mailbox:ines-marsh', 'value' => null],
                ],
                [['op' => 'create', 'object' => 'mailbox:ines-marsh', 'value' => array_diff_key(
                    $mailbox,
                    ['key' => true],
                )]],
                [['object' => 'user:ines-marsh', 'path' => 'mailbox', 'value' => $ines['mailbox']]],
                [
                    ['op' => 'delete', 'object' => 'group:hall', 'value' => null],
                    ['op' => 'delete', 'object' => 'user:bo', 'value' => null],
                ],
            ] as $edits
        ) {
            $change = $this->edit($customer, $edits)->assertOk()->json();

            self::assertEquals(
                $change['margin'],
                $this->getJson("/api/customers/{$customer}/margin")->assertOk()->json(),
            );
            $desk = self::merged($desk, $change);
            $whole = $this->getJson("/api/customers/{$customer}/desk")->assertOk()->json();
            self::assertSame(array_column($whole['objects'], 'ref'), array_column($desk['objects'], 'ref'));
            self::assertEquals(['numbers' => []] + $whole, ['numbers' => []] + $desk);
            // What no longer stands in the book may still be read.
            self::assertSame([], array_diff_assoc($whole['numbers'], $desk['numbers']));
        }
    }

    /**
     * @param  array<string, mixed>  $desk
     * @param  array<string, mixed>  $change
     * @return array<string, mixed> as the screens put one into the other
     */
    private static function merged(array $desk, array $change): array
    {
        $objects = array_diff_key(
            array_replace(array_column($desk['objects'], null, 'ref'), array_column($change['objects'], null, 'ref')),
            array_flip($change['gone']),
        );
        $kinds = [];
        foreach ($objects as $object) {
            $kinds[$object['kind']][$object['ref']] = $object;
        }
        foreach ($change['order'] as $kind => $order) {
            $kinds[$kind] = array_replace(array_flip($order), $kinds[$kind]);
        }
        uksort($kinds, static fn (string $a, string $b): int => self::place($a) <=> self::place($b));

        return [
            'objects' => array_merge(...array_values(array_map(array_values(...), $kinds))),
            'numbers' => $change['numbers'] + $desk['numbers'],
            'draft' => $change['draft'],
        ] + $desk;
    }

    private static function place(string $kind): int
    {
        return (int) array_search(Kind::from($kind), [Kind::Tenant, ...Kind::listed()], true);
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
