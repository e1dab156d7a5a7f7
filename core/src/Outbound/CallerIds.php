<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\CallbackUse;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\Trunk;
use Jaunty\Core\Book\User;

/**
 * Which number a call shows: of the group it is made for, the user's (one of theirs elsewhere before one that is here),
 * their site's, the customer's main one, the trunk's; the first there is. Whoever withholds it shows none. An emergency
 * call goes by the site's rule, is never withheld and shows no number that is elsewhere; a call led on keeps the
 * caller's where the trunk lets it.
 */
final readonly class CallerIds
{
    /** Numbers that calls can come back to. */
    private const IN_USE = [NumberStatus::Active, NumberStatus::Temporary, NumberStatus::PortingOut];

    public function __construct(private Book $book)
    {
    }

    /** @param ?Group $for whose number the sender chose to show, being a member */
    public function of(?User $user, ?Group $for, Route $route, Trunk $trunk, Origin $origin): CallerId
    {
        if ($origin === Origin::LedFromOutside && $trunk->keepsForwardedCallerId) {
            return new CallerId('', 'the caller\'s own, which the trunk lets through');
        }
        if ($route->extensionAsCallerId && $user?->extension !== null) {
            return new CallerId($user->extension, 'the extension, as the route asks');
        }

        if ($for === null && $user?->withholds === true) {
            return new CallerId('', "nothing: {$user->label()} withholds it");
        }

        return ($for === null ? null : $this->shown($this->numberOf($for), "{$for->name}'s"))
            ?? ($user?->showsOutside === null
                ? null
                : new CallerId($user->showsOutside, "{$user->label()}'s number elsewhere"))
            ?? ($user === null ? null : $this->setFor($user))
            ?? ($user === null ? null : $this->shown($this->numberAt($user->site), 'the site\'s'))
            ?? $this->shown($this->usable($this->book->tenant->mainNumber), 'the main number')
            ?? $this->shown($this->usable($trunk->callerId), 'the trunk\'s')
            ?? new CallerId('', 'nothing: there is no number to show');
    }

    /** By which whoever answers calls back. */
    public function ofEmergency(?User $user, Trunk $trunk): CallerId
    {
        $site = $user?->site === null ? null : $this->book->find($user->site);
        $site = $site instanceof Site ? $site : $this->book->all(Site::class)[0] ?? null;
        $own = $user === null ? null : $this->setFor($user);
        $callback = $site === null
            ? null
            : $this->shown($this->usable($site->emergency->callback), "the callback number of {$site->name}");
        $site = $site?->emergency->callbackUse === CallbackUse::Always ? $callback ?? $own : $own ?? $callback;

        return $site
            ?? $this->shown($this->usable($this->book->tenant->mainNumber), 'the main number')
            ?? $this->shown($this->usable($trunk->callerId), 'the trunk\'s')
            ?? new CallerId('', 'nothing: help could not call back');
    }

    /** A number is somebody's own where it leads to them; most people show one that the whole house is called by. */
    private function setFor(User $user): ?CallerId
    {
        $number = $this->usable($user->callerId);
        if ($number === null) {
            return null;
        }
        $own = (string) $number->destination === (string) Reference::of($user);
        $isMain = (string) Reference::of($number) === (string) $this->book->tenant->mainNumber;
        $which = $isMain ? 'the main number, ' : ($number->label === $number->key ? '' : "{$number->label}, ");

        return new CallerId($number->key, $own ? "{$user->label()}'s own" : "{$which}as set for {$user->label()}");
    }

    private function shown(?Number $number, string $whose): ?CallerId
    {
        return $number === null ? null : new CallerId($number->key, $whose);
    }

    private function usable(?Reference $reference): ?Number
    {
        $number = $reference === null ? null : $this->book->find($reference);

        return $number instanceof Number && $number->enabled && in_array($number->status, self::IN_USE, true)
            ? $number
            : null;
    }

    private function numberOf(Group $group): ?Number
    {
        $own = (string) Reference::of($group);

        return array_values(array_filter(
            $this->book->all(Number::class),
            fn (Number $number): bool => (string) $number->destination === $own
                && $this->usable(Reference::of($number)) !== null,
        ))[0] ?? null;
    }

    /** The site's first, its emergency callback apart. */
    private function numberAt(?Reference $site): ?Number
    {
        $place = $site === null ? null : $this->book->find($site);
        if (! $place instanceof Site) {
            return null;
        }

        return array_values(array_filter(
            $this->book->all(Number::class),
            fn (Number $number): bool => (string) $number->site === (string) $site
                && (string) Reference::of($number) !== (string) $place->emergency->callback
                && $this->usable(Reference::of($number)) !== null,
        ))[0] ?? null;
    }
}
