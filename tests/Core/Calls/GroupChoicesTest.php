<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\AllCalls\GroupChoices;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\Choice;
use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\Hunt;
use Jaunty\Core\Calls\Law\Keypad;
use Jaunty\Core\Calls\Law\OfferPlan;
use Jaunty\Core\Calls\Law\Place;
use Jaunty\Core\Calls\Law\RingLegs;
use Jaunty\Core\Calls\Law\State;
use Jaunty\Core\Calls\Law\WayOut;
use Jaunty\Core\Calls\OneCall\GroupCalls;
use Jaunty\Core\Calls\OneCall\World;
use Jaunty\Core\Hours\HoursState;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/**
 * The law of design 03 section 5, tried in every world there is: what offers give is among the choices, and every
 * choice and second of a bound is given by some world.
 */
final class GroupChoicesTest extends TestCase
{
    private const SCRIPTED = ['rings', 'answers', 'busy', 'onACall', 'unreachable', 'doNotDisturb', 'signedOut'];

    private const SCRIPTED_OUTSIDE = ['rings', 'answers', 'mailbox', 'off', 'busy'];

    /** @param array<string, mixed> $fields of the group */
    #[DataProvider('layouts')]
    public function test_choices_and_their_seconds_are_exactly_what_worlds_give(array $fields, ?int $placeSeconds): void
    {
        $book = self::book($fields);
        $group = self::group($book);
        $ring = $book->tenant->secondsPerRing;
        $plan = $placeSeconds === null ? OfferPlan::own($group, $ring) : OfferPlan::place($group, $ring, $placeSeconds);
        $found = [];
        foreach (self::orders($group) as $order) {
            foreach (EveryWorld::of($group) as $world) {
                if ($world->hasSomebody($group)) {
                    [$kind, $who, $second] = (new Hunt($plan, $world, false, $order))->run();
                    $found[trim("{$kind->value} {$who}")][$second] = true;
                }
            }
        }
        $given = array_map(
            static fn (array $seconds): array => [min(array_keys($seconds)), max(array_keys($seconds))],
            $found,
        );
        $choices = self::choices($book);
        $offered = [];
        foreach (
            $placeSeconds === null
            ? $choices->own($group, false)
            : $choices->place($group, false, $placeSeconds) as $choice
        ) {
            if (in_array(
                $choice->event->kind,
                [EventKind::Answered, EventKind::OutsideMailbox, EventKind::Unanswered],
                true,
            )) {
                $offered[trim(
                    "{$choice->event->kind->value} {$choice->event->detail}",
                )] = [$choice->least, $choice->most];
            }
        }
        ksort($given);
        ksort($offered);

        self::assertSame($given, $offered);
    }

    /** @return iterable<string, array{array<string, mixed>, ?int}> */
    public static function layouts(): iterable
    {
        foreach (['sequential', 'roundRobin', 'longestIdle', 'weighted', 'simultaneous'] as $order) {
            foreach (['1', '11', '112', '1o', 'x1', '122', '1o2', '11111'] as $members) {
                foreach (['unavailable', 'alsoTried'] as $tierTwo) {
                    foreach ([null, 3, 12, 21, 33] as $limit) {
                        $rotations = strlen($members) > 3 || $members === '1o2' ? 1 : 2;
                        if (
                            ! str_contains($members, '2') && $tierTwo === 'alsoTried'
                            || strlen($members) > 2 && in_array($limit, [3, 12], true)
                            || in_array($order, ['longestIdle', 'weighted'], true) && $limit !== 21
                        ) {
                            continue;
                        }
                        $fields = [
                            'order' => $order, 'tierTwo' => $tierTwo, 'noAnswerSeconds' => $limit, 'ringsEach' => 2,
                            'rotations' => $rotations, 'members' => self::members($members),
                        ];
                        yield "{$order} {$members} {$tierTwo} " . ($limit ?? 'no limit') => [$fields, null];
                        if ($limit === 21) {
                            yield "{$order} {$members} {$tierTwo} as a place" => [$fields, 17];
                        }
                    }
                }
            }
        }
    }

    /**
     * No call goes out to z. What the limit leaves of the last offer is waited for all the same; an offer before it
     * takes no time.
     */
    #[TestWith(['1z', 'sequential', 13])]
    #[TestWith(['z1', 'sequential', 10])]
    #[TestWith(['z1', 'roundRobin', 13])]
    #[TestWith(['z', 'sequential', 0])]
    public function test_an_offer_in_vain_takes_what_the_limit_leaves_where_it_is_the_last(
        string $members,
        string $order,
        int $most,
    ): void {
        $book = self::book([
            'order' => $order, 'rotations' => 1, 'ringsEach' => 2, 'noAnswerSeconds' => 13,
            'members' => self::members($members),
        ]);
        $choices = array_values(array_filter(
            self::choices($book)->own(self::group($book), false),
            static fn (Choice $choice): bool => $choice->event->kind === EventKind::Unanswered,
        ));

        self::assertSame($most, $choices[0]->most);
    }

