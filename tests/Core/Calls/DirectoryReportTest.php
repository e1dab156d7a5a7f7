<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\AllCalls\DirectoryReport;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\NameDirectory;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Whoever is said to be reached by name is reached by a call with those keys, and by none with fewer. */
final class DirectoryReportTest extends TestCase
{
    private const NUMBER = '+19025550100';

    private const FIRST = ['Ana', 'Ána', 'Ben', 'Bo', 'Cem', '', 'Ann'];

    private const LAST = ['Reyes', 'Reed', 'Suter', 'Marsh', 'March', '', '李'];

    public function test_the_keys_reach_whom_they_are_said_to(): void
    {
        $seen = ['alone' => 0, 'chosen' => 0, 'left' => 0, 'alike' => 0];
        for ($seed = 0; $seed < 60; $seed++) {
            $book = self::book(new Randomizer(new Mt19937($seed)));
            $menu = $book->find(Reference::parse('menu:day'));
            self::assertInstanceOf(Menu::class, $menu);
            $report = DirectoryReport::of(CallBook::open($book), $menu);
            foreach ($report->reached as ['user' => $user, 'keys' => $keys, 'place' => $place]) {
                self::assertSame(
                    $user,
                    self::reached($book, [...str_split($keys), '#', ...($place === null ? [] : [(string) $place])]),
                    "{$seed}: {$keys}",
                );
                if ($place === null && strlen($keys) > 1) {
                    self::assertNotSame(
                        $user,
                        self::reached($book, [...str_split(substr($keys, 0, -1)), '#']),
                        "{$seed}: fewer than {$keys}",
                    );
                }
                $seen[$place === null ? 'alone' : 'chosen']++;
            }
            self::assertSame(
                count($book->all(User::class)),
                count($report->reached) + count($report->left),
                'everybody is told of once',
            );
            $seen['left'] += count($report->left);
            $seen['alike'] += count($report->alike);
        }
        self::assertGreaterThan(20, min($seen));
    }

    public function test_more_than_one_key_can_choose_among_are_not_reached(): void
    {
        $users = array_map(
            static fn (int $i): array => [
                'key' => "u{$i}", 'extension' => (string) (200 + $i), 'name' => ['first' => 'Ana', 'last' => 'Reyes'],
                'legs' => [['item' => 'desk']],
            ],
            range(0, NameDirectory::LONGEST_LIST + 1),
        );
        $report = DirectoryReport::of(CallBook::open(self::of($users, ['scope' => 'all'])), self::menu(
            self::of($users, ['scope' => 'all']),
        ));

        self::assertCount(NameDirectory::LONGEST_LIST, $report->reached);
        self::assertSame(['user:u9', 'user:u10'], array_column($report->left, 'user'));
        self::assertStringContainsString('spelt alike', $report->left[0]['why']);
    }

    /** @param list<string> $keys */
    private static function reached(Book $book, array $keys): ?string
    {
        $script = Script::read(
            [
                'to' => self::NUMBER, 'at' => '2026-12-01T10:00',
                'keys' => array_map(static fn (string $key): array => ['key' => $key], ['9', ...$keys]),
                'world' => array_fill_keys(
                    array_map(static fn (User $user): string => "user:{$user->key}", $book->all(User::class)),
                    'answers',
                ),
            ],
            $book,
        );
        $trace = Trace::of($book, $script);

        return $trace->outcome === Outcome::Answered ? $trace->target : null;
    }

    private static function book(Randomizer $dice): Book
    {
        $any = static fn (array $of): mixed => $of[$dice->getInt(0, count($of) - 1)];
        $users = [];
        for ($i = 0, $count = $dice->getInt(2, 9); $i < $count; $i++) {
            $users[] = [
                'key' => "u{$i}", 'extension' => (string) (200 + $i),
                'name' => ['first' => $any(self::FIRST), 'last' => $any(self::LAST)],
                'site' => $any(['site:quay', 'site:mill']), 'legs' => [['item' => 'desk']],
                'directory' => ['listed' => $dice->getInt(0, 6) !== 0],
            ];
        }

        return self::of($users, [
            'scope' => $any(['all', 'all', 'site', 'groups']), 'groups' => ['group:desk'],
            'by' => $any(['first', 'last', 'either']), 'match' => $any(['partial', 'whole']),
        ]);
    }

    /**
     * @param  list<array<string, mixed>>  $users
     * @param  array<string, mixed>  $dialByName
     */
    private static function of(array $users, array $dialByName): Book
    {
        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => 1, 'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'sites' => [['key' => 'quay'], ['key' => 'mill']],
            'numbers' => [['key' => self::NUMBER, 'destination' => 'menu:day']],
            'menus' => [[
                'key' => 'day', 'site' => 'site:quay', 'keys' => ['9' => ['to' => 'directory']],
                'dialByName' => $dialByName,
            ]],
            'users' => $users,
            'groups' => [[
                'key' => 'desk',
                'members' => [['item' => 'u0', 'who' => 'user:u0'], ['item' => 'u1', 'who' => 'user:u1']],
            ]],
        ]);
    }

    private static function menu(Book $book): Menu
    {
        $menu = $book->find(Reference::parse('menu:day'));

        return $menu instanceof Menu ? $menu : throw new \LogicException('there is a menu');
    }
}
