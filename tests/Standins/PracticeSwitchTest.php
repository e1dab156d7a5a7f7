<?php

declare(strict_types=1);

namespace Tests\Standins;

use PHPUnit\Framework\TestCase;
use Standins\PracticeSwitch\PracticeSwitch;
use Standins\PracticeSwitch\RateLimit;
use Standins\Shared\Refusal;
use Standins\Shared\Request;

/** What the practice switch promises to whoever talks to it: what our connector is built on. */
final class PracticeSwitchTest extends TestCase
{
    private PracticeSwitch $switch;

    protected function setUp(): void
    {
        $this->switch = new PracticeSwitch(':memory:', 'token', static fn (): int => 1_796_148_300);
    }

    public function test_without_the_token_nothing_is_told(): void
    {
        self::assertSame(401, $this->ask('GET', '/v1/accounts', headers: ['authorization' => 'Bearer wrong'])[0]);
        self::assertSame(200, $this->ask('GET', '/health', headers: [])[0]);
    }

    public function test_a_creation_sent_twice_under_one_key_is_done_once(): void
    {
        $first = $this->ask('POST', '/v1/accounts', ['handle' => 'inlet', 'title' => 'Inlet'], [
            'idempotency-key' => 'k1',
        ]);
        $again = $this->ask('POST', '/v1/accounts', ['handle' => 'inlet', 'title' => 'Inlet'], [
            'idempotency-key' => 'k1',
        ]);

        self::assertSame(201, $first[0]);
        self::assertSame($first, $again);
        self::assertCount(1, $this->ask('GET', '/v1/accounts')[1]['rows']);
        self::assertSame(
            422,
            $this->ask('POST', '/v1/accounts', ['handle' => 'inlet', 'title' => 'Inlet'], [
                'idempotency-key' => 'k2',
            ])[0],
        );
    }

    public function test_an_edit_of_a_stale_version_is_refused(): void
    {
        $path = $this->account();
        self::assertSame(200, $this->ask('PATCH', $path, ['title' => 'Inlet Care'], ['if-match' => '1'])[0]);

        [$status, $body] = $this->ask('PATCH', $path, ['title' => 'Other'], ['if-match' => '1']);

        self::assertSame(412, $status);
        self::assertSame('version 1 is stale: the record is at version 2', $body['fault']);
        self::assertSame('Inlet Care', $this->ask('GET', $path)[1]['title']);
    }

    public function test_no_more_calls_a_second_than_it_takes(): void
    {
        $now = 100;
        $limit = new RateLimit(':memory:', 3, static function () use (&$now): int {
            return $now;
        });
        $calls = static function () use ($limit): array {
            return array_map(static function () use ($limit): array {
                try {
                    $limit->count();

                    return [200, []];
                } catch (Refusal $refusal) {
                    return [$refusal->status, $refusal->headers];
                }
            }, range(1, 4));
        };

        self::assertSame([[200, []], [200, []], [200, []], [429, ['Retry-After' => '1']]], $calls());
        $now = 101;
        self::assertSame([200, []], $calls()[0]);
    }

    public function test_trouble_comes_as_it_was_asked_for_and_the_same_for_a_seed(): void
    {
        self::assertSame(
            200,
            $this->ask('PUT', '/v1/faults', ['seed' => 7, 'errors' => 20, 'cut_before' => 10, 'cut_after' => 10])[0],
        );
        $play = fn (): array => array_map(
            fn (): int => $this->switch->handle(
                new Request('GET', '/v1/accounts', ['authorization' => 'Bearer token']),
            )->status,
            range(1, 200),
        );
        $first = $play();
        $this->ask('PUT', '/v1/faults', ['seed' => 7, 'errors' => 20, 'cut_before' => 10, 'cut_after' => 10]);

        self::assertSame($first, $play());
        $share = array_count_values($first);
        self::assertEqualsWithDelta(40, $share[500], 20);
        self::assertEqualsWithDelta(40, $share[0], 20);
        $this->ask('PUT', '/v1/faults', ['outage_calls' => 2]);
        self::assertSame([503, 503, 200], array_map(fn (): int => $this->ask('GET', '/v1/accounts')[0], range(1, 3)));
        self::assertSame([422, 'thunder'], $this->refusal($this->ask('PUT', '/v1/faults', ['thunder' => 1])));
        $this->ask('DELETE', '/v1/faults');
        self::assertSame([200], array_values(array_unique($play())));
    }

