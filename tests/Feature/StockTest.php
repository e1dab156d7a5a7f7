<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\Support\TestDatabase;
use Tests\Feature\Support\Wire;

/** The reseller's numbers: found, reserved, ordered once, given, let go, resting, and moved on by their dates. */
final class StockTest extends FeatureTestCase
{
    public function test_what_is_ordered_is_in_stock_with_its_receipt_and_price_and_sent_again_is_one_order(): void
    {
        $offers = $this->offers(['prefix' => '4413149609', 'count' => 2]);
        $order = self::order($offers);
        $sent = 0;
        $this->wire->interfere = static function (Request $request) use (&$sent): null {
            $sent += $request->method() === 'POST' ? 1 : 0;

            return null;
        };

        $told = $this->postJson('/api/stock/orders', $order)->assertCreated()->json('order');
        self::assertSame(['ordered', 440], [$told['state'], $told['monthlyCents']]);
        self::assertSame([2, 440], [$told['lines'][0]['count'], $told['lines'][0]['monthlyCents']]);
        self::assertSame($told, $this->postJson('/api/stock/orders', $order)->assertCreated()->json('order'));
        self::assertSame(1, $sent);
        $this->postJson('/api/stock/orders', ['numbers' => ['+441314960111']] + $order)->assertConflict();

        $lines = $this->lines(['words' => '13149609']);
        foreach ($order['numbers'] as $number) {
            self::assertSame(
                ['free', 'GB', 220, "order {$told['receipt']}", ['give', 'return']],
                [$lines[$number]['state'], $lines[$number]['region'], $lines[$number]['monthlyCents'],
                    $lines[$number]['cameWith'], $lines[$number]['may']],
            );
        }
    }

    public function test_an_order_whose_answer_is_lost_is_not_known_and_settled_later_and_never_ordered_twice(): void
    {
        $offers = $this->offers(['prefix' => '12075550190']);
        $order = self::order($offers);
        $this->wire->interfere = static function (Request $request, callable $send): mixed {
            if ($request->method() !== 'POST') {
                return null;
            }
            $send();

            return Wire::cut();
        };
        $told = $this->postJson('/api/stock/orders', $order)->assertCreated()->json('order');
        self::assertSame('sent', $told['state']);
        self::assertStringContainsString('not known yet', (string) $told['trouble']);
        self::assertArrayNotHasKey($offers[0]['number'], $this->lines());

        $this->wire->interfere = null;
        self::assertSame(0, Artisan::call('roster:numbers', ['--as' => $this->lead->sign_in]));
        self::assertSame('ordered', $this->postJson("/api/stock/orders/{$order['id']}/again")->json('order.state'));
        self::assertSame('free', $this->lines()[$offers[0]['number']]['state']);
    }

    public function test_a_carrier_that_refuses_or_is_out_of_order_says_why_and_stock_stays(): void
    {
        $before = $this->free();
        foreach (
            [
                'it cannot be reached' => [static fn () => Wire::cut(), 'sent'],
                'closed today' => [static fn () => Http::response(['fault' => 'closed today'], 503), 'sent'],
                'no such reseller' => [static fn () => Http::response(['fault' => 'no such reseller'], 403), 'refused'],
                'it gave no receipt' => [static fn () => Http::response(['msisdns' => []], 200), 'sent'],
            ] as $why => [$trouble, $state]
        ) {
            $this->wire->interfere = $trouble;
            $told = $this->actingAs($this->lead)->postJson('/api/stock/orders', self::order([
                ['number' => '+19025550177', 'onceCents' => 0, 'monthlyCents' => 150, 'currency' => 'CAD'],
            ]))->assertCreated()->json('order');
            self::assertSame($state, $told['state']);
            self::assertStringStartsWith($why, (string) $told['trouble']);
            $this->getJson('/api/stock/offers?prefix=1902')->assertStatus($why === 'it gave no receipt' ? 200 : 502);
        }
        self::assertSame($before, $this->free());
        TestDatabase::owner()->exec("delete from number_orders where state = 'sent'");
    }

