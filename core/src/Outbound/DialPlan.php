<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Book\ExtensionPlan;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\RoutePin;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\Trunk;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Hours\HoursState;
use Jaunty\Core\Numbering\Dialling;
use Jaunty\Core\Numbering\DigitAutomaton;
use Jaunty\Core\Numbering\EmergencyNumbers;

/**
 * What digits come to (design 03 section 9): emergency first, then extensions, then the routes in order; of each route
 * why it takes them or not. A call for help passes every gate: class, PIN, hours and blocked senders hold nobody up,
 * and it pre-empts a channel.
 */
final class DialPlan
{
    private const TEST_DIGITS = 3;

    private readonly ExtensionPlan $extensions;

    /** @var list<Route> as they are asked: those for emergency calls first, then by position */
    private readonly array $routes;

    private readonly CallerIds $callerIds;

    public function __construct(private readonly Book $book)
    {
        $this->extensions = ExtensionPlan::of($book);
        $this->routes = [...RouteOrder::emergency($book), ...RouteOrder::of($book)];
        $this->callerIds = new CallerIds($book);
    }

    /**
     * @param  string  $digits  as dialled; of a call that is led on, the E.164 digits without a plus
     * @param  int  $at  seconds since 1970
     * @param  list<string>  $full  references of trunks without a free channel
     * @param  ?Group  $for  the group whose number a member chose to show
     */
    public function route(
        Sender $sender,
        string $digits,
        int $at,
        Origin $origin = Origin::Dialled,
        array $full = [],
        ?Group $for = null,
    ): Dialled {
        $calls = CallBook::at($this->book, $at);
        $user = $sender->user;
        $country = $this->countryOf($user);
        $inside = $origin === Origin::Dialled ? $this->extensions->reached($digits) : null;
        $helped = $origin === Origin::Dialled ? $this->emergencyNumber($digits, $country) : null;
        $code = $origin === Origin::Dialled && $inside === null
            ? DialledCode::of($this->book, $this->extensions, $user, $digits)
            : null;

        $said = [];
        $taken = null;
        $trunk = null;
        foreach ($this->routes as $route) {
            [$verdict, $why] = match (true) {
                $route->emergency
                    && $origin !== Origin::Dialled => [Verdict::OtherDigits, 'for calls that somebody dials'],
                default => $this->digits($route, $digits, $origin),
            };
            if ($verdict === Verdict::Takes && $taken !== null) {
                [$verdict, $why] = [Verdict::TooLate, "{$taken->name} takes it before"];
            } elseif ($verdict === Verdict::Takes && ! $route->emergency && $inside !== null) {
                [$verdict, $why] = [Verdict::TooLate, "it is the extension of {$inside->label()}"];
            } elseif ($verdict === Verdict::Takes && ! $route->emergency && $code !== null) {
                [$verdict, $why] = [Verdict::TooLate, 'it begins with a code'];
            } elseif ($verdict === Verdict::Takes) {
                [$verdict, $why] = $route->emergency
                    ? [Verdict::Takes, $why]
                    : $this->gates($route, $sender, $calls, $origin) ?? [Verdict::Takes, $why];
                $trunk = $verdict === Verdict::Takes ? $this->trunk($route, $origin, $full) : null;
                if ($verdict === Verdict::Takes && $trunk === null) {
                    [$verdict, $why] = [Verdict::NoTrunk, $this->whyNoTrunk($route, $origin, $full)];
                }
                $taken = $verdict === Verdict::Takes ? $route : null;
            }
            $said[] = new RouteSaid($route, $verdict, $why);
        }
        if ($taken !== null && $trunk !== null) {
            return $this->out($taken, $trunk, $said, $user, $for, $digits, $origin, $helped, $country);
        }
        if ($inside !== null) {
            return new Dialled(
                DialEnd::Inside,
                $said,
                "it is the extension of {$inside->label()}",
                $this->waiting($digits),
                inside: $inside,
            );
        }

        return $code !== null
            ? new Dialled($code->end, $said, $code->reason, [])
            : $this->nowhere($said, $digits, $origin, $helped);
    }

    /**
     * @return list<DigitAutomaton> of every route that takes something out for a sender, were all trunks free: what it
     *     lets through of what is dialled
     */
    public function letOut(Sender $sender, int $at): array
    {
        $calls = CallBook::at($this->book, $at);
        $open = array_filter(
            $this->routes,
            fn (Route $route): bool => (
                $route->emergency || $this->gates($route, $sender, $calls, Origin::Dialled) === null
            )
                && $this->trunk($route, Origin::Dialled, []) !== null,
        );

        return array_values(
            array_map(static fn (Route $route): DigitAutomaton => RouteOrder::digitsOf($route)->asDialled(), $open),
        );
    }

