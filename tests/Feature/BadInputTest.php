<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Feature\Support\Contract;

/** Whatever is sent, the answer is one that the person can read: no input is a fault of ours. */
final class BadInputTest extends FeatureTestCase
{
    private const A_RUN = 2_000;

    private const A_DEEP_RUN = 20_000;

    private const WORDS = [
        '', ' ', 'x', 'xx', '0', '-1', '+1', '1e999', 'null', 'true', '902 555 0177', '+19025550177', 'outside:+1902',
        'user:nobody', 'user:ines-marsh', 'mailbox:', ':', 'menu:x.y', '2026-02-30', '2099-12-31', '2026-12-01',
        '25:00', '24:00', 'UTC',
        'America/Halifax', '<img src=x onerror=alert(1)>', "'; drop table tenants; --", "a\u{202E}b", '🛟',
        "line\nbreak", '../../etc/passwd', '%00', '{{7*7}}', 'x.1xxxxxxxxxxxxxx', '(1|2', '[9-1]', 'now',
        'main wed 02:00', 'press 1', 'group:desk closed',
    ];

    public function test_no_generated_input_is_a_fault_of_ours(): void
    {
        $customer = $this->takeOn();
        $dice = new Randomizer(new Mt19937(16));
        $operations = array_values(array_filter(
            Contract::load()->operations(),
            static fn (string $operation): bool => ! str_starts_with($operation, 'delete /session')
                && ! str_starts_with($operation, 'delete /people/{'),
        ));
        $runs = getenv('DEEP') === 'yes' ? self::A_DEEP_RUN : self::A_RUN;
        $answers = [];
        for ($run = 0; $run < $runs; $run++) {
            [$method, $path] = explode(' ', $operations[$dice->getInt(0, count($operations) - 1)]);
            if ($run % 50 === 0) {
                // Another address and another hour: what is throttled is not tried.
                $this->app->make('cache')->flush();
                $this->actingAs($this->lead);
            }
            $address = '/api' . preg_replace_callback(
                '/\{(\w+)\}/',
                fn (array $found): string => $this->part($found[1], $customer['key'], $dice),
                $path,
            );
            if ($dice->getInt(1, 6) === 1) {
                $address .= '?' . http_build_query([
                    'at' => $this->word($dice), 'in' => $this->word($dice), 'object' => $this->word($dice),
                    'days' => $this->word($dice),
                ]);
            }
            $body = $method === 'get' ? null : $this->body($dice, $path);
            $answer = \Illuminate\Foundation\Testing\TestCase::call(
                strtoupper($method),
                $address,
                server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
                content: $body,
            );
            $status = $answer->baseResponse->getStatusCode();
            $answers[$status] = ($answers[$status] ?? 0) + 1;
            self::assertLessThan(
                500,
                $status === 502 ? 0 : $status,
                "{$method} {$address}\n{$body}\n" . substr((string) $answer->baseResponse->getContent(), 0, 800),
            );
        }
        self::assertGreaterThan($runs / 10, $answers[422] ?? 0, json_encode($answers, JSON_THROW_ON_ERROR));
        self::assertLessThan($runs / 10, $answers[429] ?? 0, 'what is throttled is not tried');
    }

    #[DataProvider('minimal')]
    public function test_what_was_once_a_fault_of_ours_is_told_to_whoever_sent_it(
        string $method,
        string $path,
        string $body,
        int $status,
    ): void {
        $customer = $this->takeOn();
        $address = str_replace('{customer}', "customers/{$customer['key']}", "/api/{$path}");
        $answer = \Illuminate\Foundation\Testing\TestCase::call(
            $method,
            $address,
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            content: $body,
        );

        self::assertSame($status, $answer->baseResponse->getStatusCode(), (string) $answer->baseResponse->getContent());
        self::assertSame('application/problem+json', $answer->headers->get('Content-Type'));
    }

