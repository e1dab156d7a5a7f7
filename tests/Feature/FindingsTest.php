<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Fleet\AuditRuns;
use App\Models\Ability;
use App\Models\Technician;
use App\Time\Clock;
use App\Time\FixedClock;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

/**
 * Findings over many customers: seen to, dated, mended at once, handed to other programs, mailed, and audited anew as a
 * batch.
 */
final class FindingsTest extends FeatureTestCase
{
    private const RULE = 'groups.limit-shorter-than-one-pass';

    /** @var list<string> customers with a group whose limit is too short */
    private array $customers = [];

    private Technician $sol;

    protected function setUp(): void
    {
        parent::setUp();
        // What other tests left for the workers is not counted here.
        Artisan::call('queue:clear', ['--force' => true]);
        $this->sol = $this->technician();
        foreach ([20, 20] as $limit) {
            $customer = $this->actingAs($this->lead)
                ->postJson('/api/taking-on/book', $this->bookFrom('docs/examples/inlet.json'))
                ->assertCreated()
                ->json('customer');
            $this->edit($customer, [
                ['object' => 'user:joss', 'path' => 'email', 'value' => 'joss@inlet.example'],
            ])->assertOk();
            $this->enter($customer)->assertCreated();
            $this->edit($customer, [
                ['object' => 'group:desk', 'path' => 'noAnswerSeconds', 'value' => $limit],
            ])->assertOk();
            $this->enter($customer)->assertCreated();
            $this->edit($customer, [['object' => 'user:joss', 'path' => 'email', 'value' => null]])->assertOk();
            $this->enter($customer)->assertCreated();
            $this->grant($this->sol, $this->tenantId($customer), Ability::Push);
            $this->customers[] = $customer;
        }
        $this->actingAs($this->sol);
    }

    public function test_a_customer_is_told_in_their_language_what_stands_in_the_book_as_entered(): void
    {
        $customer = $this->customers[0];
        // What somebody has pending is no customer's affair yet.
        $this->edit($customer, [
            ['object' => 'group:desk', 'path' => 'noAnswerSeconds', 'value' => 300],
        ])->assertOk();
        $path = "/api/customers/{$customer}/report";
        $english = $this->getJson($path)->assertOk();

        $english->assertJson(['language' => 'en', 'languages' => [
            ['tag' => 'en', 'name' => 'English'], ['tag' => 'fr-CA', 'name' => 'Français (Canada)'],
        ]]);
        $told = $english->json('findings');
        self::assertContains('Limit shorter than one pass', array_column($told, 'name'));
        self::assertNotContains('Not pushed yet', array_column($told, 'name'));

        $french = $this->getJson("{$path}?language=fr-CA")->assertOk()->json();
        self::assertSame('fr-CA', $french['language']);
        self::assertSame(array_column($told, 'severity'), array_column($french['findings'], 'severity'));
        $short = array_values(array_filter(
            $french['findings'],
            static fn (array $each): bool => $each['name'] === 'Délai plus court qu’un tour',
        ))[0];
        self::assertStringEndsWith(': le délai finit avant que tous aient sonné', $short['title']);
        self::assertStringContainsString('Un tour complet dure', $short['detail']);

        $this->getJson("{$path}?language=de")->assertStatus(422);
        $this->actingAs($this->technician())->getJson($path)->assertNotFound();
    }

    public function test_a_finding_is_given_to_somebody_until_a_day_and_keeps_that_when_it_is_seen_again(): void
    {
        $print = $this->line($this->customers[0])['fingerprint'];
        $path = "/api/customers/{$this->customers[0]}/findings/{$print}";
        $this->putJson($path, ['assignee' => $this->sol->id, 'due' => '2026-12-04'])->assertOk();
        $this->putJson(
            $path,
            ['assignee' => 'b7f0c4c8-5f43-4e0c-8a3f-0c2b8f0c0000', 'due' => null],
        )->assertUnprocessable();
        $this->putJson(
            "/api/customers/{$this->customers[0]}/findings/" . str_repeat('0', 32),
            ['assignee' => null, 'due' => null],
        )->assertNotFound();

        $this->edit(
            $this->customers[0],
            [['object' => 'group:desk', 'path' => 'name', 'value' => 'The desk']],
            $this->sol,
        )->assertOk();
        $this->enter($this->customers[0], $this->sol)->assertCreated();
        $line = $this->line($this->customers[0]);
        self::assertSame(
            [$print, $this->sol->id, '2026-12-04'],
            [$line['fingerprint'], $line['assignee'], $line['due']],
        );
        self::assertStringStartsWith('The desk', $line['title']);
    }

