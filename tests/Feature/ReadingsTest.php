<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\TenantSummary;
use Illuminate\Testing\TestResponse;

/**
 * What the desk reads of a book beside the sheet: findings, calls, rulers, hours, menus and proof, over HTTP on the
 * edited book.
 */
final class ReadingsTest extends FeatureTestCase
{
    private string $customer;

    private string $number;

    protected function setUp(): void
    {
        parent::setUp();
        $book = $this->bookFrom('docs/examples/inlet.json');
        $this->number = substr($book['tenant']['mainNumber'], strlen('number:'));
        $this->customer = $this->actingAs($this->lead)->postJson('/api/taking-on/book', $book)
            ->assertCreated()
            ->json('customer');
    }

    public function test_a_finding_comes_with_the_edit_that_makes_it_and_goes_with_its_fix(): void
    {
        self::assertNotContains('groups.limit-shorter-than-one-pass', $this->rules());

        $this->edit($this->customer, [
            ['object' => 'group:desk', 'path' => 'noAnswerSeconds', 'value' => 20],
        ])->assertOk();
        $finding = $this->finding('groups.limit-shorter-than-one-pass');
        self::assertSame(
            ['error', ['group:desk'], 'noAnswerSeconds'],
            [$finding['severity'], $finding['objects'], $finding['path']],
        );

        $edits = array_map(
            static fn (array $change): array => [
                'op' => $change['op'], 'object' => $change['object'], 'path' => $change['path'],
                'value' => $change['after'],
            ],
            $finding['fix']['changes'],
        );
        $this->edit($this->customer, $edits)->assertOk();
        self::assertNotContains('groups.limit-shorter-than-one-pass', $this->rules());
    }

    public function test_a_finding_is_waived_with_a_reason_until_a_day_and_stands_again_when_it_changes(): void
    {
        $this->edit($this->customer, [
            ['object' => 'group:desk', 'path' => 'noAnswerSeconds', 'value' => 20],
        ])->assertOk();
        $this->enter($this->customer)->assertCreated();
        $errors = $this->line()['findings']['error'];
        $print = $this->finding('groups.limit-shorter-than-one-pass')['fingerprint'];
        $waive = fn (array $more = []): \Illuminate\Testing\TestResponse => $this->postJson(
            "/api/customers/{$this->customer}/findings/waivers",
            $more + ['fingerprint' => $print, 'reason' => 'Bo only helps out', 'until' => '2026-12-24'],
        );

        $waive(['until' => '2026-11-30'])->assertStatus(409);
        $waive(['fingerprint' => 'unknown'])->assertStatus(409);
        $margin = $waive()->assertCreated()->json();
        self::assertNotContains('groups.limit-shorter-than-one-pass', array_column($margin['findings'], 'rule'));
        self::assertSame(
            ['Bo only helps out', '2026-12-24', 'groups.limit-shorter-than-one-pass'],
            [$margin['waived'][0]['reason'], $margin['waived'][0]['until'], $margin['waived'][0]['finding']['rule']],
        );
        self::assertSame($errors - 1, $this->line()['findings']['error']);
        $waive()->assertStatus(409);
        $isAmong = fn (string $kind): bool => in_array(
            'groups.limit-shorter-than-one-pass',
            array_column($this->foundAt($this->customer, $kind), 'rule'),
            true,
        );
        self::assertSame([true, false], [$isAmong('waived'), $isAmong('standing')]);

        // On its last day it holds, and on the next it has lapsed.
        $standing = fn (string $day): int => $this->scope()->tenant(
            $this->lead->id,
            $this->customer,
            \App\Models\Ability::Read,
            fn (\App\Models\TenantRow $tenant): int => count(
                (new \App\Audit\FindingWaivers(
                    $this->app->make(\App\Activity\ActivityLog::class),
                    new \App\Time\FixedClock("{$day}T12:00:00-04:00"),
                ))->sift($tenant->id, $tenant->zone, \Jaunty\Core\Audit\Auditor::of(
                    $this->app->make(\App\Book\BookRepository::class)->head($tenant->id),
                    1_796_234_700,
                ))->waived,
            ),
        );
        self::assertSame([1, 0], [$standing('2026-12-24'), $standing('2026-12-25')]);

        // Under another name it is the same; with another limit it is not.
        $this->edit($this->customer, [['object' => 'group:desk', 'path' => 'name', 'value' => 'The desk']])->assertOk();
        self::assertNotContains('groups.limit-shorter-than-one-pass', $this->rules());
        $this->edit($this->customer, [
            ['object' => 'group:desk', 'path' => 'noAnswerSeconds', 'value' => 15],
        ])->assertOk();
        self::assertContains('groups.limit-shorter-than-one-pass', $this->rules());
        $this->deleteJson("/api/customers/{$this->customer}/draft")->assertNoContent();
        self::assertNotContains('groups.limit-shorter-than-one-pass', $this->rules());

        $this->deleteJson("/api/customers/{$this->customer}/findings/waivers/{$margin['waived'][0]['id']}")->assertOk();
        self::assertContains('groups.limit-shorter-than-one-pass', $this->rules());
        self::assertSame($errors, $this->line()['findings']['error']);
        self::assertSame([false, true], [$isAmong('waived'), $isAmong('standing')]);
        $stranger = $this->technician();
        $this->actingAs($stranger)->getJson('/api/findings')->assertOk()->assertJsonPath('lines', [])
            ->assertJsonPath('all', 0);
        $this->actingAs($this->lead);
        $this->deleteJson(
            "/api/customers/{$this->customer}/findings/waivers/{$margin['waived'][0]['id']}",
        )->assertNotFound();
    }