    public function test_a_wire_cut_after_the_call_leaves_what_the_call_did(): void
    {
        $this->ask('PUT', '/v1/faults', ['cut_after' => 100]);
        $cut = $this->switch->handle(new Request(
            'POST',
            '/v1/accounts',
            ['authorization' => 'Bearer token', 'idempotency-key' => 'k'],
            [],
            '{"handle": "inlet"}',
        ));
        $this->ask('DELETE', '/v1/faults');

        self::assertTrue($cut->isCut());
        self::assertCount(1, $this->ask('GET', '/v1/accounts')[1]['rows']);
        $this->ask('PUT', '/v1/faults', ['cut_before' => 100]);
        $this->switch->handle(
            new Request('POST', '/v1/accounts', ['authorization' => 'Bearer token'], [], '{"handle": "other"}'),
        );
        $this->ask('DELETE', '/v1/faults');
        self::assertCount(1, $this->ask('GET', '/v1/accounts')[1]['rows']);
    }

    public function test_a_line_is_activated_by_a_job_that_takes_its_time(): void
    {
        $path = $this->account();
        $made = $this->ask('POST', "{$path}/lines", ['digits' => '19025550150'], ['idempotency-key' => 'l'])[1];

        self::assertSame(
            $made,
            $this->ask('POST', "{$path}/lines", ['digits' => '19025550150'], ['idempotency-key' => 'l'])[1],
        );
        self::assertSame(
            ['waiting', 'done'],
            array_map(fn (): string => $this->ask('GET', "{$path}/jobs/{$made['job']}")[1]['state'], [1, 2]),
        );
        self::assertSame(404, $this->ask('GET', "{$path}/jobs/j-nothing")[0]);
    }

    public function test_a_field_it_does_not_know_and_a_value_it_cannot_hold_are_refused_by_name(): void
    {
        $path = $this->account();

        self::assertSame([422, 'colour'], $this->refusal($this->ask('PATCH', $path, ['colour' => 'sage'])));
        self::assertSame([422, 'ring_len'], $this->refusal($this->ask('PATCH', $path, ['ring_len' => 'five'])));
        self::assertSame([422, 'main_line'], $this->refusal($this->ask('PATCH', $path, ['main_line' => 'l-nowhere'])));
        self::assertSame(404, $this->ask('GET', "{$path}/engines")[0]);
        self::assertSame(
            400,
            $this->switch->handle(new Request('PATCH', $path, ['authorization' => 'Bearer token'], [], '[1'))->status,
        );
    }

    public function test_a_record_that_something_points_at_stays(): void
    {
        $path = $this->account();
        $box = $this->ask('POST', "{$path}/boxes", ['caption' => 'Box'])[1]['id'];
        $person = $this->ask('POST', "{$path}/persons", ['given' => 'Ines', 'box' => $box])[1]['id'];

        self::assertSame(409, $this->ask('DELETE', "{$path}/boxes/{$box}")[0]);
        self::assertSame(200, $this->ask('DELETE', "{$path}/persons/{$person}")[0]);
        self::assertSame(200, $this->ask('DELETE', "{$path}/boxes/{$box}")[0]);
        self::assertSame(404, $this->ask('GET', "{$path}/boxes/{$box}")[0]);
    }

    public function test_an_id_is_never_given_twice(): void
    {
        $path = $this->account();
        $first = $this->ask('POST', "{$path}/boxes", ['caption' => 'One'])[1]['id'];
        $this->ask('DELETE', "{$path}/boxes/{$first}");

        self::assertNotSame($first, $this->ask('POST', "{$path}/boxes", ['caption' => 'Two'])[1]['id']);
    }

    public function test_lists_come_in_pages_that_miss_and_repeat_nothing(): void
    {
        $path = $this->account();
        for ($i = 0; $i < 120; $i++) {
            $this->ask('POST', "{$path}/boxes", ['caption' => "Box {$i}"]);
        }
        $captions = [];
        $after = null;
        $pages = 0;
        do {
            $page = $this->ask('GET', "{$path}/boxes", query: $after === null ? [] : ['after' => (string) $after])[1];
            array_push($captions, ...array_column($page['rows'], 'caption'));
            $after = $page['next'];
            $pages++;
        } while ($after !== null);

        self::assertSame(3, $pages);
        self::assertSame(array_map(static fn (int $i): string => "Box {$i}", range(0, 119)), $captions);
    }

