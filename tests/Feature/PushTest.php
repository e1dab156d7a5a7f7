<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Push\PushRunner;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\Support\Wire;

final class PushTest extends FeatureTestCase
{
    private const CALLS_OF_A_FIRST_PUSH = 12;

    public function test_a_push_makes_the_switch_hold_the_book_and_reads_it_back(): void
    {
        $customer = $this->takeOn();
        $this->getJson("/api/customers/{$customer['key']}/live")->assertOk()
            ->assertJsonPath('onSwitch', false)
            ->assertJsonCount(self::CALLS_OF_A_FIRST_PUSH, 'runSheet');

        $push = $this->push($customer['key']);

        self::assertSame('done', $push['status'], (string) $push['reason']);
        self::assertSame(array_fill(0, self::CALLS_OF_A_FIRST_PUSH, 'done'), array_column($push['steps'], 'status'));
        self::assertSame([], $this->readAgain($customer['key']));
        $this->getJson("/api/customers/{$customer['key']}/live")->assertJsonPath('runSheet', []);
        $line = $this->onRoster($customer['key']);
        self::assertSame([1, 0], [$line['pushedRevision'], $line['differences']]);
    }

    public function test_a_push_of_what_is_there_already_sends_nothing(): void
    {
        $customer = $this->takeOn();
        $this->push($customer['key']);
        $writes = $this->wire->writes;

        self::assertSame('done', $this->push($customer['key'])['status']);
        self::assertSame($writes, $this->wire->writes);
    }

    public function test_only_the_fields_that_changed_are_sent(): void
    {
        $customer = $this->takeOn();
        $this->push($customer['key']);
        $this->edit($customer['key'], [
            ['object' => 'user:ines-marsh', 'path' => 'name/first', 'value' => 'Inez'],
        ])->assertOk();
        $this->enter($customer['key'])->assertCreated();
        $bodies = [];
        $this->wire->interfere = static function (Request $request) use (&$bodies): null {
            if (Wire::isWrite($request)) {
                $bodies[] = $request->data();
            }

            return null;
        };

        self::assertSame('done', $this->push($customer['key'])['status']);

        self::assertCount(1, $bodies);
        self::assertArrayNotHasKey('presents', $bodies[0]);
        self::assertContains('Inez', $bodies[0]);
    }

    public function test_two_pushes_of_one_customer_do_not_run_at_once(): void
    {
        $customer = $this->takeOn();
        $this->actingAs($this->lead)->postJson("/api/customers/{$customer['key']}/pushes")->assertStatus(202);

        $this->postJson("/api/customers/{$customer['key']}/pushes")->assertStatus(409)
            ->assertJsonPath('type', 'urn:jaunty-roster:problem:push-under-way');
    }

    public function test_a_second_worker_leaves_a_push_alone_while_the_first_holds_it(): void
    {
        $customer = $this->takeOn();
        $push = $this->actingAs($this->lead)->postJson("/api/customers/{$customer['key']}/pushes")->json('id');
        $runner = $this->app->make(PushRunner::class);
        $this->wire->interfere = function (Request $request) use ($runner, $customer, $push): null {
            $this->wire->interfere = null;
            self::assertGreaterThan(0, $runner->carryOn($customer['id'], $this->lead->id, $push));

            return null;
        };

        $this->work($customer['key'], $push);

        self::assertSame(self::CALLS_OF_A_FIRST_PUSH, $this->wire->writes);
    }

    public function test_a_stopped_push_stops_between_two_steps_and_the_next_one_goes_on_from_there(): void
    {
        $customer = $this->takeOn();
        $push = $this->actingAs($this->lead)->postJson("/api/customers/{$customer['key']}/pushes")->json('id');
        $this->wire->interfere = function (Request $request) use ($customer, $push): null {
            if (Wire::isWrite($request) && $this->wire->writes === 3) {
                $this->postJson("/api/customers/{$customer['key']}/pushes/{$push}/stop")->assertOk();
            }

            return null;
        };

        $this->work($customer['key'], $push);

        $stopped = $this->getJson("/api/customers/{$customer['key']}/pushes/{$push}")
            ->assertJsonPath('status', 'stopped')
            ->json();
        self::assertSame("stopped by {$this->lead->name}", $stopped['reason']);
        self::assertSame(4, $this->wire->writes);
        $this->wire->interfere = null;
        self::assertSame('done', $this->push($customer['key'])['status']);
        self::assertSame(self::CALLS_OF_A_FIRST_PUSH, $this->wire->writes);
    }