    public function test_the_roster_counts_what_was_entered_and_draws_its_week(): void
    {
        $before = $this->line();
        $this->edit($this->customer, [
            ['object' => 'group:desk', 'path' => 'noAnswerSeconds', 'value' => 20],
        ])->assertOk();
        self::assertSame($before['findings'], $this->line()['findings'], 'a draft is not the book');

        $this->enter($this->customer)->assertCreated();
        self::assertSame($before['findings']['error'] + 1, $this->line()['findings']['error']);
        self::assertSame([0, 7 * 1440], [$this->line()['strip'][0]['from'], end($this->line()['strip'])['to']]);
    }

    public function test_a_line_of_yesterday_is_summed_up_anew(): void
    {
        $tenant = $this->tenantId($this->customer);
        $this->scope()->tenant(
            $this->lead->id,
            $this->customer,
            \App\Models\Ability::Edit,
            static fn () => TenantSummary::query()->where('tenant_id', $tenant)
                ->update(['summed_up_on' => '2026-11-30', 'strip' => null]),
        );
        self::assertNull($this->line()['strip']);

        $this->getJson('/api/customers')->assertOk();
        $this->workThroughQueue();
        self::assertNotNull($this->line()['strip']);
    }

    public function test_a_call_said_in_a_sentence_is_followed_on_the_book_that_is_asked(): void
    {
        $this->edit($this->customer, [
            ['object' => 'attendant:front', 'path' => 'answers/open/then', 'value' => 'mailbox:desk'],
        ])->assertOk();

        self::assertSame('mailbox:desk', $this->followed('main tue 14:05')->assertOk()->json('telling.target'));
        self::assertSame(0, count(array_filter(
            $this->followed('main tue 14:05')->json('trace.steps'),
            static fn (array $step): bool => $step['object'] === 'menu:day',
        )));
        self::assertNotSame(0, count(array_filter(
            $this->followed('main tue 14:05', 'book')->json('trace.steps'),
            static fn (array $step): bool => $step['object'] === 'menu:day',
        )));
        $this->followed('main tue 14:05', 'live')->assertNotFound();
    }

    public function test_a_sentence_that_is_none_says_where_it_stops_making_sense(): void
    {
        $this->followed('main sat 10:00 pres 1')->assertUnprocessable()
            ->assertJsonPath('at', 15)
            ->assertJsonPath('type', 'urn:jaunty-roster:problem:unreadable-call');
        self::assertContains('main press', array_column(
            $this->postJson("/api/customers/{$this->customer}/calls/completions", ['typed' => 'main pre'])->assertOk()
                ->json('offers'),
            'text',
        ));
    }

    public function test_right_now_is_told_by_the_book_and_by_the_switch(): void
    {
        $this->getJson("/api/customers/{$this->customer}/now")->assertOk()
            ->assertJsonPath('live', null)
            ->assertJsonPath('book.number', $this->number);

        $this->push($this->customer);
        $now = $this->getJson("/api/customers/{$this->customer}/now")->assertOk()->json();
        self::assertSame($now['book'], $now['live']);
        self::assertNotNull($now['readAt']);
    }

