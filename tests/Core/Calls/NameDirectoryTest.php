<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\AllCalls\Explorer;
use Jaunty\Core\Calls\AllCalls\Graph;
use Jaunty\Core\Calls\AllCalls\TestCalls;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\NameDirectory;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\Law\State;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Hours\HoursState;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class NameDirectoryTest extends TestCase
{
    /**
     * @param  array<string, mixed>  $dialByName
     * @param  list<string>  $listed
     * @param  list<string>  $meant
     */
    #[DataProvider('directories')]
    public function test_whom_a_menu_lists_and_whom_keys_mean(
        array $dialByName,
        array $listed,
        string $keys,
        array $meant,
    ): void {
        $book = self::book($dialByName);
        $menu = $book->find(Reference::parse('menu:day'));
        self::assertInstanceOf(Menu::class, $menu);
        $directory = NameDirectory::of(new CallBook($book, static fn (): string => HoursState::Open->value), $menu);

        self::assertSame($listed, $directory->listed());
        self::assertSame($meant, $directory->meant($keys));
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>, string, list<string>}> */
    public static function directories(): iterable
    {
        // By last name: Anders, Reyes, Suter.
        $all = ['user:bo', 'user:ana', 'user:anan'];
        yield 'off' => [['scope' => 'off'], [], '262', []];
        yield 'a beginning of the first name' => [['scope' => 'all'], $all, '26', ['user:bo', 'user:ana', 'user:anan']];
        yield 'more of it' => [['scope' => 'all'], $all, '2626', ['user:anan']];
        yield 'first and last name with a space between' => [['scope' => 'all'], $all, '26207', ['user:ana']];
        yield 'the whole first name' => [['scope' => 'all', 'match' => 'whole'], $all, '262', ['user:ana']];
        yield 'the last name' => [['scope' => 'all', 'by' => 'last'], $all, '739', ['user:ana']];
        yield 'either' => [['scope' => 'all', 'by' => 'either'], $all, '78', ['user:anan']];
        yield 'of a site' => [['scope' => 'site'], ['user:bo', 'user:ana'], '26', ['user:bo', 'user:ana']];
        yield 'of groups' => [['scope' => 'groups', 'groups' => ['group:desk']], ['user:bo'], '26', ['user:bo']];
        yield 'no key at all' => [['scope' => 'all'], $all, '', []];
    }

    /** @param list<array{string, ?int}> $keys */
    #[DataProvider('calls')]
    public function test_a_caller_spells_a_name(array $keys, Outcome $outcome, string $target, int $seconds): void
    {
        $book = self::book(['scope' => 'all']);
        $trace = Trace::of($book, Script::read(
            [
                'to' => '+19025550100', 'at' => '2026-12-01T10:00',
                'keys' => array_map(static fn (array $key): array => ['key' => $key[0], 'at' => $key[1]], $keys),
                'world' => ['user:ana' => 'answers', 'user:anan' => 'answers', 'user:bo' => 'answers'],
            ],
            $book,
        ));

        self::assertSame([$outcome, $target, $seconds], [$trace->outcome, $trace->target, $trace->seconds]);
    }

    /** @return iterable<string, array{list<array{string, ?int}>, Outcome, string, int}> */
    public static function calls(): iterable
    {
        $timed = static fn (string $keys, int $from): array => array_map(
            static fn (string $key, int $n): array => [$key, $from + $n],
            str_split($keys),
            array_keys(str_split($keys)),
        );
        yield 'one match, ended with #' => [[['9', 0], ...$timed('2626#', 1)], Outcome::Answered, 'user:anan', 5];
        yield 'one match, not ended: the try has to be over' => [
            [['9', 0], ...$timed('2626', 1)], Outcome::Answered, 'user:anan', 10,
        ];
        yield 'a list, and a key that chooses' => [
            [['9', 0], ...$timed('26#', 1), ['3', 6]], Outcome::Answered, 'user:anan', 6,
        ];
        yield 'a key past the list is a try gone' => [
            [['9', 0], ...$timed('26#', 1), ['7', 6], ...$timed('2626#', 7)], Outcome::Answered, 'user:anan', 11,
        ];
        yield 'nobody meant, then a name' => [
            [['9', 0], ...$timed('99#', 1), ...$timed('2626#', 4)], Outcome::Answered, 'user:anan', 8,
        ];
        yield 'untimed' => [
            array_map(static fn (string $key): array => [$key, null], ['9', ...str_split('2626#')]), Outcome::Answered,
            'user:anan', 0,
        ];
        // Three tries of 10 s, then the menu again, whose silence ends the call.
        yield 'silence three times' => [[['9', 0]], Outcome::Released, 'menu:day', 45];
    }

    public function test_everybody_listed_is_reached_by_a_test_call_and_comes_back_untaken_as_from_the_menu(): void
    {
        $book = self::book(['scope' => 'all']);
        $number = State::number('+19025550100');
        $explored = Explorer::explore(new Graph($book, 0), [$number]);
        foreach (['user:ana', 'user:anan', 'user:bo'] as $user) {
            $script = (new TestCalls($book, $explored))->shortest($number, "answered {$user}", '+19025550100', 0);
            self::assertNotNull($script, $user);
            self::assertContains('9', array_column((array) $script['keys'], 'key'));
        }
    }

    public function test_without_a_menu_a_directory_lists_all_and_transfers_for_good(): void
    {
        $book = self::book(['scope' => 'off'], [
            'numbers' => [['key' => '+19025550100', 'destination' => 'directory']],
        ]);
        $trace = Trace::of($book, Script::read(
            ['to' => '+19025550100', 'at' => '2026-12-01T10:00', 'keys' => array_map(
                static fn (string $key): array => ['key' => $key],
                str_split('2626#'),
            )],
            $book,
        ));

        self::assertSame([Outcome::DeadEnd, 'user:anan', 20], [$trace->outcome, $trace->target, $trace->seconds]);
    }

    /**
     * @param  array<string, mixed>  $dialByName
     * @param  array<string, mixed>  $fields
     */
    private static function book(array $dialByName, array $fields = []): Book
    {
        $user = static fn (string $key, string $first, string $last, string $site, bool $listed = true): array => [
            'key' => $key, 'name' => ['first' => $first, 'last' => $last], 'site' => "site:{$site}",
            'legs' => [['item' => 'desk']], 'directory' => ['listed' => $listed],
        ];

        return BookFormat::fromValue($fields + [
            'format' => BookFormat::FORMAT, 'version' => 1, 'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'sites' => [['key' => 'quay'], ['key' => 'mill']],
            'numbers' => [['key' => '+19025550100', 'destination' => 'menu:day']],
            'menus' => [[
                'key' => 'day', 'site' => 'site:quay', 'plays' => 1, 'wait' => 15, 'silence' => 'release',
                'keys' => ['9' => ['to' => 'directory']], 'dialByName' => $dialByName,
            ]],
            'users' => [
                $user('ana', 'Ána', 'Reyes', 'quay'), $user('anan', 'Anan', 'Suter', 'mill'),
                $user('bo', 'Bo', 'Anders', 'quay'), $user('gone', 'Andy', 'Away', 'quay', false),
            ],
            'groups' => [['key' => 'desk', 'members' => [['item' => 'bo', 'who' => 'user:bo']]]],
        ]);
    }
}