    public function test_numbers_are_found_by_letters_digits_town_and_in_a_row(): void
    {
        self::assertSame(
            ['+12075550179'],
            array_column($this->offers(['spelling' => '01-sw', 'prefix' => '+1 207']), 'number'),
        );
        self::assertSame('Quay End', $this->offers(['town' => 'quay', 'count' => 1])[0]['town']);
        $row = $this->offers(['prefix' => '1617', 'run' => 3, 'count' => 1]);
        self::assertCount(3, $row);
        self::assertSame([$row[0]['number']], array_values(array_unique(array_column($row, 'run'))));
        self::assertTrue($this->offers(['tollFree' => '1', 'count' => 1])[0]['isTollFree']);
        foreach (['prefix' => 'xx', 'having' => 'a', 'spelling' => '?', 'run' => '0', 'count' => '1000',
            'country' => 'Narnia'] as $field => $wrong) {
            self::assertSame("/{$field}", $this->getJson('/api/stock/offers?' . http_build_query([$field => $wrong]))
                ->assertUnprocessable()->json('errors.0.pointer'));
        }
    }

    public function test_a_toll_free_number_stands_in_a_book_at_once_and_serves_once_it_is_delivered(): void
    {
        $offer = $this->offers(['tollFree' => '1', 'count' => 1])[0];
        $this->postJson('/api/stock/orders', self::order([$offer]))->assertCreated();
        self::assertSame(['ordered', 'tollFree'], [
            $this->lines()[$offer['number']]['state'], $this->lines()[$offer['number']]['kind'],
        ]);
        $customer = $this->takeOn()['key'];
        $this->gives($customer, $offer['number'], 'active')->assertConflict();
        $this->gives($customer, $offer['number'], 'ordered')->assertCreated();
        $this->says($customer, $offer['number'], 'active')->assertConflict();
        $this->deleteJson("/api/customers/{$customer}/draft");

        $this->atTheCarrier('/clock', ['day' => '2026-12-02']);
        self::assertSame(0, Artisan::call('roster:numbers', ['--as' => $this->lead->sign_in]));
        self::assertSame('taken', $this->lines()[$offer['number']]['state']);
        self::assertContains('numbers.ours-already', $this->rules($customer));
        self::assertSame(1, $this->onRoster($customer)['findings']['warning'] ?? null, 'and the Roster counts it');
        $this->says($customer, $offer['number'], 'active')->assertCreated();
        self::assertNotContains('numbers.ours-already', $this->rules($customer));
    }

    public function test_a_reservation_holds_until_its_day_and_is_over_by_night(): void
    {
        $number = $this->offers(['prefix' => '14165550190'])[0]['number'];
        foreach (['2026-12-01', 'soon', null, '2099-01-01'] as $until) {
            $this->postJson('/api/stock/reservations', ['numbers' => [$number], 'until' => $until])
                ->assertStatus($until === '2099-01-01' ? 502 : 422);
        }
        $this->postJson('/api/stock/reservations', ['numbers' => [$number], 'until' => '2026-12-10'])->assertCreated();
        $line = $this->lines()[$number];
        self::assertSame(['reserved', '2026-12-10', ['give', 'order', 'return']], [
            $line['state'], $line['until'], $line['may'],
        ]);
        $customer = $this->takeOn()['key'];
        $this->gives($customer, $number, 'active')->assertConflict();
        $this->gives($customer, $number, 'reserved')->assertCreated();
        self::assertContains('numbers.ends-before', $this->rules($customer));

        $this->clockAt('2026-12-10T12:00:00Z');
        self::assertSame(0, Artisan::call('roster:numbers'));
        self::assertSame('reserved', $this->lines()[$number]['state']);
        $this->clockAt('2026-12-11T12:00:00Z');
        self::assertSame(0, Artisan::call('roster:numbers'));
        self::assertSame('cancelled', $this->lines()[$number]['state']);
        $this->says($customer, $number, 'active')->assertConflict();
    }