    /**
     * The wire goes wrong at the n-th write, before or after the switch did it: the push must end well and nothing be
     * done twice.
     */
    #[DataProvider('troubles')]
    public function test_a_push_survives_trouble_at_any_write(int $at, string $trouble): void
    {
        $customer = $this->takeOn();
        $seen = 0;
        $this->wire->interfere = static function (Request $request, \Closure $send) use ($at, $trouble, &$seen) {
            if (! Wire::isWrite($request) || ++$seen !== $at) {
                return null;
            }
            if ($trouble === 'answer lost') {
                $send();
            }

            return match ($trouble) {
                'server error' => Http::response(['fault' => 'in a bad way'], 503),
                'too many' => Http::response(['fault' => 'wait'], 429, ['Retry-After' => '1']),
                default => Wire::cut(),
            };
        };

        $push = $this->push($customer['key']);

        self::assertSame('done', $push['status'], (string) $push['reason']);
        self::assertSame([], $this->readAgain($customer['key']));
        foreach (['premises', 'lines', 'persons', 'boxes'] as $collection) {
            self::assertCount(
                1,
                $this->wire->byHand('GET', $this->account($customer['key']) . "/{$collection}")['rows'],
                $collection,
            );
        }
    }

    /** @return iterable<string, array{int, string}> */
    public static function troubles(): iterable
    {
        foreach (['cut before', 'answer lost', 'server error', 'too many'] as $trouble) {
            for ($at = 1; $at <= self::CALLS_OF_A_FIRST_PUSH; $at++) {
                yield "{$trouble} at write {$at}" => [$at, $trouble];
            }
        }
    }

    /** A worker that is killed leaves a step as sent and a lease that runs out. */
    #[DataProvider('kills')]
    public function test_a_push_goes_on_where_a_killed_worker_left_it(int $at, bool $done): void
    {
        $customer = $this->takeOn();
        $push = $this->actingAs($this->lead)->postJson("/api/customers/{$customer['key']}/pushes")->json('id');
        $seen = 0;
        $this->wire->interfere = static function (Request $request, \Closure $send) use ($at, $done, &$seen): null {
            if (Wire::isWrite($request) && ++$seen === $at) {
                if ($done) {
                    $send();
                }
                throw new \Error('killed');
            }

            return null;
        };
        try {
            $this->app->make(PushRunner::class)->carryOn($customer['id'], $this->lead->id, $push);
            self::fail('the worker was to be killed');
        } catch (\Error $killed) {
            self::assertSame('killed', $killed->getMessage());
        }
        $this->wire->interfere = null;
        $this->scope()->tenant(
            $this->lead->id,
            $customer['key'],
            \App\Models\Ability::Push,
            static fn (): int => DB::table('pushes')->update(['lease_until' => new \DateTimeImmutable('-1 second')]),
        );

        $this->work($customer['key'], $push);

        $this->getJson("/api/customers/{$customer['key']}/pushes/{$push}")->assertJsonPath('status', 'done');
        self::assertSame([], $this->readAgain($customer['key']));
        self::assertCount(1, $this->wire->byHand('GET', $this->account($customer['key']) . '/persons')['rows']);
    }

    /** @return iterable<string, array{int, bool}> */
    public static function kills(): iterable
    {
        for ($at = 1; $at <= self::CALLS_OF_A_FIRST_PUSH; $at++) {
            yield "before write {$at}" => [$at, false];
            yield "after write {$at}" => [$at, true];
        }
    }

    public function test_trouble_that_stays_stops_the_push_and_says_why(): void
    {
        $customer = $this->takeOn();
        $this->wire->interfere = static fn (Request $request) => Wire::isWrite($request)
            ? Http::response(['fault' => 'in a bad way'], 503)
            : null;

        $push = $this->push($customer['key']);

        self::assertSame(
            ['stopped', 'failed', 12],
            [$push['status'], $push['steps'][0]['status'], $push['steps'][0]['attempts']],
        );
        self::assertStringContainsString('503', (string) $push['reason']);
    }