    /** @return array{Verdict, string} */
    private function digits(Route $route, string $digits, Origin $origin): array
    {
        $map = RouteOrder::mapOf($route);
        if ($map->matches($digits)) {
            $beginning = $origin === Origin::Dialled ? self::collected($route, $digits) : null;

            return $beginning === null || $beginning === $digits
                ? [Verdict::Takes, 'the digits fit']
                : [Verdict::CutShort, "{$beginning} is complete already, and goes out before the rest is dialled"];
        }
        if ($origin === Origin::Dialled) {
            $beginning = self::collected($route, $digits);
            if ($beginning !== null) {
                return [Verdict::CutShort, "{$beginning} is complete already, and the rest is not heard"];
            }
            if ($map->dial($digits) === Dialling::Partial) {
                return [Verdict::TooFew, 'more digits could make it fit'];
            }
        }

        return [Verdict::OtherDigits, 'other digits'];
    }

    /** @return ?string the beginning that fits and is collected at once, while more could still have come */
    private static function collected(Route $route, string $digits): ?string
    {
        $map = RouteOrder::mapOf($route);
        for ($length = 1; $length <= strlen($digits); $length++) {
            $beginning = substr($digits, 0, $length);
            $dialling = $map->dial($beginning);
            if ($dialling !== Dialling::Partial) {
                return $dialling === Dialling::Match ? $beginning : null;
            }
        }

        return null;
    }

    /** @return ?array{Verdict, string} what holds a call up that would fit; null for nothing */
    private function gates(Route $route, Sender $sender, CallBook $calls, Origin $origin): ?array
    {
        $hours = $this->hours($route, $calls);

        return match (true) {
            ! $sender->class->covers($route->class) => [
                Verdict::Class_,
                "wants {$route->class->value}, and {$sender->name} may call {$sender->class->value}",
            ],
            in_array($sender->reference, array_map(strval(...), $route->blocked), true) => [
                Verdict::Blocked,
                "{$sender->name} may not use it",
            ],
            $hours !== HoursState::Open => [Verdict::Closed, "its schedule says {$hours->value}"],
            $origin !== Origin::Dialled && $route->pin !== RoutePin::None => [
                Verdict::AsksPin,
                'asks for a PIN, and nobody is there to enter it',
            ],
            default => null,
        };
    }

    private function hours(Route $route, CallBook $calls): HoursState
    {
        $schedule = $route->schedule === null ? null : $this->book->find($route->schedule);

        return $schedule instanceof Schedule
            ? HoursState::of($calls->hours($route->schedule, $this->book->tenant->zone))
            : HoursState::Open;
    }

    /** @param list<string> $full */
    private function trunk(Route $route, Origin $origin, array $full): ?Trunk
    {
        foreach (RouteOrder::trunksOf($route, $this->book) as $trunk) {
            if (self::whyNot($trunk, $route, $origin, $full) === null) {
                return $trunk;
            }
        }

        return null;
    }

    /** @param list<string> $full */
    private function whyNoTrunk(Route $route, Origin $origin, array $full): string
    {
        $trunks = RouteOrder::trunksOf($route, $this->book);
        $reasons = array_map(
            static fn (Trunk $trunk): string => "{$trunk->name} " . self::whyNot($trunk, $route, $origin, $full),
            $trunks,
        );

        return $reasons === [] ? 'it has no trunk' : implode('; ', $reasons);
    }

    /**
     * @param  list<string>  $full
     * @return ?string why a trunk does not take the call; null where it does
     */
    private static function whyNot(Trunk $trunk, Route $route, Origin $origin, array $full): ?string
    {
        $isFull = ! $route->emergency && in_array((string) Reference::of($trunk), $full, true);

        return $trunk->refuses($origin->isInside(), $route->emergency) ?? ($isFull ? 'has no channel free' : null);
    }