    /** @return iterable<string, array{string, string, string, int}> */
    public static function minimal(): iterable
    {
        yield 'a day without end' => [
            'POST', 'people/grants',
            '{"signIn": "a@b.example", "everyCustomer": true, "ability": "read", "until": 1e20}', 422,
        ];
        yield 'a port on a day without end' => ['POST', '{customer}/ports', '{"day": 1e20}', 422];
        yield 'a day with NUL' => ['POST', '{customer}/ports', '{"day": "a\u0000b"}', 422];
        yield 'a threshold without end' => ['PUT', 'thresholds/mostChoices', '{"value": 1e999}', 422];
        yield 'a threshold that is yes' => ['PUT', 'thresholds/mostChoices', '{"value": true}', 422];
        yield 'a threshold with a plus' => ['PUT', '{customer}/thresholds/mostChoices', '{"value": "+1"}', 422];
        yield 'a token for ever and more' => [
            'POST', 'api-tokens', '{"name": "x", "scope": "read", "days": 1e999}', 422,
        ];
        yield 'a revision that is yes' => ['POST', '{customer}/signed', '{"revision": true, "by": "x"}', 422];
        yield 'signed by NUL' => ['POST', '{customer}/signed', '{"revision": 1, "by": "\u0000"}', 422];
        yield 'answers with NUL' => [
            'PUT', 'taking-on/answers/6f2a1f4e-0a43-4be0-9c3b-3f5a2d3c1b00',
            '{"template": "one-line-office", "answers": {"name": "a\u0000b"}}', 422,
        ];
        yield 'a moment that is no text' => ['GET', '{customer}/outbound?at=%ff', '', 422];
        yield 'an object that is no text' => ['GET', '{customer}/revisions?object=%ff', '', 422];
        yield 'a revision beyond any' => ['POST', '{customer}/revisions/2147483648/undo', '{}', 404];
        yield 'a recording beyond any' => ['GET', '{customer}/prompts/x/recordings/2147483648/audio', '', 404];
        yield 'a run beyond any' => ['GET', '{customer}/proof/999999999999999999999/map', '', 404];
        yield 'no JSON' => ['POST', '{customer}/draft/edits', '{"edits": [', 400];
    }

    /** The heaviest of what was found: one object passes for another, and takes its place. */
    public function test_an_object_does_not_take_the_place_of_another_by_its_id(): void
    {
        $customer = $this->takeOn();
        $path = "/api/customers/{$customer['key']}";
        $this->actingAs($this->lead)->postJson("{$path}/draft/edits", [
            'edits' => [['op' => 'create', 'object' => 'mailbox:first', 'value' => ['name' => 'First']]],
        ])->assertOk();
        $this->enter($customer['key'])->assertCreated();
        $book = json_decode((string) $this->getJson("{$path}/book")->assertOk()->baseResponse->getContent(), true);
        $id = array_column($book['mailboxes'], 'id', 'key')['first'];

        $this->postJson("{$path}/draft/edits", [
            'edits' => [['op' => 'create', 'object' => 'mailbox:dup', 'value' => ['name' => 'Dup', 'id' => $id]]],
        ])->assertStatus(422)->assertJsonPath('errors.0.object', 'mailbox:dup');
        $this->postJson("{$path}/draft/edits", [
            'edits' => [['object' => 'mailbox:first', 'path' => 'id', 'value' => (string) Str::uuid()]],
        ])->assertStatus(422);

        $file = $this->bookFrom('docs/examples/inlet.json');
        $file['mailboxes'][] = ['key' => 'one', 'id' => '018f3f5e-0000-7000-8000-00000000000a'];
        $file['lines'][] = ['key' => 'two', 'id' => '018f3f5e-0000-7000-8000-00000000000a'];
        $this->postJson('/api/taking-on/book', $file)->assertStatus(422);
        $this->getJson("{$path}/margin")->assertOk();
    }