    public function test_what_fails_here_for_good_ends_and_says_that_it_did(): void
    {
        $customer = $this->takeOn();
        $this->wire->interfere = static fn (Request $request) => throw new \LogicException('a mistake of ours');
        $push = $this->actingAs($this->lead)->postJson("/api/customers/{$customer['key']}/pushes")
            ->assertStatus(202)
            ->json('id');
        $this->postJson('/api/audits')->assertStatus(202);

        $this->workThroughQueue();

        $ended = $this->getJson("/api/customers/{$customer['key']}/pushes/{$push}")->assertOk()->json();
        self::assertSame('stopped', $ended['status']);
        self::assertStringContainsString('failed jobs', $ended['reason']);
        $run = $this->getJson('/api/audits/latest')->assertOk()->json('run');
        self::assertSame(['ended', []], [$run['state'], $run['waiting']]);
        self::assertStringContainsString(
            'could not be audited',
            array_column($run['done'], 'trouble', 'customer')[$customer['key']],
        );
        // Nothing stands in the way any more.
        $this->wire->interfere = null;
        self::assertSame('done', $this->push($customer['key'])['status']);
    }

    public function test_a_refusal_stops_the_push_at_once_with_the_switchs_words(): void
    {
        $customer = $this->takeOn();
        $this->wire->interfere = static fn (Request $request) => str_contains($request->url(), '/boxes')
            && Wire::isWrite($request)
            ? Http::response(['fault' => 'is too long', 'where' => 'caption'], 422)
            : null;

        $push = $this->push($customer['key']);

        self::assertSame('stopped', $push['status']);
        self::assertStringContainsString('caption: is too long', (string) $push['reason']);
        self::assertSame(1, max(array_column($push['steps'], 'attempts')));
    }

    public function test_a_change_on_the_switch_is_shown_with_who_and_when_and_can_be_put_back(): void
    {
        $customer = $this->takeOn();
        $this->push($customer['key']);
        $this->changeByHand($customer['key'], 'boxes', 'caption', 'Front desk box');
        $this->changeByHand($customer['key'], 'persons', 'given', 'Inez');

        $differences = array_column($this->readAgain($customer['key']), null, 'object');

        self::assertCount(2, $differences);
        self::assertSame(
            [
                'object' => 'mailbox:ines-marsh', 'label' => "Ines Marsh's mailbox", 'what' => 'field',
                'whose' => 'theirs', 'path' => 'name', 'book' => "Ines Marsh's mailbox", 'live' => 'Front desk box',
                'signed' => null, 'since' => '2026-12-01T18:05:00+00:00', 'by' => 'admin by hand',
            ],
            $differences['mailbox:ines-marsh'],
        );
        $push = $this->push($customer['key'], [['object' => 'mailbox:ines-marsh', 'field' => 'name']]);
        self::assertSame(['done', false, 1], [$push['status'], $push['whole'], count($push['steps'])]);
        self::assertSame(['user:ines-marsh'], array_column($this->readAgain($customer['key']), 'object'));
    }

    public function test_what_changed_between_run_sheet_and_step_stops_the_push(): void
    {
        $customer = $this->takeOn();
        $this->push($customer['key']);
        $this->edit($customer['key'], [
            ['object' => 'mailbox:ines-marsh', 'path' => 'name', 'value' => 'Ours'],
        ])->assertOk();
        $this->enter($customer['key'])->assertCreated();
        $this->wire->interfere = function (Request $request) use ($customer): null {
            if (Wire::isWrite($request)) {
                $this->wire->interfere = null;
                $this->changeByHand($customer['key'], 'boxes', 'caption', 'Theirs');
            }

            return null;
        };

        $push = $this->push($customer['key']);

        self::assertSame('stopped', $push['status']);
        self::assertStringContainsString('name', (string) $push['reason']);
        self::assertSame('Theirs', $this->readAgain($customer['key'])[0]['live']);
    }