    /**
     * Audited as a batch: a job each, how far it is, stopped and gone on with; and each finding learns by which
     * revision it came.
     */
    public function test_an_audit_whose_jobs_are_gone_is_taken_up_and_one_that_failed_for_good_is_not(): void
    {
        $run = $this->postJson('/api/audits')->assertStatus(202)->json('run.id');
        $waiting = static fn (): int => DB::table('jobs')->where('payload', 'like', "%{$run}%")->count();
        $takeUp = fn () => $this->scope()->technician(
            $this->sol->id,
            fn () => $this->app->make(AuditRuns::class)->takeUp($run),
        );
        self::assertSame(2, $waiting());
        DB::table('jobs')->where('payload', 'like', "%{$run}%")->delete();

        $takeUp();
        self::assertSame(2, $waiting());

        DB::table('jobs')->where('payload', 'like', "%{$run}%")->delete();
        DB::table('job_batches')->where('name', "audit {$run}")->update(['failed_jobs' => DB::raw('pending_jobs')]);
        $takeUp();
        self::assertSame(0, $waiting(), 'it would fail again, each minute for ever');
    }

    public function test_every_customer_is_audited_as_a_batch_that_stops_and_goes_on(): void
    {
        self::assertNull($this->getJson('/api/audits/latest')->assertOk()->json('run'));
        $run = $this->postJson('/api/audits')->assertStatus(202)->json('run');
        self::assertSame(
            [$run['id'], 'running', 2],
            [$this->postJson('/api/audits')->assertStatus(202)->json('run.id'), $run['state'], count($run['waiting'])],
            'begun once',
        );
        self::assertSame([], $run['done']);

        Artisan::call('queue:work', ['--once' => true]);
        $run = $this->getJson('/api/audits/latest')->json('run');
        self::assertSame([1, 1, 'running'], [count($run['done']), count($run['waiting']), $run['state']]);
        self::assertGreaterThan(0, $run['done'][0]['findings']);

        $this->postJson("/api/audits/{$run['id']}/stop")->assertOk()->assertJsonPath('run.state', 'stopped');
        $this->workThroughQueue();
        self::assertCount(1, $this->getJson('/api/audits/latest')->json('run.done'));
        $this->actingAs($this->technician())->postJson("/api/audits/{$run['id']}/resume")->assertNotFound();

        $this->actingAs($this->sol)->postJson("/api/audits/{$run['id']}/resume")
            ->assertOk()
            ->assertJsonPath('run.state', 'running');
        $this->workThroughQueue();
        $this->getJson('/api/audits/latest')->assertJsonPath('run.state', 'ended')
            ->assertJsonCount(2, 'run.done')
            ->assertJsonCount(0, 'run.waiting');
        $again = $this->postJson('/api/audits')->assertStatus(202)->json('run');
        self::assertNotSame($run['id'], $again['id'], 'the newest is told, also of two begun in one second');
        self::assertSame(
            [3, 3],
            array_map(fn (string $customer): ?int => $this->line($customer)['revision'], $this->customers),
        );
        $others = array_column($this->getJson(
            '/api/findings/rows?from=0&group=emergency.address-missing',
        )->assertOk()->json('lines'), 'line');
        self::assertSame([1, 1], array_column($others, 'revision'), 'there from the beginning');
    }

    public function test_a_customer_that_is_no_longer_granted_is_not_waited_for(): void
    {
        $ada = $this->technician();
        $this->grant($ada, $this->tenantId($this->customers[0]), Ability::Read);
        $this->grant($ada, $this->tenantId($this->customers[1]), Ability::Read, new \DateTimeImmutable(
            '2026-12-02T00:00:00Z',
        ));
        $run = $this->actingAs($ada)->postJson('/api/audits')
            ->assertStatus(202)
            ->assertJsonCount(2, 'run.waiting')
            ->json('run');
        $this->app->instance(Clock::class, new FixedClock('2026-12-03T12:00:00Z'));
        $this->workThroughQueue();

        $this->getJson('/api/audits/latest')->assertJsonPath('run.id', $run['id'])
            ->assertJsonPath('run.state', 'ended')
            ->assertJsonCount(1, 'run.done');
    }

    public function test_the_switch_being_away_is_told_and_the_book_is_audited_all_the_same(): void
    {
        $this->wire->interfere = static fn (): never => \Tests\Feature\Support\Wire::cut();
        $this->postJson('/api/audits')->assertStatus(202);
        $this->workThroughQueue();

        $run = $this->getJson('/api/audits/latest')->assertJsonPath('run.state', 'ended')->json('run');
        self::assertNotContains(null, array_column($run['done'], 'trouble'));
        self::assertNotContains(0, array_column($run['done'], 'findings'));
    }

