<?php

declare(strict_types=1);

namespace Jaunty\Core\Places\Readiness;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\LegKind;
use Jaunty\Core\Book\Member;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;

/** Whether a site's line carries the calls that its people have at once. */
final readonly class Readiness
{
    /**
     * @param  int  $calls  at once
     * @param  float  $needed  kbit/s each way
     * @param  list<Held>  $figures
     */
    private function __construct(
        public int $calls,
        public CallBandwidth $each,
        public float $needed,
        public array $figures,
    ) {
    }

    /** @param int $ringing people there whom one call rings, as ringingBySite() counts them */
    public static function of(LineMeasured $line, int $ringing, LineLimits $limits): self
    {
        $calls = max($line->calls, $ringing);
        $each = CallBandwidth::of($line->codec, $line->packetMs);
        $needed = $calls * $each->onEthernet();
        $least = $needed * 100 / $limits->share;

        return new self($calls, $each, $needed, [
            new Held('down', $line->down, $least),
            new Held('up', $line->up, $least),
            new Held('roundTrip', $line->roundTrip, $limits->roundTrip),
            new Held('jitter', $line->jitter, $limits->jitter),
            new Held('loss', $line->loss, $limits->loss / 10),
        ]);
    }

    /** @return list<Held> that fail */
    public function failing(): array
    {
        return array_values(array_filter($this->figures, static fn (Held $held): bool => $held->passes() === false));
    }

    /** True or false where it is known: one that fails settles it, and one that nobody measured leaves it open. */
    public function passes(): ?bool
    {
        if ($this->failing() !== []) {
            return false;
        }
        foreach ($this->figures as $held) {
            if ($held->passes() === null) {
                return null;
            }
        }

        return true;
    }

    /**
     * Of each site, most people with a telephone of the house there who are of one group: all may talk at once. One
     * where there are telephones and no such group.
     *
     * @return array<string, int> by the site, as a reference
     */
    public static function ringingBySite(Book $book): array
    {
        $siteOf = $most = [];
        foreach ($book->all(User::class) as $user) {
            foreach ($user->legs as $leg) {
                if ($leg->legKind !== LegKind::Outside && $user->site !== null) {
                    $siteOf[(string) Reference::of($user)] = $at = (string) $user->site;
                    $most[$at] = 1;
                }
            }
        }
        foreach ($book->all(Group::class) as $group) {
            $people = array_unique(array_map(
                static fn (Member $member): string => (string) $member->who->object,
                $group->members,
            ));
            $here = array_intersect_key($siteOf, array_flip($people));
            foreach ($group->enabled ? array_count_values($here) : [] as $at => $count) {
                $most[$at] = max($most[$at], $count);
            }
        }

        return $most;
    }
}