    /** @param list<RouteSaid> $said */
    private function out(
        Route $route,
        Trunk $trunk,
        array $said,
        ?User $user,
        ?Group $for,
        string $digits,
        Origin $origin,
        ?string $helped,
        ?string $country,
    ): Dialled {
        // A call that is led on carries no prefix that could be stripped: its number goes out as it is.
        $sent = $origin === Origin::Dialled ? $route->prepend . substr($digits, $route->strip) : $digits;
        $numbering = new Numbering($country);
        $number = $numbering->read($sent, $route->class === CallingClass::International || $origin !== Origin::Dialled);
        $remarks = $origin === Origin::Dialled ? $this->waiting($digits) : [];
        if ($route->emergency) {
            // A test number is as short as those it tests; longer short numbers are somebody's advertisements.
            $help = $country === null
                || EmergencyNumbers::is($sent, $country)
                || strlen($sent) === self::TEST_DIGITS && $numbering->isShort($sent);
            if (! $help) {
                $remarks[] = "{$sent} calls nobody for help in {$country}";
            }

            return new Dialled(
                DialEnd::Emergency,
                $said,
                "{$route->name} takes it before all others",
                $remarks,
                route: $route,
                trunk: $trunk,
                sent: $sent,
                callerId: $this->callerIds->ofEmergency($user, $trunk),
            );
        }
        if ($helped !== null) {
            $remarks[] = "{$helped} goes out as any other call: no emergency route takes it";
        }
        if ($sent === '') {
            $remarks[] = 'nothing is left to dial';
        } elseif ($number === null && ! $numbering->isShort($sent) && $country !== null) {
            $remarks[] = "{$sent} is no number that anybody has" . ($sent === $digits ? '' : ', as it is sent');
        }
        if ($route->pin !== RoutePin::None) {
            $remarks[] = 'a PIN is asked for first';
        }

        return new Dialled(
            DialEnd::Outside,
            $said,
            "{$route->name} takes it, by {$trunk->name}",
            $remarks,
            route: $route,
            trunk: $trunk,
            sent: $sent,
            number: $number,
            callerId: $this->callerIds->of($user, $for, $route, $trunk, $origin),
        );
    }

    /** @param list<RouteSaid> $said */
    private function nowhere(array $said, string $digits, Origin $origin, ?string $helped): Dialled
    {
        $waiting = $origin === Origin::Dialled ? $this->waiting($digits) : [];
        $more = array_filter($said, static fn (RouteSaid $each): bool => $each->verdict === Verdict::TooFew);
        $held = array_values(array_filter($said, static fn (RouteSaid $each): bool => ! in_array(
            $each->verdict,
            [Verdict::OtherDigits, Verdict::TooFew, Verdict::CutShort],
            true,
        )));
        $remarks = $helped === null ? [] : ["nobody is called for help by {$helped}"];

        return match (true) {
            $held !== [] => new Dialled(
                DialEnd::Nowhere,
                $said,
                "{$held[0]->route->name}: {$held[0]->why}",
                [...$remarks, ...$waiting],
            ),
            $more !== [] || $waiting !== [] => new Dialled(
                DialEnd::Waits,
                $said,
                $more !== [] ? 'more digits could make it fit' : $waiting[0],
                $remarks,
            ),
            default => new Dialled(
                DialEnd::Nowhere,
                $said,
                $said === [] ? 'there is no route' : 'no route has such digits',
                $remarks,
            ),
        };
    }

    /** @return list<string> why the switch waits, or does not, although these digits are something */
    private function waiting(string $digits): array
    {
        $longer = array_values(array_filter(
            $this->extensions->begunBy($digits),
            static fn (string $extension): bool => $extension !== $digits,
        ));
        $shorter = null;
        for ($length = 1; $length < strlen($digits) && $shorter === null; $length++) {
            $shorter = $this->extensions->reached(substr($digits, 0, $length));
        }

        return [
            ...($longer === [] ? [] : ["extension {$longer[0]} begins so"]),
            ...($shorter === null ? [] : [
                "it begins with {$shorter->extension()}, the extension of {$shorter->label()}",
            ]),
        ];
    }

    private function emergencyNumber(string $digits, ?string $country): ?string
    {
        $prefix = $this->book->tenant->outsidePrefix;
        foreach (
            [
                $digits,
                $prefix !== null && $prefix !== '' && str_starts_with($digits, $prefix)
                    ? substr($digits, strlen($prefix))
                    : '',
            ] as $number
        ) {
            if ($country !== null && $number !== '' && EmergencyNumbers::is($number, $country)) {
                return $number;
            }
        }

        return null;
    }

    private function countryOf(?User $user): ?string
    {
        $site = $user?->site === null ? null : $this->book->find($user->site);

        return ($site instanceof Site ? $site->address['country'] ?? null : null) ?? $this->book->tenant->region;
    }
}