    public function test_the_same_finding_is_looked_at_and_mended_at_many_customers_and_each_can_be_taken_back(): void
    {
        foreach ($this->customers as $customer) {
            $line = $this->line($customer);
            self::assertNotNull($line['fix']);
            $ask = fn (bool $enter): TestResponse => $this->postJson("/api/customers/{$customer}/findings/fixes", [
                'fingerprints' => [$line['fingerprint'], str_repeat('0', 32)],
                'enter' => $enter,
                'note' => 'Limits reach everybody',
            ]);

            $looked = $ask(false)->assertOk()->json();
            self::assertSame(
                [['group:desk', 'noAnswerSeconds']],
                array_map(static fn (array $change): array => [$change['object'], $change['path']], $looked['changes']),
            );
            self::assertSame([[], [], null, true], [
                $looked['left'], $looked['brings'], $looked['revision'], $looked['callersNotice'],
            ]);
            self::assertSame($line, $this->line($customer), 'nothing is written by looking');

            $made = $ask(true)->assertOk()->json();
            self::assertSame([5, $looked['changes']], [$made['revision'], $made['changes']]);
            self::assertNull($this->line($customer));
            $this->getJson("/api/customers/{$customer}/revisions")->assertJsonPath('revisions.0.source', 'fix')
                ->assertJsonPath('revisions.0.note', 'Limits reach everybody');
            self::assertSame(
                [[], false, null],
                array_values(array_intersect_key(
                    $ask(true)->assertOk()->json(),
                    ['changes' => 0, 'revision' => 0, 'callersNotice' => 0],
                )),
                'once more is no harm',
            );

            $this->postJson("/api/customers/{$customer}/revisions/5/undo")->assertCreated();
            self::assertNotNull($this->line($customer));
        }
        $reader = $this->technician();
        $this->grant($reader, $this->tenantId($this->customers[0]), Ability::Read);
        $this->actingAs($reader)->postJson(
            "/api/customers/{$this->customers[0]}/findings/fixes",
            ['fingerprints' => [$line['fingerprint']], 'enter' => false],
        )->assertOk();
        $this->postJson(
            "/api/customers/{$this->customers[0]}/findings/fixes",
            ['fingerprints' => [$line['fingerprint']], 'enter' => true],
        )->assertForbidden();
    }

    public function test_what_counts_as_too_much_is_set_for_one_customer_and_for_all(): void
    {
        $menu = ['object' => 'menu:day', 'path' => 'wait', 'value' => 5];
        foreach ($this->customers as $customer) {
            $this->edit($customer, [$menu], $this->sol)->assertOk();
            $this->enter($customer, $this->sol);
        }
        $found = fn (): array => array_map(
            fn (string $customer): bool => $this->line($customer, 'menus.wait-too-short') !== null,
            $this->customers,
        );
        self::assertSame([false, false], $found());

        $own = "/api/customers/{$this->customers[0]}/thresholds";
        $this->putJson("{$own}/shortestKeyWait", ['value' => 31])->assertUnprocessable()
            ->assertJsonPath('detail', 'Shortest wait for a key: 1 to 30 s.');
        $this->putJson("{$own}/patience", ['value' => 9])->assertNotFound();
        $set = array_column(
            $this->putJson("{$own}/shortestKeyWait", ['value' => 8])->assertOk()->json('thresholds'),
            null,
            'name',
        )['shortestKeyWait'];
        self::assertSame([3, 3, 8], [$set['standard'], $set['forAll'], $set['own']]);
        self::assertSame([true, false], $found());
        self::assertContains(
            'menus.wait-too-short',
            array_column($this->getJson("/api/customers/{$this->customers[0]}/margin")->json('findings'), 'rule'),
        );

        $this->putJson('/api/thresholds/shortestKeyWait', ['value' => 9])->assertForbidden();
        $boss = $this->technician();
        $this->grant($boss, null, Ability::Edit);
        try {
            $this->actingAs($boss)->putJson('/api/thresholds/shortestKeyWait', ['value' => 9])->assertOk();
            $this->workThroughQueue();
            self::assertSame([true, true], $found());
            $this->actingAs($this->sol)->putJson("{$own}/shortestKeyWait", ['value' => null])
                ->assertOk()
                ->assertJsonPath('thresholds.11.own', null);
            self::assertSame([true, true], $found());
        } finally {
            $this->actingAs($boss)->putJson('/api/thresholds/shortestKeyWait', ['value' => null])->assertOk();
            $this->workThroughQueue();
        }
        self::assertSame([false, false], $found());
    }

