<?php

declare(strict_types=1);

namespace Tests\Core\Numbering;

use Jaunty\Core\Numbering\Dialling;
use Jaunty\Core\Numbering\DigitAutomaton;
use Jaunty\Core\Numbering\DigitMap;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What the automaton says of digit maps is held against trying all digits there are, up to some length. */
final class DigitAutomatonTest extends TestCase
{
    private const SYMBOLS = ['0', '1', '2', '#'];

    private const LONGEST = 5;

    #[DataProvider('seeds')]
    public function test_it_lets_through_what_the_map_lets_through(int $seed): void
    {
        [$map] = self::maps($seed);
        $automaton = self::automaton($map);
        foreach (self::everything() as $digits) {
            self::assertSame(self::slowly($map, $digits), $automaton->fits($digits), "{$map}: {$digits}");
            self::assertSame(
                $automaton->fits($digits),
                DigitMap::parse($map, 'map')->matches($digits),
                "the map itself, {$map}: {$digits}",
            );
        }
    }

    #[DataProvider('seeds')]
    public function test_what_two_maps_share_and_do_not_share_is_shown_by_the_shortest_digits(int $seed): void
    {
        [$map, $other] = self::maps($seed);
        $one = self::automaton($map);
        $two = self::automaton($other);
        $common = array_values(array_filter(
            self::everything(),
            static fn (string $digits): bool => self::slowly($map, $digits) && self::slowly($other, $digits),
        ));
        $beyond = array_values(array_filter(
            self::everything(),
            static fn (string $digits): bool => self::slowly($map, $digits) && ! self::slowly($other, $digits),
        ));

        self::assertShortest(
            $common,
            $one->common($two),
            "{$map} and {$other}",
            static fn (string $digits): bool => $one->fits($digits) && $two->fits($digits),
        );
        self::assertSame($one->common($two), $two->common($one));
        self::assertShortest(
            $beyond,
            $one->beyond($two),
            "{$map} without {$other}",
            static fn (string $digits): bool => $one->fits($digits) && ! $two->fits($digits),
        );
        self::assertNull(
            $one->beyond(DigitAutomaton::of(DigitMap::parse($map, 'map'), DigitMap::parse($other, 'map'))),
            'the union takes both',
        );
    }

    #[DataProvider('seeds')]
    public function test_lengths_are_those_of_what_fits(int $seed): void
    {
        [$map] = self::maps($seed);
        [$least, $most] = self::automaton($map)->lengths();
        $lengths = array_map(strlen(...), array_values(
            array_filter(self::everything(), static fn (string $digits): bool => self::slowly($map, $digits)),
        ));

        self::assertSame(str_contains($map, '.'), $most === null, $map);
        if ($lengths !== []) {
            self::assertSame(min($lengths), $least, $map);
            self::assertTrue($most === null || $most === max($lengths), $map);
        }
    }

    #[DataProvider('seeds')]
    public function test_dialled_one_after_another_the_first_match_in_full_wins(int $seed): void
    {
        [$map] = self::maps($seed);
        $automaton = self::automaton($map);
        $cut = [];
        foreach (self::everything() as $digits) {
            $matched = null;
            for ($length = 1; $length <= strlen($digits) && $matched === null; $length++) {
                $matched = preg_match(self::expression($map, false), substr($digits, 0, $length)) === 1
                    ? $length
                    : null;
            }
            $couldGoOn = array_filter(
                self::everything(),
                static fn (string $longer): bool => strlen($longer) > strlen($digits)
                    && str_starts_with($longer, $digits)
                    && self::slowly($map, $longer),
            ) !== [];
            $dialled = $automaton->dial($digits);
            self::assertSame(
                $dialled,
                DigitMap::parse($map, 'map')->dial($digits),
                "{$map}: {$digits}, read without an automaton",
            );
            if ($digits !== '' && $matched !== null) {
                self::assertSame(Dialling::Match, $dialled, "{$map}: {$digits}");
                if ($matched < strlen($digits) && self::slowly($map, $digits)) {
                    $cut[] = $digits;
                }
            } elseif ($couldGoOn) {
                self::assertSame(Dialling::Partial, $dialled, "{$map}: {$digits}");
            }
        }
        self::assertShortest(
            $cut,
            $automaton->cutShort(),
            "{$map} cut short",
            static fn (string $digits): bool => $automaton->fits($digits),
        );
    }