    public function test_every_edit_is_logged_with_who_when_and_what_was(): void
    {
        $path = $this->account();
        $this->ask('PATCH', $path, ['title' => 'Inlet Care'], ['acting-for' => 'admin by hand']);

        $edit = $this->ask('GET', "{$path}/edits")[1]['rows'][0];

        self::assertSame(
            ['title', '"Inlet"', '"Inlet Care"', 'admin by hand', 1_796_148_300],
            [$edit['field'], $edit['was'], $edit['is_now'], $edit['who'], $edit['stamp']],
        );
    }

    public function test_traffic_leaves_a_ticket_a_call_and_who_took_one_is_talking_until_it_is_over(): void
    {
        [$path, $person, $box] = $this->reception();
        $call = ['dial' => '19025550150', 'from' => '19025550199', 'moods' => ['person' => [$person => 'picks_up']]];

        $played = $this->ask('POST', "{$path}/traffic", ['calls' => [
            ['stamp' => 1_796_148_300, 'talk' => 60] + $call,
            ['stamp' => 1_796_148_330, 'talk' => 60, 'moods' => []] + $call,
            ['stamp' => 1_796_148_360, 'talk' => 5] + $call,
        ]]);
        $tickets = $this->ask('GET', "{$path}/tickets")[1]['rows'];

        self::assertSame([200, ['played' => 3, 'ended' => ['taken' => 2, 'boxed' => 1]]], $played);
        self::assertSame(
            [['taken', ['person' => $person], 0, 60], ['boxed', ['box' => $box], 0, 0], [
                'taken', ['person' => $person], 0, 5,
            ]],
            array_map(
                static fn (array $ticket): array => [
                    $ticket['ended'], $ticket['place'], $ticket['waited'], $ticket['talked'],
                ],
                $tickets,
            ),
        );
        self::assertSame(
            ['stamp' => 1_796_148_330, 'from' => '19025550199', 'dialled' => '19025550150', 'rang' => []],
            array_slice($tickets[1], 1, 4),
        );
    }

    public function test_traffic_with_one_unusable_call_is_not_played_at_all(): void
    {
        [$path] = $this->reception();

        $refused = $this->ask('POST', "{$path}/traffic", ['calls' => [
            ['dial' => '19025550150', 'stamp' => 1_796_148_300],
            ['dial' => '999', 'stamp' => 1_796_148_300],
        ]]);

        self::assertSame([422, 'calls.1.dial'], $this->refusal($refused));
        self::assertSame([], $this->ask('GET', "{$path}/tickets")[1]['rows']);
    }

    public function test_asking_what_becomes_of_a_call_leaves_nothing_behind(): void
    {
        [$path, $person, $box] = $this->reception();

        $answer = $this->ask('POST', "{$path}/trials", ['dial' => '201', 'stamp' => 1_796_148_300])[1];

        self::assertSame(['boxed', ['box' => $box], 20], [$answer['ended'], $answer['place'], $answer['after']]);
        self::assertContains(['t' => 0, 'place' => ['person' => $person], 'what' => 'rings'], $answer['journal']);
        self::assertSame([], $this->ask('GET', "{$path}/tickets")[1]['rows']);
        self::assertSame([422, 'moods.person'], $this->refusal($this->ask(
            'POST',
            "{$path}/trials",
            ['dial' => '201', 'stamp' => 0, 'moods' => ['person' => [$person => 'asleep']]],
        )));
        self::assertSame([422, 'keys'], $this->refusal($this->ask(
            'POST',
            "{$path}/trials",
            ['dial' => '201', 'stamp' => 0, 'keys' => [['key' => '1'], ['key' => '2', 't' => 4]]],
        )));
    }

    public function test_a_front_that_is_itself_the_front_leads_nowhere(): void
    {
        [$path] = $this->reception();
        $this->ask('PATCH', $path, ['front' => ['act' => 'operator']]);
        $line = $this->ask('POST', "{$path}/lines", [
            'digits' => '19025550151',
            'lands_on' => ['act' => 'operator'],
        ])[1]['id'];

        $answer = $this->ask('POST', "{$path}/trials", ['dial' => '19025550151', 'stamp' => 1_796_148_300])[1];

        self::assertSame(['nowhere', ['line' => $line]], [$answer['ended'], $answer['place']]);
    }