    public function test_a_number_that_served_rests_and_one_that_never_did_is_free_at_once(): void
    {
        $never = $this->takeOn();
        $this->letsGo($never);
        self::assertSame('free', $this->lines()[$never['number']]['state']);

        $served = $this->takeOn();
        self::assertSame('done', $this->push($served['key'])['status']);
        $this->letsGo($served);
        $line = $this->lines()[$served['number']];
        self::assertSame(['resting', '2027-03-01', null], [$line['state'], $line['until'], $line['customer']]);

        $other = $this->takeOn()['key'];
        $refused = $this->gives($other, $served['number'], 'active')->assertConflict();
        self::assertStringContainsString('rests', (string) $refused->json('detail'));
        // Whoever had it last may have it back: undo undoes.
        $this->postJson("/api/customers/{$served['key']}/revisions/2/undo")->assertSuccessful();
        self::assertSame('taken', $this->lines()[$served['number']]['state']);
        $this->postJson("/api/customers/{$served['key']}/revisions/3/undo")->assertSuccessful();

        $this->clockAt('2027-03-01T12:00:00Z');
        self::assertSame(0, Artisan::call('roster:numbers'));
        self::assertSame('resting', $this->lines()[$served['number']]['state']);
        $this->clockAt('2027-03-02T12:00:00Z');
        self::assertSame(0, Artisan::call('roster:numbers'));
        self::assertSame('free', $this->lines()[$served['number']]['state']);
    }

    public function test_a_lead_ends_a_rest_with_a_reason_and_how_long_it_is_is_a_setting(): void
    {
        $this->settle(['restDays' => ['local' => 10, 'tollFree' => 30, 'mobile' => 30]]);
        $customer = $this->takeOn();
        self::assertSame('done', $this->push($customer['key'])['status']);
        $this->letsGo($customer);
        self::assertSame('2026-12-11', $this->lines()[$customer['number']]['until']);
        $this->settle(['restDays' => ['local' => 90, 'tollFree' => 90, 'mobile' => 90]]);

        $end = ['numbers' => [$customer['number']], 'reason' => 'nobody ever rang it'];
        $pusher = $this->technician();
        $this->grant($pusher, null, Ability::Push);
        $this->actingAs($pusher)->postJson('/api/stock/rests/ends', $end)->assertForbidden();
        $this->actingAs($this->lead)->postJson('/api/stock/rests/ends', ['reason' => ''] + $end)
            ->assertUnprocessable();
        $this->postJson('/api/stock/rests/ends', $end)->assertOk()->assertJsonPath('free', 1);
        self::assertSame('free', $this->lines()[$customer['number']]['state']);
        $this->putJson('/api/settings', ['restDays' => ['local' => -1, 'tollFree' => 1, 'mobile' => 1]])
            ->assertUnprocessable();
    }

    public function test_a_number_goes_back_to_the_carrier_unless_somebody_has_it(): void
    {
        $offers = $this->offers(['prefix' => '17825550190']);
        $this->postJson('/api/stock/orders', self::order($offers))->assertCreated();
        $number = $offers[0]['number'];
        $customer = $this->takeOn()['key'];
        $this->gives($customer, $number, 'active')->assertCreated();
        $this->postJson('/api/stock/returns', ['numbers' => [$number]])->assertConflict();
        $this->postJson("/api/customers/{$customer}/revisions/2/undo")->assertSuccessful();

        $this->postJson('/api/stock/returns', ['numbers' => [$number]])->assertOk()->assertJsonPath('gone', 1);
        self::assertSame('cancelled', $this->lines()[$number]['state']);
        self::assertContains($number, array_column($this->offers(['prefix' => ltrim($number, '+')]), 'number'));
        $this->gives($customer, $number, 'active')->assertConflict();
        // It may be ordered again.
        $this->postJson('/api/stock/orders', self::order($offers))->assertCreated()
            ->assertJsonPath('order.state', 'ordered');
        self::assertSame('free', $this->lines()[$number]['state']);
    }