    public function test_states_that_nothing_tells_apart_are_one(): void
    {
        self::assertSame(
            self::automaton('1[2-9]xxxxxxxxx')->size(),
            self::automaton('(12xxxxxxxxx|1[3-5]xxxxxxxxx|1[6-9]xxxxxxxxx)')->size(),
        );
        self::assertSame(self::automaton('x.')->size(), self::automaton('(x.|1x.|[2-4]xx.)')->size());
    }

    public function test_a_timer_is_waited_for_and_is_no_digit(): void
    {
        $map = self::automaton('(0T|00T|9011x.T)');

        self::assertSame([Dialling::Partial, Dialling::Match, Dialling::Partial, Dialling::Mismatch], [
            $map->dial('0'), $map->dial('0T'), $map->dial('00'), $map->dial('01'),
        ]);
        self::assertSame(['0', [1, null], null], [$map->shortest(), $map->lengths(), $map->cutShort()]);
        self::assertSame('0110', self::automaton('(xxxx|x11)')->cutShort(), 'after x11 nothing is waited for');
    }

    /** @return iterable<int, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 0; $seed < 60; $seed++) {
            yield $seed => [$seed];
        }
    }

    /** @return array{string, string} two maps over few symbols */
    private static function maps(int $seed): array
    {
        $dice = new Randomizer(new Mt19937($seed));
        $one = static function () use ($dice): string {
            $alternatives = [];
            for ($i = $dice->getInt(1, 3); $i > 0; $i--) {
                $elements = '';
                for ($n = $dice->getInt(1, 4); $n > 0; $n--) {
                    $elements .= ['0', '1', '2', '#', 'x', '[0-1]', '[2#]', '[02]'][$dice->getInt(0, 7)]
                        . ($dice->getInt(0, 6) === 0 ? '.' : '');
                }
                $alternatives[] = $elements . ($dice->getInt(0, 4) === 0 ? 'T' : '');
            }

            return '(' . implode('|', $alternatives) . ')';
        };

        return [$one(), $one()];
    }

    /** @return list<string> all digits up to a length, shortest first */
    private static function everything(): array
    {
        static $all = null;
        if ($all === null) {
            $all = [''];
            for ($from = 0, $length = 0; $length < self::LONGEST; $length++) {
                $end = count($all);
                for ($i = $from; $i < $end; $i++) {
                    foreach (self::SYMBOLS as $symbol) {
                        $all[] = $all[$i] . $symbol;
                    }
                }
                $from = $end;
            }
        }

        /** @var list<string> $all */
        return $all;
    }

    /** By PHP's own regular expressions: the same language, read by another program. */
    private static function slowly(string $map, string $digits): bool
    {
        return preg_match(self::expression($map, true), $digits) === 1;
    }

    private static function expression(string $map, bool $timerHasRunOut): string
    {
        $body = preg_replace(['/\.(?!\))/', '/\.(?=\))/'], '*', trim($map, '()'));
        $body = strtr((string) $body, ['x' => '[0-9]', 'T' => $timerHasRunOut ? '' : '(?!)']);

        return "/^(?:{$body})$/D";
    }

    private static function automaton(string $map): DigitAutomaton
    {
        return DigitAutomaton::of(DigitMap::parse($map, 'map'));
    }

    /**
     * @param  list<string>  $found  all there are up to the length that was tried
     * @param  callable(string): bool  $isOne
     */
    private static function assertShortest(array $found, ?string $shortest, string $what, callable $isOne): void
    {
        if ($found === []) {
            self::assertTrue($shortest === null || strlen($shortest) > self::LONGEST, "{$what}: {$shortest}");

            return;
        }
        self::assertNotNull($shortest, $what);
        self::assertSame(strlen($found[0]), strlen($shortest), $what);
        self::assertTrue($isOne($shortest), "{$what}: {$shortest}");
    }
}
