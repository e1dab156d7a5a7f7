<?php

declare(strict_types=1);

namespace Tests\CommandLine;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Calls\CaseFiles;

/** `bin/roster` as a program: its documentation, its formats, its exit codes, and what it does with hostile input. */
final class CommandLineTest extends TestCase
{
    private const ROOT = __DIR__ . '/../..';

    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir() . '/roster-' . bin2hex(random_bytes(5));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), (array) glob("{$this->folder}/*"));
        rmdir($this->folder);
    }

    #[DataProvider('examples')]
    public function test_the_examples_of_the_manual_say_what_the_program_says(string $command, string $expected): void
    {
        [$code, $said] = $this->program($command);

        self::assertSame($expected, $said . ($code === 0 ? '' : "[exit {$code}]\n"));
    }

    /** @return iterable<string, array{string, string}> */
    public static function examples(): iterable
    {
        preg_match_all(
            '/```console\n\$ (bin\/roster [^\n]+)\n(.*?)```/s',
            (string) file_get_contents(self::ROOT . '/docs/command-line.md'),
            $found,
            PREG_SET_ORDER,
        );
        foreach ($found as [, $command, $said]) {
            yield $command => [$command, $said];
        }
    }

    public function test_an_audit_fails_from_the_weight_asked_for_and_knows_its_rules(): void
    {
        $audit = 'bin/roster audit docs/examples/inlet.json --at 2026-12-01';
        self::assertSame([1, 1, 0, 0], [
            $this->program($audit)[0], $this->program("{$audit} --rule users --fail-on error")[0],
            $this->program("{$audit} --rule mailboxes --fail-on=error")[0], $this->program("{$audit} --rule chains")[0],
        ]);
        foreach (
            [
                '--rule users.unheard-of', '--fail-on grave', '--at tomorrow', '--format=xml',
                '--fix /nowhere/at/all.json', '--threshold longestWaitSeconds=1', '--threshold patience=9',
            ] as $wrong
        ) {
            [$code, $said] = $this->program("bin/roster audit docs/examples/inlet.json {$wrong}");
            self::assertSame(2, $code, $said);
        }
    }

    /**
     * Required by SARIF 2.1.0: version (3.13.2), tool and driver name (3.19.8), level (3.27.10), ruleIndex into rules
     * (3.27.6).
     */
    public function test_an_audit_is_written_for_other_programs(): void
    {
        $audit = 'bin/roster audit docs/examples/inlet.json tests/data/bench-book.json --at 2026-12-01';
        $found = array_column(
            json_decode($this->program("{$audit} --format=json")[1], true, 32, JSON_THROW_ON_ERROR),
            'findings',
            'book',
        );
        $sarif = json_decode($this->program("{$audit} --format=sarif")[1], true, 32, JSON_THROW_ON_ERROR);
        $run = $sarif['runs'][0];
        self::assertSame(
            ['2.1.0', 'Jaunty Roster', count($found['docs/examples/inlet.json']) + count(
                $found['tests/data/bench-book.json'],
            )],
            [$sarif['version'], $run['tool']['driver']['name'], count($run['results'])],
        );
        foreach ($run['results'] as $result) {
            self::assertSame($result['ruleId'], $run['tool']['driver']['rules'][$result['ruleIndex']]['id']);
            self::assertContains($result['level'], ['none', 'note', 'warning', 'error']);
            self::assertNotSame('', $result['message']['text']);
        }

        $xml = simplexml_load_string($this->program("{$audit} --format=junit --fail-on=error")[1]);
        self::assertNotFalse($xml);
        foreach ($xml->testsuite as $suite) {
            $heavy = array_unique(array_column(
                array_filter(
                    $found[(string) $suite['name']],
                    static fn (array $finding): bool => in_array($finding['severity'], ['blocker', 'error'], true),
                ),
                'rule',
            ));
            self::assertSame(
                [(string) $suite['tests'], (string) $suite['failures']],
                [(string) count($suite->testcase), (string) count($heavy)],
            );
            self::assertCount(count($heavy), $suite->xpath('testcase/failure') ?: []);
        }
    }

    public function test_every_command_stands_in_the_manual(): void
    {
        preg_match_all('/^  bin\/roster (\w+)/m', $this->program('bin/roster help')[1], $found);

        self::assertNotEmpty($found[1]);
        foreach ($found[1] as $command) {
            self::assertStringContainsString("## {$command}:", (string) file_get_contents(
                self::ROOT . '/docs/command-line.md',
            ));
        }
    }

    public function test_a_schedule_goes_out_as_a_calendar_and_comes_back_and_what_is_left_out_is_said(): void
    {
        $file = "{$this->folder}/office.ics";
        [$code, $calendar] = $this->program(
            'bin/roster convert docs/examples/inlet.json --schedule office --from 2026-12-01',
        );
        file_put_contents($file, $calendar);

        self::assertSame([0, $this->program('bin/roster convert docs/examples/inlet.json')], [$code, $this->program(
            "bin/roster convert docs/examples/inlet.json --schedule office --calendar {$file}",
        )]);

        file_put_contents($file, str_replace(
            'END:VCALENDAR',
            "BEGIN:VEVENT\r\nSUMMARY:Backwards\r\nDTSTART;VALUE=DATE:20261225\r\n"
                . "DTEND;VALUE=DATE:20261224\r\nEND:VEVENT\r\nEND:VCALENDAR",
            $calendar,
        ));
        [$code, $said] = $this->program(
            "bin/roster convert docs/examples/inlet.json --schedule office --calendar {$file}",
        );
        self::assertSame(1, $code);
        self::assertStringContainsString("roster: {$file}: \"Backwards\" ends before it begins\n", $said);
    }

    public function test_a_script_gives_the_trace_of_the_worked_case(): void
    {
        [$book, $script, $trace] = CaseFiles::all()->current();
        file_put_contents("{$this->folder}/book.json", $book);
        file_put_contents("{$this->folder}/script.json", $script);

        [, $said] = $this->program(
            "bin/roster call {$this->folder}/book.json --script {$this->folder}/script.json --format=json",
        );

        $given = json_decode($said, true);
        self::assertIsArray($given);
        self::assertSame(
            [$trace['outcome'], $trace['target'], $trace['seconds']],
            [$given['outcome'], $given['target'], $given['seconds']],
        );
        self::assertSame(['at', 'object', 'what', 'reason'], array_keys($given['steps'][0]));
    }

    public function test_converting_twice_changes_nothing(): void
    {
        file_put_contents(
            "{$this->folder}/once.json",
            $this->program('bin/roster convert docs/examples/inlet.json')[1],
        );
        file_put_contents(
            "{$this->folder}/twice.json",
            $this->program("bin/roster convert {$this->folder}/once.json")[1],
        );

        self::assertFileEquals("{$this->folder}/once.json", "{$this->folder}/twice.json");
        self::assertSame([0, "the same\n"], $this->program(
            "bin/roster diff docs/examples/inlet.json {$this->folder}/twice.json",
        ));
    }

    public function test_a_book_can_be_piped_in(): void
    {
        [$code, $said] = $this->program('cat docs/examples/inlet.json | bin/roster check -');

        self::assertSame(0, $code);
        self::assertStringContainsString('Inlet Property Care', $said);
    }

    /** @param \Closure(string): void $write */
    #[DataProvider('hostileFiles')]
    public function test_hostile_input_is_refused_with_its_place_in_bounded_time_and_memory(
        \Closure $write,
        string $complaint,
    ): void {
        $file = "{$this->folder}/hostile.json";
        $write($file);
        $began = microtime(true);

        [$code, $said] = $this->program("bin/roster check {$file}");

        self::assertSame(2, $code, $said);
        self::assertStringContainsString($complaint, $said);
        self::assertStringStartsWith("roster: {$file}: ", $said);
        self::assertLessThan(600, strlen($said));
        self::assertLessThan(30, microtime(true) - $began);
    }

    /** @return iterable<string, array{\Closure(string): void, string}> */
    public static function hostileFiles(): iterable
    {
        $book = static fn (array $more): \Closure => static function (string $file) use ($more): void {
            file_put_contents($file, json_encode(
                ['format' => 'jaunty-roster/tenant-book', 'version' => 1, 'tenant' => [
                    'key' => 'x',
                    'zone' => 'America/Halifax',
                ]]
                    + $more,
                JSON_THROW_ON_ERROR,
            ));
        };
        $text = static fn (string $text): \Closure => static function (string $file) use ($text): void {
            file_put_contents($file, $text);
        };
        yield 'nothing' => [$text(''), 'is not JSON'];
        yield 'no JSON' => [$text("\x7fELF\x02\x01"), 'is not JSON'];
        yield 'half of it' => [
            $text('{"format": "jaunty-roster/tenant-book", "version": 1, "tenant": {'),
            'is not JSON',
        ];
        yield 'another kind of JSON' => [$text('[1, 2, 3]'), 'expected an object, found array'];
        yield 'very deep' => [$text(str_repeat('[', 100_000)), 'is not JSON'];
        yield 'a million objects' => [static function (string $file): void {
            file_put_contents(
                $file,
                '{"format":"jaunty-roster/tenant-book","version":1,"tenant":{"key":"x","zone":"America/Halifax"},'
                    . '"mailboxes":['
                    . implode(',', array_map(static fn (int $i): string => "{\"key\":\"m{$i}\"}", range(1, 1_000_000)))
                    . ']}',
            );
        }, 'mailboxes: 1000000 is not between 0 and 30000'];
        yield 'a huge number' => [
            $text('{"format": "jaunty-roster/tenant-book", "version": 1e400, '
                . '"tenant": {"key": "x", "zone": "America/Halifax"}}'),
            'version: expected a whole number',
        ];
        yield 'digits without end' => [
            $book(['users' => [['key' => 'u', 'extension' => str_repeat('9', 9_000)]]]),
            'users[0].extension',
        ];
        yield 'text without end' => [
            $book(['users' => [['key' => 'u', 'display' => str_repeat('é', 900_000)]]]),
            'users[0].display',
        ];
        yield 'letters that ring' => [
            $book(['users' => [['key' => 'u', 'display' => "a\x07\x1b[31m"]]]),
            'users[0].display: "a\u0007\u001b[31m" is not text',
        ];
        yield 'a path for a key' => [$book(['users' => [['key' => '../../etc/passwd']]]), 'users[0].key'];
        yield 'a broken recurrence' => [
            $book(['schedules' => [['key' => 's', 'periods' => [
                ['item' => 'p', 'from' => '2026-01-01', 'rrule' => 'FREQ=YEARLY;BYDAY=99XX'],
            ]]]]),
            'schedules[0].periods[0].rrule: "99XX" is not a day of BYDAY',
        ];
        yield 'a recurrence of seconds' => [
            $book(['schedules' => [
                ['key' => 's', 'periods' => [['item' => 'p', 'from' => '2026-01-01', 'rrule' => 'FREQ=SECONDLY']]],
            ]]),
            'schedules[0].periods[0].rrule: "SECONDLY" is not one of',
        ];
        yield 'a digit map without end' => [
            $book(['routes' => [['key' => 'r', 'digits' => str_repeat('x.', 5_000)]]]),
            'routes[0].digits',
        ];
        yield 'a digit map of nothing' => [
            $book(['routes' => [['key' => 'r', 'digits' => '(|)']]]),
            'routes[0].digits',
        ];
        yield 'a reference to nothing' => [
            $book(['numbers' => [['key' => '+19025550150', 'destination' => 'menu:nowhere']]]),
            'number:+19025550150.destination: "menu:nowhere" is not in the book',
        ];
    }

    public function test_a_map_that_multiplies_ends_in_time(): void
    {
        $digits = str_repeat('x.', 400);
        file_put_contents("{$this->folder}/book.json", json_encode([
            'format' => 'jaunty-roster/tenant-book', 'version' => 1,
            'tenant' => ['key' => 'x', 'zone' => 'America/Halifax'],
            'numbers' => [[
                'key' => '+19025550150',
                'callerRules' => [['item' => 'r', 'callers' => "({$digits}#)", 'then' => 'release']],
                'destination' => 'busy',
            ]],
        ], JSON_THROW_ON_ERROR));
        $began = microtime(true);

        [$code, $said] = $this->program(
            "bin/roster call {$this->folder}/book.json --to +19025550150 --from +190255501999999 --at 2026-12-01T10:00",
        );

        self::assertSame(0, $code, $said);
        self::assertStringContainsString('hears busy', $said);
        self::assertLessThan(10, microtime(true) - $began);
    }

    public function test_a_number_is_called_as_people_write_it(): void
    {
        $call = fn (string $to): array => $this->program(
            "bin/roster call docs/examples/inlet.json --to '{$to}' --at 2026-12-01T14:05 --keys 1",
        );

        self::assertSame(0, $call('+19025550150')[0]);
        foreach (['902 555 0150', '(902) 555-0150', '1 902 555 0150', '001 902 555 0150'] as $written) {
            self::assertSame($call('+19025550150'), $call($written), $written);
        }
    }

    /** Whatever is asked of it: the number and its place are named. */
    public function test_a_book_with_a_number_that_nobody_can_have_is_unusable_by_its_path(): void
    {
        $book = (array) json_decode(
            (string) file_get_contents(self::ROOT . '/docs/examples/inlet.json'),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        $book['users'][0]['handling']['open']['noAnswer'] = 'outside:+9025550177';
        file_put_contents("{$this->folder}/bad.json", json_encode($book, JSON_THROW_ON_ERROR));
        foreach (['check', 'audit', 'map'] as $command) {
            [$code, $said] = $this->program("bin/roster {$command} {$this->folder}/bad.json");

            self::assertSame(
                [2, true],
                [
                    $code,
                    str_contains(
                        $said,
                        'users[0].handling.open.noAnswer: "+9025550177" has too few or too many digits',
                    ),
                ],
                $said,
            );
        }
    }

    #[DataProvider('misuses')]
    public function test_what_cannot_be_understood_is_said_with_exit_code_two(
        string $arguments,
        string $complaint,
    ): void {
        [$code, $said] = $this->program("bin/roster {$arguments}");

        self::assertSame(2, $code);
        self::assertStringContainsString($complaint, $said);
    }

    /** @return iterable<array{string, string}> */
    public static function misuses(): iterable
    {
        yield ['dance', 'there is no command dance'];
        yield ['check', 'wants a book'];
        yield ['check no-such-file.json', 'no-such-file.json: cannot be read'];
        yield ['check docs', 'docs: cannot be read'];
        yield ['check docs/examples/inlet.json --colour red', 'there is no option --colour here'];
        yield ['check docs/examples/inlet.json --format=xml', '--format is text or json, not xml'];
        yield ['call docs/examples/inlet.json --at 2026-12-01T10:00', 'wants --to'];
        yield ['call docs/examples/inlet.json --to 999 --at 2026-12-01T10:00', 'to: nobody has extension 999'];
        yield ['call docs/examples/inlet.json --to 201 --at yesterday', 'at: "yesterday" is no instant'];
        yield ['call docs/examples/inlet.json --to 201 --at 2026-02-30T10:00', 'at: "2026-02-30T10:00" is no instant'];
        yield [
            'call docs/examples/inlet.json --to 201 --at 2026-12-01T10:00 --keys 1,2@3',
            'keys: are all timed or all untimed',
        ];
        yield [
            'call docs/examples/inlet.json --to 201 --at 2026-12-01T10:00 --busy user:nobody',
            'world.user:nobody: is not in the book',
        ];
        yield [
            "call docs/examples/inlet.json --to '902 555 015' --at 2026-12-01T10:00",
            '--to: "902 555 015" has too few or too many digits',
        ];
        yield ["audit ''", 'a file is wanted'];
        yield ['hours docs/examples/inlet.json --schedule night --from 2026-12-01', 'there is no schedule night'];
        yield ['hours docs/examples/inlet.json --schedule office --from 2026-13-01', '--from: "2026-13-01" is no date'];
    }

    /** @return array{int, string} */
    private function program(string $command): array
    {
        $process = proc_open($command . ' 2>&1', [['file', '/dev/null', 'r'], ['pipe', 'w']], $pipes, self::ROOT);
        self::assertNotFalse($process);
        $said = (string) stream_get_contents($pipes[1]);

        return [proc_close($process), $said];
    }
}
