<?php

declare(strict_types=1);

namespace App\Drift;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\TwoBooks\Contrast;
use Jaunty\Core\Calls\TwoBooks\Difference;
use Jaunty\Core\Calls\TwoBooks\TellingCall;
use Jaunty\Core\Calls\Year\OutcomeMap;
use Jaunty\Core\Hours\Occasions;
use Jaunty\Core\Hours\ZoneClock;
use Jaunty\Core\Outbound\DialContrast;
use Jaunty\Core\Outbound\DialDifference;
use Jaunty\Core\Sentences\CallSentence;

/**
 * What callers notice of the difference between two books over the coming year, each with the shortest call that shows
 * it.
 */
final class ImpactReport
{
    /** A reader wants the first few; the rest is counted. */
    private const MOST = 40;

    /**
     * @param  int  $now  seconds since 1970; the year begins with the customer's day
     * @return array{isComplete: bool, count: int, contrasts: list<array<string, mixed>>, newlyReached: list<string>,
     *     noLongerReached: list<string>, dialling: list<array<string, mixed>>}
     */
    public static function between(Book $before, Book $after, int $now): array
    {
        $zone = ZoneClock::of($before->tenant->zone);
        // Begun within a day, its hours would not be those of the other days, and words for them would grow long.
        $from = $zone->midnight($zone->day($now));

        return self::of($before, $after, Difference::between($before, $after, $from), $from, $now);
    }

    /**
     * @param  ?Difference  $difference  between the two, null where nothing in them differs
     * @param  int  $from  seconds since 1970; a year from there was compared
     * @param  int  $now  when users dial
     * @return array{isComplete: bool, count: int, contrasts: list<array<string, mixed>>, newlyReached: list<string>,
     *     noLongerReached: list<string>, dialling: list<array<string, mixed>>}
     */
    public static function of(Book $before, Book $after, ?Difference $difference, int $from, int $now): array
    {
        if ($difference === null) {
            return [
                'isComplete' => true, 'count' => 0, 'contrasts' => [], 'newlyReached' => [], 'noLongerReached' => [],
                'dialling' => [],
            ];
        }
        $zone = ZoneClock::of($before->tenant->zone);

        return [
            'isComplete' => $difference->isComplete && DialDifference::isExact($before, $after),
            'count' => count($difference->contrasts),
            'contrasts' => array_map(
                static function (Contrast $contrast) use ($before, $after, $difference, $from, $zone): array {
                    $call = TellingCall::of($before, $after, $difference, $contrast);

                    return [
                        'called' => $contrast->called,
                        'words' => $contrast->words(),
                        'ofDegree' => $contrast->ofDegree !== null,
                        'when' => Occasions::words(
                            $difference->periods->when(...$contrast->classes),
                            $from,
                            $from + OutcomeMap::YEAR_SECONDS,
                            $zone,
                        ),
                        'call' => $call,
                        'sentence' => $call === null ? null : CallSentence::write($call, $before),
                    ];
                },
                array_slice($difference->contrasts, 0, self::MOST),
            ),
            'newlyReached' => $difference->newlyReached,
            'noLongerReached' => $difference->noLongerReached,
            'dialling' => array_slice(
                array_map(self::dialling(...), DialDifference::between($before, $after, $now)),
                0,
                self::MOST,
            ),
        ];
    }

    /**
     * @return array{digits: string, who: list<string>, before: string, after: string} what some users get who dial the
     *     same
     */
    private static function dialling(DialContrast $contrast): array
    {
        return [
            'digits' => $contrast->digits,
            'who' => array_map(static fn (User $user): string => (string) Reference::of($user), $contrast->users),
            'before' => DialDifference::words($contrast->before), 'after' => DialDifference::words($contrast->after),
        ];
    }
}