    public function test_rules_tell_how_often_they_fire(): void
    {
        $rule = fn (): array => array_column(
            $this->getJson('/api/rules')->assertOk()->json('rules'),
            null,
            'id',
        )[self::RULE];
        self::assertSame([2, 0, 2], [$rule()['findings'], $rule()['waived'], $rule()['customers']]);
        self::assertFalse($this->getJson('/api/rules')->json('mayChange'));

        $this->postJson(
            "/api/customers/{$this->customers[1]}/findings/waivers",
            ['fingerprint' => $this->line($this->customers[1])['fingerprint'], 'reason' => 'Wanted so'],
        )->assertCreated();
        self::assertSame([1, 1, 1], [$rule()['findings'], $rule()['waived'], $rule()['customers']]);
    }

    public function test_findings_go_out_as_files_in_the_order_they_are_named(): void
    {
        $of = array_map(
            fn (string $customer): array => [
                'customer' => $customer,
                'fingerprint' => $this->line($customer)['fingerprint'],
            ],
            array_reverse($this->customers),
        );
        $export = fn (string $format): TestResponse => $this->postJson(
            '/api/findings/export',
            ['format' => $format, 'of' => [...$of, ['customer' => 'nobody', 'fingerprint' => $of[0]['fingerprint']]]],
        )->assertOk();

        $lines = array_filter(explode("\r\n", (string) $export('csv')->getContent()));
        self::assertSame(
            array_column($of, 'customer'),
            array_map(static fn (string $line): string => explode(',', $line)[0], array_slice($lines, 1)),
        );
        self::assertSame(array_column($of, 'customer'), array_column($export('json')->json(), 'customer'));
        self::assertSame([self::RULE, self::RULE], array_column($export('sarif')->json('runs.0.results'), 'ruleId'));
        self::assertSame(2, substr_count((string) $export('junit')->getContent(), '<failure '));
        $this->postJson('/api/findings/export', ['format' => 'xls', 'of' => $of])->assertUnprocessable();
        $this->actingAs($this->technician())->postJson('/api/findings/export', ['format' => 'json', 'of' => $of])
            ->assertOk()
            ->assertExactJson([]);
    }

    public function test_a_letter_tells_what_is_new_and_what_is_due_to_those_who_want_it(): void
    {
        $this->putJson('/api/digest', ['wanted' => true])->assertNoContent();
        self::assertTrue($this->getJson('/api/findings')->json('digest'));
        self::assertSame(0, Artisan::call('roster:digest'));
        self::assertStringContainsString("{$this->sol->sign_in}: a letter about", Artisan::output());
        $letter = $this->letterTo($this->sol);
        self::assertStringContainsString($this->line($this->customers[0])['title'], $letter);

        // Two days on nothing of it is new; what was given to somebody is due.
        $this->app->instance(Clock::class, new FixedClock('2026-12-03T12:00:00Z'));
        self::assertSame(0, $this->postJson('/api/digest')->assertOk()->json('told'));
        $this->putJson(
            "/api/customers/{$this->customers[0]}/findings/{$this->line($this->customers[0])['fingerprint']}",
            ['assignee' => $this->sol->id, 'due' => '2026-12-03'],
        )->assertOk();
        self::assertSame(1, $this->postJson('/api/digest')->assertOk()->json('told'));
        self::assertStringContainsString('Subject: Nothing new, 1 due', $this->letterTo($this->sol));
    }

    public function test_the_trend_is_the_sum_of_what_stood_day_by_day(): void
    {
        $trend = fn (): array => array_column(
            $this->getJson('/api/findings')->assertOk()->json('trend'),
            'error',
            'day',
        );
        self::assertSame(['2026-12-01'], array_keys($trend()));
        $errors = $trend()['2026-12-01'];

        $this->app->instance(Clock::class, new FixedClock('2026-12-03T12:00:00Z'));
        $this->postJson(
            "/api/customers/{$this->customers[0]}/findings/fixes",
            ['fingerprints' => [$this->line($this->customers[0])['fingerprint']], 'enter' => true],
        )->assertOk();
        self::assertSame(['2026-12-01' => $errors, '2026-12-02' => $errors, '2026-12-03' => $errors - 1], $trend());

        // After thirty days the oldest are summed up in the first that is shown.
        $this->app->instance(Clock::class, new FixedClock('2027-01-05T12:00:00Z'));
        self::assertSame([30, $errors - 1], [count($trend()), array_values($trend())[0]]);
    }

    private function letterTo(Technician $technician): string
    {
        $letters = array_filter(
            $this->wire->letters(),
            static fn (string $letter): bool => str_contains($letter, "To: {$technician->sign_in}"),
        );

        return end($letters) ?: self::fail('no letter');
    }

    /** @return ?array<string, mixed> */
    private function line(string $customer, string $rule = self::RULE): ?array
    {
        $lines = array_filter(
            $this->foundAt($customer),
            static fn (array $line): bool => $line['rule'] === $rule,
        );

        return array_values($lines)[0] ?? null;
    }
}