    public function test_rulers_years_and_scripts_are_drawn_of_the_edited_book(): void
    {
        $bars = $this->getJson("/api/customers/{$this->customer}/rulers/group/desk")->assertOk()->json('rulers.0.bars');
        self::assertSame([0, 15], array_column($bars, 'from'));
        $this->edit($this->customer, [['object' => 'group:desk', 'path' => 'ringsEach', 'value' => 2]])->assertOk();
        self::assertSame([0, 10], array_column(
            $this->getJson("/api/customers/{$this->customer}/rulers/group/desk")->json('rulers.0.bars'),
            'from',
        ));
        $this->getJson("/api/customers/{$this->customer}/rulers/group/nobody")->assertNotFound();
        self::assertSame(['open'], array_column(
            $this->getJson("/api/customers/{$this->customer}/rulers/user/ines")->assertOk()->json('rulers'),
            'state',
        ));

        $year = $this->getJson("/api/customers/{$this->customer}/hours/office")->assertOk()->json();
        self::assertCount(365, $year['minutes']);
        self::assertSame('2026-12-01', $year['from']);
        self::assertSame(
            [['Christmas Day', ['user:petra']], ['Good Friday', ['user:petra']]],
            array_map(static fn (array $each): array => [$each['what'], $each['callers']], $year['special']),
        );
        $this->edit($this->customer, [['object' => 'schedule:office', 'path' => 'exceptions', 'value' => [[
            'item' => 'late', 'name' => 'Late', 'from' => '2026-12-22',
            'hours' => [['from' => '10:00', 'to' => '12:00']],
        ]]]])->assertOk();
        self::assertSame(
            ['menu:day', 'mailbox:desk'],
            $this->getJson("/api/customers/{$this->customer}/hours/office")->json('special.0.callers'),
        );
        self::assertSame(
            ['christmas' => ['2026-12-25', '2027-12-27'], 'good-friday' => ['2027-03-26', '2028-04-14']],
            array_column(
                $this->getJson("/api/customers/{$this->customer}/calendars/holidays")->assertOk()->json('holidays'),
                'next',
                'item',
            ),
        );
        $this->getJson("/api/customers/{$this->customer}/calendars/none")->assertNotFound();
        self::assertSame(
            ['name' => 'Good Friday', 'rule' => ['easter' => -2]],
            $this->postJson("/api/customers/{$this->customer}/calendars", ['said' => 'Good Friday'])->assertOk()
                ->json('holidays.0'),
        );
        self::assertSame(['1', '2'], array_column(
            $this->getJson("/api/customers/{$this->customer}/menus")->assertOk()->json('menus.0.told'),
            'key',
        ));
        self::assertSame(
            '08:00',
            $this->postJson("/api/customers/{$this->customer}/hours", ['said' => 'Mon-Fri 8 to 5'])->assertOk()
                ->json('schedule.weekly.0.from'),
        );
    }

    public function test_proof_shows_every_end_with_the_call_that_comes_to_it(): void
    {
        $proof = $this->getJson("/api/customers/{$this->customer}/proof")->assertOk()->json();
        self::assertTrue($proof['isComplete']);
        foreach ($proof['cells'] as $cell) {
            foreach ($cell['ends'] as $end) {
                $sentence = $this->postJson(
                    "/api/customers/{$this->customer}/proof/{$cell['run']}/call",
                    ['end' => $end['end']],
                )->assertOk()->json('sentence');
                if ($sentence !== null) {
                    self::assertSame(
                        $end['target'],
                        $this->followed($sentence)->assertOk()->json('telling.target'),
                        $sentence,
                    );
                }
            }
        }
        self::assertNotSame(
            [],
            $this->getJson("/api/customers/{$this->customer}/proof/0/map")->assertOk()->json('arrows'),
        );
        $this->getJson("/api/customers/{$this->customer}/proof/99/map")->assertNotFound();
    }

    public function test_a_promise_is_kept_or_told_why_not(): void
    {
        $this->edit($this->customer, [['op' => 'create', 'object' => 'promise:open', 'value' => [
            'text' => 'Somebody rings',
            'call' => ['to' => $this->number, 'at' => '2026-12-02T10:00', 'world' => ['user:ines' => 'answers']],
            'expect' => ['outcome' => 'answered', 'target' => 'user:ines', 'within' => 40],
        ]]])->assertOk();
        self::assertSame([true, ''], [$this->promise()['isKept'], $this->promise()['reason']]);

        $this->edit($this->customer, [
            ['object' => 'promise:open', 'path' => 'expect/within', 'value' => 3],
        ])->assertOk();
        self::assertFalse($this->promise()['isKept']);
        self::assertStringContainsString('instead of 3 s', $this->promise()['reason']);
        self::assertContains('flow.promise-broken', $this->rules());
    }

    public function test_what_would_be_made_comes_with_its_week_and_findings(): void
    {
        $number = $this->stockNumber();
        $preview = $this->postJson('/api/taking-on/preview', ['template' => 'one-line-office', 'answers' => [
            'name' => 'Inlet Rope Works', 'zone' => 'America/Halifax', 'mainNumber' => $number,
            'messages' => 'Ines Marsh',
        ]])->assertOk()->json();

        self::assertNotNull($preview['strip']);
        self::assertContains('emergency.address-missing', array_column($preview['findings'], 'rule'));
    }

    private function followed(string $sentence, ?string $in = null): TestResponse
    {
        return $this->postJson("/api/customers/{$this->customer}/calls", ['sentence' => $sentence] + (
            $in === null ? [] : ['in' => $in]
        ));
    }

    /** @return array<string, mixed> */
    private function promise(): array
    {
        return $this->getJson("/api/customers/{$this->customer}/proof")->assertOk()->json('promises.0');
    }

    /** @return list<string> */
    private function rules(): array
    {
        return array_column(
            $this->getJson("/api/customers/{$this->customer}/margin")->assertOk()->json('findings'),
            'rule',
        );
    }

    /** @return array<string, mixed> */
    private function finding(string $rule): array
    {
        foreach ($this->getJson("/api/customers/{$this->customer}/margin")->json('findings') as $finding) {
            if ($finding['rule'] === $rule) {
                return $finding;
            }
        }
        self::fail("no finding of {$rule}");
    }

    /** @return array<string, mixed> */
    private function line(): array
    {
        return $this->onRoster($this->customer);
    }
}