    /** Every world a script can tell of, over members who differ in all that matters before the first offer. */
    #[DataProvider('beforeOffers')]
    public function test_why_nobody_is_offered_the_call_is_exactly_what_scripts_give(
        string $members,
        string $signInBy,
        bool $skipBusy,
    ): void {
        $book = self::book([
            'members' => self::members($members), 'signInBy' => $signInBy, 'skipBusy' => $skipBusy,
            'order' => 'sequential', 'otherwise' => ['allBusy' => 'release'],
        ]);
        $group = self::group($book);
        $callBook = self::callBook($book);
        $found = [];
        foreach (self::scripts($group) as $says) {
            $world = new World($callBook, new WayOut($callBook), $says);
            $event = (
                new GroupCalls($callBook, $world, [], new Keypad([], false))
            )->own(State::at(Place::Group, 'group:desk', false, []), 0)->event;
            $found[trim("{$event->kind->value} {$event->detail}")] = true;
        }
        $choices = array_map(
            static fn (Choice $choice): string => trim("{$choice->event->kind->value} {$choice->event->detail}"),
            self::choices($book)->own($group, false),
        );
        $found = array_keys($found);
        sort($found);
        sort($choices);

        self::assertSame($found, $choices);
    }

    /** @return iterable<string, array{string, string, bool}> */
    public static function beforeOffers(): iterable
    {
        // 1 a user, x one with an outside leg, s a suspended one, d one who has no leg, o an outside member; a capital
        // is not signed in.
        foreach (
            [
                '', '1', 'x', 's', 'd', 'o', 'O', 'D', 'S', '1s', '1d', '1o', '1O', '1X', 'xs', 'so', 'do', 'dO', 'sd',
                'SD', 'XO', '11x', '1so', 'dxO',
            ] as $members
        ) {
            foreach (['member', 'administrator'] as $signInBy) {
                foreach ([true, false] as $skipBusy) {
                    yield "{$members} signed in by {$signInBy}, "
                        . ($skipBusy ? 'busy ones skipped' : 'busy ones rung') => [$members, $signInBy, $skipBusy];
                }
            }
        }
    }

    /** @return iterable<array<string, string>> */
    private static function scripts(Group $group): iterable
    {
        $says = [[]];
        foreach ($group->members as $member) {
            $states = $member->who->outside === null ? self::SCRIPTED : self::SCRIPTED_OUTSIDE;
            $says = array_merge(...array_map(
                static fn (array $before): array => array_map(
                    static fn (string $state): array => [...$before, (string) $member->who => $state],
                    $states,
                ),
                $says,
            ));
        }
        // A mobile of a user's has a world of its own.
        foreach ($says as $each) {
            foreach (
                str_contains(json_encode($group->members, JSON_THROW_ON_ERROR), 'x')
                ? self::SCRIPTED_OUTSIDE
                : ['rings'] as $mobile
            ) {
                yield [...$each, 'outside:+15065550199' => $mobile];
            }
        }
    }

    /** @return list<array{item: string, who: string, tier: int, share: int, signedIn: bool}> */
    private static function members(string $letters): array
    {
        $members = [];
        foreach ($letters === '' ? [] : str_split($letters) as $place => $letter) {
            $who = strtolower($letter) === 'o'
                ? "outside:+1506555010{$place}"
                : ($letter === 'z' ? 'outside:+442079460000' : 'user:' . (
                    ctype_digit($letter) ? "u{$place}" : strtolower($letter)
                ));
            $members[] = [
                'item' => "m{$place}", 'who' => $who, 'tier' => $letter === '2' ? 2 : 1, 'share' => 10,
                'signedIn' => ! ctype_upper($letter),
            ];
        }

        return $members;
    }

    /** @param array<string, mixed> $fields */
    private static function book(array $fields): Book
    {
        $desk = [['item' => 'desk']];
        $mobile = [
            'item' => 'mobile', 'kind' => 'outside', 'number' => '+15065550199', 'forGroups' => true,
            'mailboxAfter' => 8,
        ];

        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => 1, 'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'users' => [
                ...array_map(static fn (int $i): array => ['key' => "u{$i}", 'legs' => $desk], range(0, 4)),
                ['key' => 'x', 'legs' => [...$desk, $mobile]], ['key' => 's', 'status' => 'suspended', 'legs' => $desk],
                ['key' => 'd'],
            ],
            'groups' => [['key' => 'desk'] + $fields],
            'trunks' => [['key' => 'harbour', 'outsideCallersOut' => true]],
            'routes' => [['key' => 'out', 'digits' => '1xxxxxxxxxx', 'trunks' => ['trunk:harbour']]],
        ]);
    }

    /** @return list<list<string>> the orders a world can put the members in, as far as they make a difference */
    private static function orders(Group $group): array
    {
        $items = array_column($group->members, 'item');
        $turned = array_map(
            static fn (int $start): array => [...array_slice($items, $start), ...array_slice($items, 0, $start)],
            array_keys($items),
        );

        return match ($group->order->value) {
            'sequential' => [[]],
            'simultaneous' => [[], $turned[count($items) - 1]],
            'roundRobin' => array_map(static fn (array $order): array => [$order[0]], $turned),
            default => [...$turned, array_reverse($items)],
        };
    }

    private static function group(Book $book): Group
    {
        $group = $book->find(Reference::parse('group:desk'));

        return $group instanceof Group ? $group : self::fail('no group');
    }

    private static function callBook(Book $book): CallBook
    {
        return new CallBook($book, static fn (): string => HoursState::Open->value);
    }

    private static function choices(Book $book): GroupChoices
    {
        $callBook = self::callBook($book);

        return new GroupChoices($callBook, new RingLegs($callBook, new WayOut($callBook)));
    }
}