    public function test_what_is_only_on_the_switch_is_said_and_a_push_of_the_book_removes_it(): void
    {
        $customer = $this->takeOn();
        $this->push($customer['key']);
        $this->wire->byHand('POST', $this->account($customer['key']) . '/boxes', ['caption' => 'Temp test']);

        $differences = $this->readAgain($customer['key']);

        self::assertSame(['unknown'], array_column($differences, 'what'));
        $this->getJson("/api/customers/{$customer['key']}/live")->assertJsonPath('runSheet.0.kind', 'delete');
        $push = $this->push($customer['key']);
        self::assertSame('done', $push['status'], (string) $push['reason']);
        self::assertCount(1, $this->wire->byHand('GET', $this->account($customer['key']) . '/boxes')['rows']);
    }

    public function test_what_vanished_from_the_switch_is_said_and_put_back(): void
    {
        $customer = $this->takeOn();
        $this->push($customer['key']);
        $account = $this->account($customer['key']);
        $person = $this->wire->byHand('GET', "{$account}/persons")['rows'][0]['id'];
        $this->wire->byHand('PATCH', "{$account}/persons/{$person}", ['box' => null]);
        $box = $this->wire->byHand('GET', "{$account}/boxes")['rows'][0]['id'];
        $this->wire->byHand('DELETE', "{$account}/boxes/{$box}");

        self::assertContains('missing', array_column($this->readAgain($customer['key']), 'what'));
        $this->getJson("/api/customers/{$customer['key']}/live/impact")->assertOk();
        self::assertSame('done', $this->push($customer['key'])['status']);
        self::assertSame([], $this->readAgain($customer['key']));
    }

    /** The switch takes no reference to what it does not have. */
    public function test_a_field_that_is_put_back_takes_along_what_it_leads_to(): void
    {
        $customer = $this->takeOn();
        $this->push($customer['key']);
        $account = $this->account($customer['key']);
        $this->changeByHand($customer['key'], 'persons', 'given', 'Inez');
        $person = $this->wire->byHand('GET', "{$account}/persons")['rows'][0]['id'];
        $this->wire->byHand('PATCH', "{$account}/persons/{$person}", ['box' => null]);
        $box = $this->wire->byHand('GET', "{$account}/boxes")['rows'][0]['id'];
        $this->wire->byHand('DELETE', "{$account}/boxes/{$box}");
        $this->readAgain($customer['key']);

        $push = $this->push($customer['key'], [['object' => 'user:ines-marsh', 'field' => 'mailbox']]);

        self::assertSame(
            ['done', ['create', 'update']],
            [$push['status'], array_column($push['steps'], 'kind')],
            (string) $push['reason'],
        );
        self::assertSame(['name/first'], array_column($this->readAgain($customer['key']), 'path'));
    }

    public function test_an_edit_made_during_a_push_belongs_to_the_next_one(): void
    {
        $customer = $this->takeOn();
        $this->wire->interfere = function (Request $request) use ($customer): null {
            if (Wire::isWrite($request)) {
                $this->wire->interfere = null;
                $this->edit($customer['key'], [
                    ['object' => 'mailbox:ines-marsh', 'path' => 'name', 'value' => 'Later'],
                ])->assertOk();
                $this->enter($customer['key'])->assertCreated();
            }

            return null;
        };

        $push = $this->push($customer['key']);

        self::assertSame(['done', 1], [$push['status'], $push['revision']]);
        self::assertSame([['name', 'Later']], array_map(
            static fn (array $difference): array => [$difference['path'], $difference['book']],
            $this->readAgain($customer['key']),
        ));
    }

    public function test_a_switch_that_cannot_be_reached_is_a_plain_answer(): void
    {
        $customer = $this->takeOn();
        $this->wire->interfere = static fn () => Wire::cut();

        $this->actingAs($this->lead)->postJson("/api/customers/{$customer['key']}/live/read")
            ->assertStatus(502)
            ->assertJsonPath('type', 'urn:jaunty-roster:problem:switch-trouble');
    }

    private function changeByHand(string $customer, string $collection, string $field, string $value): void
    {
        $path = $this->account($customer) . "/{$collection}";
        $id = $this->wire->byHand('GET', $path)['rows'][0]['id'];
        $this->wire->byHand('PATCH', "{$path}/{$id}", [$field => $value]);
    }

    private function account(string $customer): string
    {
        foreach ($this->wire->byHand('GET', '/v1/accounts')['rows'] as $account) {
            if ($account['handle'] === $customer) {
                return "/v1/accounts/{$account['id']}";
            }
        }
        self::fail("{$customer} is not on the switch");
    }
}