    private function part(string $name, string $customer, Randomizer $dice): string
    {
        $known = match ($name) {
            'customer' => $customer,
            'threshold' => 'mostChoices',
            'kind' => 'group',
            'fingerprint' => str_repeat('0', 32),
            'no', 'run', 'waiver' => (string) $dice->getInt(0, 3),
            'key', 'schedule', 'calendar', 'prompt' => 'ines-marsh',
            default => (string) Str::uuid(),
        };

        return $dice->getInt(1, 8) === 1 && $name !== 'customer'
            ? rawurlencode($this->word($dice) . $dice->getInt(0, 99))
            : $known;
    }

    private function body(Randomizer $dice, string $path): string
    {
        if ($dice->getInt(1, 25) === 1) {
            return ['{', '[]', '"x"', '1', 'null', '{"a":', "\xff", '[[[[[[[[[[]]]]]]]]]]'][$dice->getInt(0, 7)];
        }
        $value = match (true) {
            str_ends_with($path, 'draft/edits') => ['edits' => [[
                'op' => ['set', 'create', 'delete', 'move', 'x'][$dice->getInt(0, 4)],
                'object' => [
                    'user:ines-marsh', 'mailbox:ines-marsh', 'tenant:x', 'number:+1902', 'group:new', 'menu:new',
                    'route:new', 'schedule:new',
                ][$dice->getInt(0, 7)],
                'path' => [
                    '', 'name', 'mailbox', 'legs', 'keys/1/to', 'digits', 'handling/open/busy', 'weekly', 'id', 'key',
                    'x/y/z',
                ][$dice->getInt(0, 10)],
                'value' => $this->value($dice),
            ]]],
            str_ends_with($path, 'calls') => [
                'sentence' => $this->word($dice) . ' ' . $this->word($dice),
                'in' => $this->value($dice),
            ],
            default => [],
        };
        $fields = [
            'signIn', 'customer', 'everyCustomer', 'ability', 'until', 'purpose', 'code', 'password', 'newPassword',
            'name', 'value', 'days', 'scope', 'revision', 'by', 'reason', 'object', 'path', 'fingerprint',
            'fingerprints', 'enter', 'note', 'only', 'template', 'answers', 'said', 'text', 'typed', 'sentence', 'in',
            'who', 'digits', 'at', 'numbers', 'day', 'reference', 'street', 'postcode', 'losingCarrier', 'account',
            'format', 'of', 'assignee', 'due', 'wanted', 'people', 'lines', 'rows', 'ids', 'slot', 'zone', 'key', 'end',
            'edits', 'tenant', 'users', 'groups',
        ];
        for ($field = $dice->getInt(0, 9); $field > 0; $field--) {
            $value += [$fields[$dice->getInt(0, count($fields) - 1)] => $this->value($dice)];
        }

        return strtr(
            json_encode($value, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE),
            ['"@inf"' => '1e999', '"@big"' => '1e20', '"@nul"' => '"a\u0000b"'],
        );
    }

    private function value(Randomizer $dice, int $depth = 0): mixed
    {
        return match ($dice->getInt(0, $depth > 3 ? 9 : 12)) {
            0 => null,
            1 => true,
            2 => $dice->getInt(-5, 100),
            3 => $dice->getInt(PHP_INT_MIN, PHP_INT_MAX),
            4 => 1.5,
            5 => '@inf',
            6 => '@big',
            7 => '@nul',
            8 => str_repeat($this->word($dice), $dice->getInt(1, 300)),
            9, 10 => $this->word($dice),
            11 => array_map(fn (): mixed => $this->value($dice, $depth + 1), range(0, $dice->getInt(0, 3))),
            default => [
                $this->word($dice) => $this->value($dice, $depth + 1),
                'item' => $this->value($dice, $depth + 1),
                'to' => $this->value($dice, $depth + 1),
            ],
        };
    }

    private function word(Randomizer $dice): string
    {
        return self::WORDS[$dice->getInt(0, count(self::WORDS) - 1)];
    }
}
