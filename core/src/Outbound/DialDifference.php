<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\Trunk;
use Jaunty\Core\Book\User;
use Jaunty\Core\Numbering\DigitAutomaton;
use Jaunty\Core\Numbering\TooIntricate;

/**
 * What users can dial in one book and not in another, and what goes out otherwise. Exact where digits go out or do not:
 * for each kind of user the digits that their routes let out are compared as a whole, and the shortest are named; of
 * how they go out, the samples and the shortest digits of every route are compared.
 */
final readonly class DialDifference
{
    /** @return list<DialContrast> by kind of user, then by digits */
    public static function between(Book $before, Book $after, int $at): array
    {
        $plans = [new DialPlan($before), new DialPlan($after)];
        if (self::isAlike($before, $after)) {
            return [];
        }
        $tried = self::tried($before, $after);
        $contrasts = [];
        foreach (self::kinds($before, $after) as $users) {
            $senders = [Sender::of($before, Reference::of($users[0])), Sender::of($after, Reference::of($users[0]))];
            $digits = array_values(array_unique([...$tried, ...self::apart($plans, $senders, $at)]));
            foreach ($digits as $dialled) {
                [$was, $is] = array_map(
                    static fn (DialPlan $plan, Sender $sender): Dialled => $plan->route($sender, $dialled, $at),
                    $plans,
                    $senders,
                );
                if (self::words($was) !== self::words($is)) {
                    $contrasts[] = new DialContrast($users, $dialled, $was, $is);
                }
            }
        }

        return $contrasts;
    }

    /** Whether the routes of both books can be looked through whole; where not, some differences may be missing. */
    public static function isExact(Book ...$books): bool
    {
        try {
            foreach ($books as $book) {
                array_map(RouteOrder::digitsOf(...), $book->all(Route::class));
            }
        } catch (TooIntricate) {
            return false;
        }

        return true;
    }

    /** What somebody who dials notices, in words. */
    public static function words(Dialled $dialled): string
    {
        $number = $dialled->number ?? $dialled->sent;
        $shown = $dialled->callerId === null
            ? ''
            : ' and shows ' . ($dialled->callerId->shown === '' ? 'nothing' : $dialled->callerId->shown);

        return match ($dialled->end) {
            DialEnd::Inside => "reaches {$dialled->inside?->label()}",
            DialEnd::Nowhere, DialEnd::Waits => $dialled->end->words(),
            DialEnd::Feature => $dialled->reason,
            default => "{$dialled->end->words()} to {$number} by {$dialled->trunk?->name}{$shown}"
                . ($dialled->asksPin() ? ' after a PIN' : ''),
        };
    }

    /** Whether nothing that outbound calls hang on differs; most edits are about something else. */
    private static function isAlike(Book $one, Book $other): bool
    {
        $facts = static fn (Book $book): array => [
            array_map(static fn (Route $route): array => $route->toArray(), $book->all(Route::class)),
            array_map(static fn (Trunk $trunk): array => $trunk->toArray(), $book->all(Trunk::class)),
            array_map(
                static fn (Number $number): array => array_intersect_key($number->toArray(), [
                    'key' => 1, 'enabled' => 1, 'status' => 1, 'site' => 1, 'destination' => 1,
                ]),
                $book->all(Number::class),
            ),
            array_map(static fn (Site $site): array => $site->toArray(), $book->all(Site::class)),
            array_map(
                static fn (User $user): array => [
                    $user->key, $user->extension, $user->callingClass, (string) $user->callerId, (string) $user->site,
                ],
                $book->all(User::class),
            ),
            array_map(static fn (Schedule $schedule): array => $schedule->toArray(), $book->all(Schedule::class)),
            [$book->tenant->region, $book->tenant->outsidePrefix, (string) $book->tenant->mainNumber],
        ];

        return serialize($facts($one)) === serialize($facts($other));
    }

    /** @return list<string> the samples of both books, and the shortest digits of every route in either */
    private static function tried(Book ...$books): array
    {
        $digits = [];
        foreach ($books as $book) {
            array_push(
                $digits,
                ...array_map(static fn (SampleNumber $sample): string => $sample->digits, SampleNumbers::of($book)),
            );
            foreach ($book->all(Route::class) as $route) {
                $digits[] = self::known(static fn (): ?string => RouteOrder::digitsOf($route)->shortest()) ?? '';
            }
        }

        return array_values(array_unique(array_filter($digits, static fn (string $each): bool => $each !== '')));
    }

    /** @return list<non-empty-list<User>> those of both books for whom everything that counts is the same */
    private static function kinds(Book $before, Book $after): array
    {
        $kinds = [];
        foreach ($after->all(User::class) as $user) {
            $was = $before->find(Reference::of($user));
            if ($was instanceof User) {
                $kinds[implode("\n", [self::kind($was, $before), self::kind($user, $after)])][] = $user;
            }
        }

        return array_values($kinds);
    }

    private static function kind(User $user, Book $book): string
    {
        $blocked = array_filter($book->all(Route::class), static fn (Route $route): bool => in_array(
            (string) Reference::of($user),
            array_map(strval(...), $route->blocked),
            true,
        ));

        return implode(' ', [
            $user->callingClass->value, (string) $user->site, (string) $user->callerId,
            $user->callerId === null ? '' : 'own',
            ...array_map(static fn (Route $route): string => $route->key, $blocked),
        ]);
    }

    /**
     * @param  list<DialPlan>  $plans
     * @param  list<Sender>  $senders
     * @return list<string> the shortest digits that go out in one and not in the other, either way
     */
    private static function apart(array $plans, array $senders, int $at): array
    {
        [$was, $is] = self::known(static fn (): array => array_map(
            static fn (DialPlan $plan, Sender $sender): array => $plan->letOut($sender, $at),
            $plans,
            $senders,
        ))
            ?? [[], []];
        $beyond = static fn (array $ones, array $others): array => array_map(
            static fn (DigitAutomaton $one): ?string => self::known(static fn (): ?string => $one->beyond(...$others)),
            $ones,
        );

        return array_values(array_filter([...$beyond($was, $is), ...$beyond($is, $was)], is_string(...)));
    }

    /**
     * @template T
     *
     * @param  callable(): T  $asked
     * @return ?T null where the digit maps are too intricate to say
     */
    private static function known(callable $asked): mixed
    {
        try {
            return $asked();
        } catch (TooIntricate) {
            return null;
        }
    }
}
