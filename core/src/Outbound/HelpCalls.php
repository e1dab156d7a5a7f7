<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Leg;
use Jaunty\Core\Book\LegKind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;
use Jaunty\Core\Numbering\EmergencyNumbers;

/**
 * Every call for help that somebody at the customer's can make, by the dial plan: from each device, by each number that
 * calls for help where the caller is. Where the book does not say in which country that is, by what its emergency
 * routes let through.
 */
final class HelpCalls
{
    private readonly DialPlan $plan;

    private readonly CallerIds $callerIds;

    /**
     * @var array<string, array<array-key, Dialled>> by what decides of it, then digits: most people's calls go alike
     */
    private array $dialled = [];

    /** @var array<string, true> senders that a route names */
    private array $named = [];

    private function __construct(private readonly Book $book, private readonly int $at)
    {
        $this->plan = new DialPlan($book);
        $this->callerIds = new CallerIds($book);
        foreach ($book->all(Route::class) as $route) {
            foreach ($route->blocked as $blocked) {
                $this->named[(string) $blocked] = true;
            }
        }
    }

    /**
     * @param  int  $at  seconds since 1970
     * @return list<HelpCall> in the order of the book's users; one for each number that is shown of a user's calls
     */
    public static function of(Book $book, int $at): array
    {
        $self = new self($book, $at);
        $calls = [];
        foreach ($book->all(User::class) as $user) {
            if ($user->status === UserStatus::Active && self::hasDevice($user)) {
                array_push($calls, ...$self->from($user));
            }
        }

        return $calls;
    }

    /** Who can call by the switch: what only forwards to a mobile cannot. */
    public static function hasDevice(User $user): bool
    {
        return array_filter($user->legs, static fn (Leg $leg): bool => $leg->legKind !== LegKind::Outside) !== [];
    }

    /** @return list<HelpCall> */
    private function from(User $user): array
    {
        $site = $user->site === null ? null : $this->book->find($user->site);
        $site = $site instanceof Site ? $site : null;
        $calls = [];
        $all = $this->dialledBy($user, $site);
        foreach ($all as $digits => $dialled) {
            if ($dialled->route !== null && $dialled->trunk !== null) {
                $shown = $dialled->end === DialEnd::Emergency
                    ? $this->callerIds->ofEmergency($user, $dialled->trunk)
                    : $this->callerIds->of($user, null, $dialled->route, $dialled->trunk, Origin::Dialled);
                $calls[$shown->shown] ??= new HelpCall(
                    $user,
                    $site,
                    (string) $digits,
                    true,
                    $shown->shown,
                    $shown->whose,
                );
            }
        }

        return $calls === []
            ? [new HelpCall($user, $site, (string) array_key_first($all), false, '', '')]
            : array_values($calls);
    }

    /** @return array<array-key, Dialled> by the digits dialled */
    private function dialledBy(User $user, ?Site $site): array
    {
        $country = $site->address['country'] ?? $this->book->tenant->region ?? '';
        $own = Reference::of($user);
        $key = "{$country} {$user->callingClass->value} " . (isset($this->named[(string) $own]) ? (string) $own : '');
        if (! isset($this->dialled[$key])) {
            $this->dialled[$key] = [];
            $known = $country === '' ? [] : EmergencyNumbers::of($country);
            foreach ($known === [] ? $this->letThrough() : $known as $digits) {
                $this->dialled[$key][$digits] = $this->plan->route(Sender::of($this->book, $own), $digits, $this->at);
            }
        }

        return $this->dialled[$key];
    }

    /** @return list<string> the shortest digits that each emergency route takes */
    private function letThrough(): array
    {
        $digits = array_map(
            static fn (Route $route): ?string => RouteOrder::digitsOf($route)->shortest(),
            RouteOrder::emergency($this->book),
        );

        return array_values(array_unique(array_filter($digits, static fn (?string $each): bool => $each !== null)));
    }
}
