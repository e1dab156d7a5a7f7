<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Http;

/** Places: addresses that the carrier knows, and test calls for help that prove what was right together. */
final class SitesTest extends FeatureTestCase
{
    private string $customer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->takeOn()['key'];
        $this->actingAs($this->lead);
    }

    public function test_an_address_is_checked_as_it_stands_in_the_draft_and_taken_over_as_the_carrier_writes_it(): void
    {
        $this->edit($this->customer, [['object' => 'site:office', 'path' => 'address/postcode', 'value' => null]]);
        $missing = $this->check()->assertStatus(422);
        self::assertStringContainsString('postcode', (string) $missing->json('detail'));
        self::assertNull($this->site()['check']);

        $this->edit($this->customer, self::addressed('14 ardent rd'))->assertOk();
        $check = $this->check()->assertCreated()->json('sites.0.check');
        self::assertSame(
            ['better', '14 Ardent Road', 'CA-NS', true, $this->lead->name],
            [$check['verdict'], $check['better']['street'], $check['better']['subdivision'], $check['holds'],
                $check['by']],
        );
        $this->enter($this->customer)->assertCreated();
        $found = $this->found('emergency.address-better');
        $this->postJson("/api/customers/{$this->customer}/findings/fixes", [
            'fingerprints' => [$found['fingerprint']], 'enter' => true,
        ])->assertOk();
        self::assertSame('14 Ardent Road', $this->site()['address']['street']);
        self::assertSame([true, 'good'], [$this->site()['check']['holds'], $this->site()['check']['verdict']]);
        $this->edit($this->customer, self::addressed('16 Ardent Road'))->assertOk();
        self::assertFalse($this->site()['check']['holds'], 'a changed address is unchecked again');

        self::assertSame('good', $this->check()->assertCreated()->json('sites.0.check.verdict'));
        self::assertNull($this->found('emergency.address-better'));
        $this->edit($this->customer, self::addressed('1 Nowhere Lane'))->assertOk();
        $this->enter($this->customer)->assertCreated();
        $this->check()->assertCreated();
        self::assertStringContainsString(
            'there is no 1 Nowhere Lane',
            $this->found('emergency.address-unknown')['detail'],
        );
    }

    public function test_what_the_carrier_does_not_answer_is_noted_nowhere(): void
    {
        $this->edit($this->customer, self::addressed('14 Ardent Road'))->assertOk();
        $answers = [Http::response(['fault' => 'out of service'], 503), Http::response(['verdict' => 'fine'])];
        foreach ($answers as $answer) {
            $this->wire->interfere = static fn (Request $request) => $answer;
            $this->check()->assertStatus(502);
        }
        $this->wire->interfere = null;

        self::assertNull($this->site()['check']);
        $this->check('nowhere')->assertNotFound();
        $reader = $this->technician();
        $this->grant($reader, $this->tenantId($this->customer), Ability::Read);
        $this->actingAs($reader)->postJson($this->path('office/address-checks'))->assertForbidden();
        $this->postJson($this->path('office/tests'), self::failedTest())->assertForbidden();
        self::assertCount(1, $this->getJson("/api/customers/{$this->customer}/sites")->assertOk()->json('sites'));
    }

    public function test_a_test_call_is_held_against_the_book_of_its_moment_and_says_nothing_of_what_comes_after(): void
    {
        $this->edit($this->customer, [
            ...self::addressed('14 Ardent Road'),
            ['object' => "tenant:{$this->customer}", 'path' => 'state', 'value' => 'in-service'],
        ])->assertOk();
        $this->clockAt('2026-12-01T18:05:00Z');
        $this->enter($this->customer)->assertCreated();
        self::assertNotNull($this->found('emergency.untested'));
        $shown = $this->site()['people'][0]['calls'][0]['shown'];
        $this->clockAt('2026-12-03T18:05:00Z');
        $right = [
            'at' => '2026-12-03T14:00', 'numberShown' => substr($shown, 2), 'passed' => true,
        ] + self::failedTest();

        foreach ([
            ['at', '2026-12-03T14:06', 'still to come'], ['at', '2026-11-20T09:00', 'days ago'],
            ['at', '2099-01-01T00:00', 'still to come'], ['at', 'yesterday', 'A day and a time'],
            ['numberShown', 'xx', 'cannot be read as a telephone number'],
            ['numberShown', '+19025550199', 'By the book'],
            ['caller', 'user:nobody', 'Nobody of that name'], ['caller', 'xx', 'xx'],
            ['addressRead', '', 'they read back'],
        ] as [$field, $value, $why]) {
            $refused = $this->record([$field => $value] + $right)->assertStatus(422);
            self::assertStringContainsString($why, (string) $refused->json('detail'), "{$field} {$value}");
        }
        self::assertNull($this->site()['test']);

        $test = $this->record($right)->assertCreated()->json('sites.0.test');
        self::assertSame([$shown, true, [], $this->lead->name, '2026-12-03T18:00:00+00:00'], [
            $test['numberShown'], $test['passed'], $test['changed'], $test['by'], $test['at'],
        ]);
        self::assertNull($this->found('emergency.untested'));

        $this->clockAt('2026-12-03T18:10:00Z');
        $this->edit($this->customer, self::addressed('16 Ardent Road'))->assertOk();
        $this->enter($this->customer)->assertCreated();
        self::assertSame(['address'], $this->site()['test']['changed']);
        self::assertStringContainsString('the address', $this->found('emergency.test-stale')['detail']);
        // One of before the change says nothing of after it, whenever it is written down.
        $this->record(['at' => '2026-12-03T14:01'] + $right)->assertCreated();
        self::assertSame(['address'], $this->site()['test']['changed']);

        $this->record(['at' => '2026-12-03T14:10', 'passed' => false] + $right)->assertCreated();
        self::assertNotNull($this->found('emergency.test-failed'));
        self::assertNull($this->found('emergency.test-stale'));
    }

    public function test_days_of_an_older_file_are_kept_as_no_more_than_days(): void
    {
        $book = $this->bookFrom('tests/data/version-1/every-field.json');
        $book['sites'][0]['emergency'] = ['checkedOn' => '2026-11-01', 'testedOn' => '2026-11-02']
            + $book['sites'][0]['emergency'];
        $second = ['key' => 'second', 'emergency' => ['checkedOn' => '2031-01-01', 'testedOn' => 'xx']];
        $book['sites'][] = $second;
        $key = $this->postJson('/api/taking-on/book', $book)->assertCreated()->json('customer');

        $sites = array_column($this->getJson("/api/customers/{$key}/sites")->assertOk()->json('sites'), null, 'key');
        $first = $sites[$book['sites'][0]['key']];
        self::assertSame(
            ['noted', '2026-11-01', null, true],
            [$first['check']['verdict'], substr($first['check']['at'], 0, 10), $first['check']['by'],
                $first['test']['isNoted']],
        );
        self::assertSame([null, null], [$sites['second']['check'], $sites['second']['test']]);
    }

    public function test_what_meets_a_call_back_is_told_of_every_number_shown_and_can_be_listened_to(): void
    {
        $shown = $this->site()['people'][0]['calls'][0]['shown'];
        $backs = $this->getJson($this->path('callbacks'))->assertOk()->json('callbacks');

        self::assertContains($shown, array_column($backs, 'number'));
        foreach ($backs as $back) {
            $this->postJson("/api/customers/{$this->customer}/calls", ['sentence' => $back['sentence']])->assertOk();
        }
        $this->actingAs($this->technician())->getJson($this->path('callbacks'))->assertNotFound();
    }

    private function path(string $what): string
    {
        return "/api/customers/{$this->customer}/sites/{$what}";
    }

    public function test_a_line_is_held_against_the_calls_of_whoever_is_there_and_the_rest_is_unknown(): void
    {
        self::assertNull($this->site()['line']['measured']);
        $ringing = $this->site()['line']['ringing'];
        self::assertGreaterThan(0, $ringing);
        $this->measured(['up' => 0.001, 'jitter' => 31])->assertCreated();
        $line = $this->site()['line']['measured'];
        self::assertSame(
            [$ringing, round($ringing * 87.2, 1), false, null, null, 'G.711'],
            [$line['calls'], round($line['needed'], 1), $line['passes'], $line['busiest'], $line['backup'],
                $line['codec']],
        );
        self::assertSame(
            ['down' => null, 'up' => false, 'roundTrip' => null, 'jitter' => false, 'loss' => null],
            array_column($line['figures'], 'passes', 'what'),
        );
        self::assertStringContainsString('31 ms of jitter', $this->found('sites.line-fails')['detail']);

        $this->putJson("/api/customers/{$this->customer}/thresholds/mostJitterMs", ['value' => 40])->assertOk();
        $this->measured(['down' => 100, 'up' => 100, 'roundTrip' => 20, 'jitter' => 31, 'loss' => 0])->assertCreated();
        self::assertTrue($this->site()['line']['measured']['passes']);
        self::assertNull($this->found('sites.line-fails'));
        $this->measured(['down' => 100, 'calls' => 2000])->assertCreated();
        self::assertSame([2000, false], [
            $this->site()['line']['measured']['calls'], $this->site()['line']['measured']['passes'],
        ]);
    }

    /** @param array<string, mixed> $given */
    #[\PHPUnit\Framework\Attributes\TestWith([[], 'down', 'One figure at least'])]
    #[\PHPUnit\Framework\Attributes\TestWith([['up' => '9,2'], 'up', 'no number'])]
    #[\PHPUnit\Framework\Attributes\TestWith([['up' => -1], 'up', '0 is the least'])]
    #[\PHPUnit\Framework\Attributes\TestWith([['loss' => 101], 'loss', '100 is the most'])]
    #[\PHPUnit\Framework\Attributes\TestWith([['up' => 1, 'at' => '2099-01-01T10:00'], 'at', 'still to come'])]
    #[\PHPUnit\Framework\Attributes\TestWith([['up' => 1, 'at' => '2020-01-01T10:00'], 'at', 'more than 92 days'])]
    #[\PHPUnit\Framework\Attributes\TestWith([['up' => 1, 'calls' => 0], 'calls', '1 is the least'])]
    #[\PHPUnit\Framework\Attributes\TestWith([['up' => 1, 'packetMs' => 25], 'packetMs', ''])]
    public function test_a_figure_that_cannot_be_is_refused_where_it_stands(array $given, string $at, string $why): void
    {
        $refused = $this->measured($given)->assertStatus(422);

        self::assertSame("/{$at}", $refused->json('errors.0.pointer'));
        self::assertStringContainsString($why, (string) json_encode($refused->json()));
        self::assertNull($this->site()['line']['measured']);
    }

    public function test_a_plan_is_a_picture_by_what_is_in_it_and_of_a_floor_the_newest_counts(): void
    {
        $this->edit($this->customer, [['object' => 'site:office', 'path' => 'floors', 'value' => [
            ['item' => 'ground', 'name' => 'Ground floor'],
        ]]])->assertOk();
        $gif = self::picture();
        $id = $this->plan($gif)->assertCreated()->json('sites.0.plans.0.id');
        self::assertSame(
            [['ground', 3, 2, $this->lead->name]],
            array_map(
                static fn (array $plan): array => [$plan['floor'], $plan['width'], $plan['height'], $plan['by']],
                $this->site()['plans'],
            ),
        );
        $file = $this->get("/api/customers/{$this->customer}/plans/{$id}")->assertOk();
        self::assertSame([$gif, 'image/gif'], [$file->getContent(), $file->headers->get('Content-Type')]);

        $script = '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>';
        foreach ([$script, '%PDF-1.4', 'GIF89a', "\x89PNG\r\n\x1a\n", ''] as $bytes) {
            self::assertStringContainsString('Nothing was kept', (string) $this->plan($bytes)->assertStatus(422)
                ->json('detail'));
        }
        $large = $this->plan($gif . str_repeat("\0", 10_000_000))->assertStatus(422);
        self::assertStringContainsString('10 MB', (string) $large->json('detail'));
        $this->plan($gif . str_repeat("\0", 12_000_000))->assertStatus(413);
        $wide = "GIF89a\xff\xff\x01\x00" . substr($gif, 10);
        self::assertStringContainsString('65535 by 1', (string) $this->plan($wide)->assertStatus(422)->json('detail'));
        self::assertStringContainsString('no floor "attic"', (string) $this->plan($gif, 'attic')->assertStatus(422)
            ->json('detail'));
        self::assertSame($id, $this->site()['plans'][0]['id']);

        $this->plan($gif . str_repeat("\0", 5_000_000))->assertCreated();
        self::assertCount(1, $this->site()['plans']);
        $this->get("/api/customers/{$this->customer}/plans/{$id}")->assertNotFound();
        $other = $this->takeOn()['key'];
        $next = $this->site()['plans'][0]['id'];
        $this->get("/api/customers/{$other}/plans/{$next}")->assertNotFound();
        $this->delete("/api/customers/{$this->customer}/plans/{$next}")->assertOk();
        self::assertSame([], $this->site()['plans']);
    }

    public function test_contacts_are_said_with_when_they_are_there_next(): void
    {
        $this->edit($this->customer, [['op' => 'create', 'object' => 'schedule:mornings', 'value' => [
            'name' => 'Mornings',
            'weekly' => [['item' => 'sun', 'days' => ['sun'], 'from' => '08:00', 'to' => '09:00']],
        ]], ['object' => 'site:office', 'path' => 'contacts', 'value' => [
            ['item' => 'otto', 'name' => 'Otto Vane', 'phone' => '+19025550199'],
            ['item' => 'ana', 'name' => 'Ana Reed', 'phone' => '+19025550198', 'hours' => 'schedule:mornings'],
        ]]])->assertOk();

        $contacts = $this->site()['contacts'];
        self::assertSame(['otto', 'ana'], array_column($contacts, 'item'));
        $now = $this->app->make(\App\Time\Clock::class)->now()->getTimestamp();
        self::assertSame($now, strtotime((string) $contacts[0]['next']), 'at any hour: now');
        self::assertSame('2026-12-06T12:00:00Z', $contacts[1]['next'], 'on Sunday at eight, as it is there');
        $this->edit($this->customer, [['object' => 'site:office', 'path' => 'contacts/otto/phone', 'value' => 'xx']])
            ->assertStatus(422);
    }

    private function plan(string $bytes, string $floor = 'ground'): \Illuminate\Testing\TestResponse
    {
        return $this->call(
            'POST',
            $this->path("office/plans?floor={$floor}"),
            server: ['CONTENT_TYPE' => 'application/octet-stream', 'HTTP_ACCEPT' => 'application/json'],
            content: $bytes,
        );
    }

    /** @param array<string, mixed> $given */
    private function measured(array $given): \Illuminate\Testing\TestResponse
    {
        return $this->postJson($this->path('office/line'), self::lineGiven($given));
    }

    private function check(string $site = 'office'): \Illuminate\Testing\TestResponse
    {
        return $this->postJson($this->path("{$site}/address-checks"));
    }

    /** @param array<string, mixed> $given */
    private function record(array $given): \Illuminate\Testing\TestResponse
    {
        return $this->postJson($this->path('office/tests'), $given);
    }

    /** @return array<string, mixed> */
    private function site(): array
    {
        return $this->getJson("/api/customers/{$this->customer}/sites")->assertOk()->json('sites.0');
    }

    /** @return ?array<string, mixed> */
    private function found(string $rule): ?array
    {
        $findings = $this->getJson("/api/customers/{$this->customer}/margin")->assertOk()->json('findings');

        return array_values(array_filter($findings, static fn (array $each): bool => $each['rule'] === $rule))[0]
            ?? null;
    }
}