    /**  */
    #[DataProvider('ways')]
    public function test_the_database_refuses_what_a_state_does_not_allow(
        string $from,
        string $to,
        bool $isAllowed,
    ): void {
        $number = $this->stockNumber();
        $owner = TestDatabase::owner();
        $owner->exec('begin; alter table numbers disable trigger numbers_b_moves');
        try {
            $tenant = $owner->query('select id from tenants limit 1')->fetchColumn();
            $set = static fn (string $state): string => "update numbers set state = '{$state}', until = "
                . (in_array($state, ['reserved', 'lent', 'resting'], true) ? "'2026-12-20'" : 'null') . ', tenant_id = '
                . (in_array($state, ['taken', 'portingIn', 'portingOut'], true) ? "'{$tenant}'" : 'null')
                . " where e164 = '{$number}'";
            if ($from !== 'free') {
                $owner->exec('alter table numbers disable trigger numbers_a_let_go');
                $owner->exec($set($from));
            }
            $owner->exec('alter table numbers enable trigger numbers_b_moves');
            $refused = null;
            try {
                $owner->exec($set($to));
            } catch (\PDOException $fault) {
                $refused = $fault->getMessage();
            }
            self::assertSame($isAllowed, $refused === null, (string) $refused);
        } finally {
            $owner->exec('rollback');
        }
    }

    /** @return iterable<string, array{string, string, bool}> */
    public static function ways(): iterable
    {
        foreach ([
            ['free', 'taken', true], ['free', 'resting', false], ['free', 'portingIn', false],
            ['free', 'lent', false], ['reserved', 'ordered', true], ['reserved', 'resting', false],
            ['ordered', 'portingOut', false], ['portingIn', 'taken', true], ['portingIn', 'portingOut', false],
            ['taken', 'portingOut', true], ['taken', 'ordered', false], ['resting', 'free', true],
            ['resting', 'lent', false], ['lent', 'free', false], ['lent', 'cancelled', true],
            ['portingOut', 'cancelled', true], ['cancelled', 'portingOut', false], ['cancelled', 'reserved', true],
        ] as [$from, $to, $isAllowed]) {
            yield "{$from} to {$to}" => [$from, $to, $isAllowed];
        }
    }

    public function test_the_stock_is_shown_a_page_at_a_time_with_whose_it_is_and_where_it_leads(): void
    {
        $mine = $this->takeOn('Skerry Ropes');
        $line = $this->lines(['words' => 'skerry'])[$mine['number']];
        self::assertSame(['taken', $mine['key'], 'Skerry Ropes', []], [
            $line['state'], $line['customer'], $line['customerName'], $line['may'],
        ]);
        self::assertNotNull($line['leadsTo']);
        self::assertArrayHasKey($mine['number'], $this->lines(['words' => substr($mine['number'], -7)]));

        $page = $this->getJson('/api/stock/numbers')->assertOk()->json();
        self::assertGreaterThan(0, $page['counts']['taken']);
        if ($page['next'] !== null) {
            $after = http_build_query(['after' => $page['next']]);
            $next = $this->getJson("/api/stock/numbers?{$after}")->json('numbers');
            self::assertGreaterThan($page['next'], $next[0]['number']);
        }
        $this->getJson('/api/stock/numbers?state=sleeping')->assertUnprocessable();

        // Whoever is granted one customer sees theirs, and what is nobody's.
        $other = $this->takeOn('Skerry Sails');
        $sol = $this->technician();
        $this->grant($sol, $other['id'], Ability::Read);
        $seen = $this->actingAs($sol)->getJson('/api/stock/numbers?words=skerry')->assertOk()->json('numbers');
        self::assertSame([$other['number']], array_column($seen, 'number'));
    }