    public function test_the_bench_says_what_becomes_of_a_call(): void
    {
        [$path] = $this->reception();

        $page = $this->switch->handle(new Request('GET', '/bench', [], [
            'account' => basename($path), 'dial' => '19025550150', 'from' => '<b>', 'at' => '2026-12-01T10:00-04:00',
        ]));
        self::assertSame(422, $page->status);
        $page = $this->switch->handle(new Request('GET', '/bench', [], [
            'account' => basename($path), 'dial' => '19025550150', 'from' => '', 'at' => '2026-12-01T10:00-04:00',
            'keys' => '',
        ]));

        self::assertSame(200, $page->status);
        self::assertStringContainsString('boxed', $page->body);
    }

    public function test_a_code_is_taken_and_never_told(): void
    {
        [$path, , $box] = $this->reception();
        $told = $this->ask('PATCH', "{$path}/boxes/{$box}", ['lock_code' => '740913'])[1];

        self::assertSame(['set', 2], [$told['lock_code'], $told['lock']]);
        self::assertSame(1, $this->ask('PATCH', "{$path}/boxes/{$box}", ['lock_code' => '1111'])[1]['lock']);
        self::assertSame([422, 'lock_code'], $this->refusal(
            $this->ask('PATCH', "{$path}/boxes/{$box}", ['lock_code' => 'secret']),
        ));
        self::assertStringNotContainsString(
            '740913',
            json_encode($this->ask('GET', "{$path}/edits"), JSON_THROW_ON_ERROR),
        );
    }

    public function test_what_it_holds_survives_its_process(): void
    {
        $file = tempnam(sys_get_temp_dir(), 'switch');
        self::assertIsString($file);
        (new PracticeSwitch($file, 'token'))->handle(new Request(
            'POST',
            '/v1/accounts',
            ['authorization' => 'Bearer token'],
            [],
            '{"handle": "inlet", "title": "Inlet"}',
        ));

        $body = (
            new PracticeSwitch($file, 'token')
        )->handle(new Request('GET', '/v1/accounts', ['authorization' => 'Bearer token']))->body;

        self::assertStringContainsString('"handle":"inlet"', $body);
        array_map(unlink(...), (array) glob("{$file}*"));
    }

    /** @return array{string, string, string} an account's path, and its one person with a desk phone and a box */
    private function reception(): array
    {
        $path = $this->account();
        $box = $this->ask('POST', "{$path}/boxes", ['caption' => 'Reception'])[1]['id'];
        $person = $this->ask('POST', "{$path}/persons", [
            'given' => 'Ines', 'short' => '201', 'box' => $box, 'second_call' => 0,
            'ringers' => [['slot' => 'desk', 'sort' => 'set', 'rings' => 4]],
        ])[1]['id'];
        $this->ask('POST', "{$path}/lines", ['digits' => '19025550150', 'lands_on' => ['person' => $person]]);

        return [$path, $person, $box];
    }

    private function account(): string
    {
        return '/v1/accounts/' . $this->ask('POST', '/v1/accounts', ['handle' => 'inlet', 'title' => 'Inlet'])[1]['id'];
    }

    /**
     * @param  array{int, array<string, mixed>}  $answer
     * @return array{int, mixed}
     */
    private function refusal(array $answer): array
    {
        return [$answer[0], $answer[1]['where'] ?? null];
    }

    /**
     * @param  ?array<string, mixed>  $body
     * @param  array<string, string>  $headers
     * @param  array<string, string>  $query
     * @return array{int, array<string, mixed>}
     */
    private function ask(
        string $method,
        string $path,
        ?array $body = null,
        array $headers = [],
        array $query = [],
    ): array {
        $response = $this->switch->handle(new Request(
            $method,
            $path,
            $headers + ['authorization' => 'Bearer token'],
            $query,
            $body === null ? '' : json_encode($body, JSON_THROW_ON_ERROR),
        ));
        $answer = json_decode($response->body, true);
        self::assertIsArray($answer, $response->body);

        return [$response->status, $answer];
    }
}