    public function test_a_list_says_for_each_line_how_it_is_read_and_numbers_of_a_range_know_it(): void
    {
        $first = 3_000_000 + 10 * random_int(0, 90_000);
        $text = sprintf("506%07d to %04d\n506 555 xx\n+1 506 200\n506%07d", $first, ($first + 2) % 10_000, $first + 1);
        $read = $this->actingAs($this->lead)->postJson('/api/stock/read', ['text' => $text])->assertOk()->json();
        self::assertSame([false, true, true, true], array_map(
            static fn (array $line): bool => $line['fault'] !== null,
            $read['lines'],
        ));
        self::assertStringContainsString('in this list already', (string) $read['lines'][3]['fault']);
        $this->postJson('/api/stock', ['numbers' => $read['numbers']])->assertCreated();
        self::assertStringContainsString(' to ', (string) $this->lines()[$read['numbers'][1]]['cameWith']);
    }

    /**
     * @param  array<string, int|string>  $wanted
     * @return list<array<string, mixed>>
     */
    private function offers(array $wanted): array
    {
        return $this->actingAs($this->lead)->getJson('/api/stock/offers?' . http_build_query($wanted))->assertOk()
            ->json('offers');
    }

    /**
     * @param  list<array<string, mixed>>  $offers
     * @return array<string, mixed>
     */
    private static function order(array $offers): array
    {
        return [
            'id' => (string) Str::uuid(), 'numbers' => array_column($offers, 'number'),
            'onceCents' => array_sum(array_column($offers, 'onceCents')),
            'monthlyCents' => array_sum(array_column($offers, 'monthlyCents')), 'currency' => $offers[0]['currency'],
        ];
    }

    /**
     * @param  array<string, string>  $filter
     * @return array<string, array<string, mixed>> by number
     */
    private function lines(array $filter = []): array
    {
        $lines = [];
        do {
            $page = $this->actingAs($this->lead)->getJson('/api/stock/numbers?' . http_build_query($filter))
                ->assertOk()->json();
            $lines += array_column($page['numbers'], null, 'number');
            $filter['after'] = $page['next'];
        } while ($page['next'] !== null);

        return $lines;
    }

    private function gives(string $customer, string $number, string $status): TestResponse
    {
        $this->deleteJson("/api/customers/{$customer}/draft");
        $this->edit($customer, [[
            'op' => 'create', 'object' => "number:{$number}", 'path' => '', 'value' => ['status' => $status],
        ]])->assertOk();

        return $this->enter($customer);
    }

    private function says(string $customer, string $number, string $status): TestResponse
    {
        $this->deleteJson("/api/customers/{$customer}/draft");
        $this->edit($customer, [['object' => "number:{$number}", 'path' => 'status', 'value' => $status]])->assertOk();

        return $this->enter($customer);
    }

    /** @param array{key: string, number: string} $customer */
    private function letsGo(array $customer): void
    {
        $this->edit($customer['key'], [
            ['object' => "tenant:{$customer['key']}", 'path' => 'mainNumber', 'value' => null],
            ['object' => 'user:ines-marsh', 'path' => 'callerId', 'value' => null],
            ['object' => 'site:office', 'path' => 'emergency/callback', 'value' => null],
            ['op' => 'delete', 'object' => "number:{$customer['number']}", 'path' => '', 'value' => null],
        ])->assertOk();
        $this->enter($customer['key'])->assertCreated();
    }

    /** @return list<string> */
    private function rules(string $customer): array
    {
        return array_column($this->getJson("/api/customers/{$customer}/margin")->assertOk()->json('findings'), 'rule');
    }

    private function free(): int
    {
        return $this->scope()->technician(
            $this->lead->id,
            static fn (): int => DB::table('numbers')->where('state', 'free')->count(),
        );
    }
}
