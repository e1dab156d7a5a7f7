<?php

declare(strict_types=1);

namespace Tests\Core;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Kind;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Any number of test calls of a book, fixed by a seed: every number and extension, any hour of a year, keys, and the
 * world in disorder.
 */
final readonly class RandomScripts
{
    public const FROM = 1_764_547_200;

    private const YEAR = 31_536_000;

    private const STATES = ['busy', 'onACall', 'unreachable', 'answers', 'doNotDisturb', 'signedOut'];

    /** Fields that hold a destination. */
    private const LEADS = [
        'destination', 'then', 'to', 'silence', 'invalid', 'zero', 'siteOut', 'operator', 'carrierDiversion', 'outside',
        'inside', 'always', 'doNotDisturb', 'unreachable', 'onACall', 'busy',
        'noAnswer', 'closed', 'holiday', 'closedByHand', 'nobodySignedIn', 'allUnreachable', 'allBusy', 'queueFull',
        'exit',
    ];

    private Randomizer $dice;

    public function __construct(int $seed)
    {
        $this->dice = new Randomizer(new Mt19937($seed));
    }

    /** @return array<string, mixed> a script of design 09 */
    public function of(Book $book): array
    {
        $numbers = array_map(static fn ($number): string => $number->key(), $book->ofKind(Kind::Number));
        $extensions = [];
        foreach ($book->objects() as $object) {
            $extension = $object->toArray()['extension'] ?? null;
            if (is_string($extension)) {
                $extensions[] = $extension;
            }
        }
        $isInside = $numbers === [] || ($extensions !== [] && $this->chance(4));

        return [
            'to' => $this->pick($isInside ? $extensions : $numbers),
            'at' => gmdate('Y-m-d\TH:i:s\Z', self::FROM + 60 * $this->dice->getInt(0, intdiv(self::YEAR, 60))),
            'keys' => $this->keys(),
            'world' => $this->world($book),
            'order' => $this->order($book),
        ] + ($isInside ? [] : ['from' => $this->pick(['+19025550199', '+442079460001', 'withheld'])]);
    }

    /**
     * The book with one in four of its destinations leading elsewhere in it, put together as nobody would, and with
     * names that a directory can find.
     *
     * @param  array<mixed>  $book  as a file has it
     * @return array<mixed>
     */
    public function rerouted(array $book): array
    {
        $destinations = [
            'operator', 'directory', 'directory', 'directory', 'directory', 'again', 'back', 'release', 'busy',
            'outside:+19025550177', 'outside:+15065550150',
        ];
        foreach (
            [
                'users' => 'user', 'groups' => 'group', 'chains' => 'chain', 'attendants' => 'attendant',
                'menus' => 'menu', 'mailboxes' => 'mailbox', 'announcements' => 'announcement', 'lines' => 'line',
            ] as $list => $kind
        ) {
            foreach (is_array($book[$list] ?? null) ? $book[$list] : [] as $object) {
                array_push($destinations, ...array_fill(0, 3, "{$kind}:{$object['key']}"));
            }
        }
        foreach (is_array($book['users'] ?? null) ? array_keys($book['users']) : [] as $place) {
            $book['users'][$place]['name'] = ['first' => $this->pick(['Ana', 'Bo', 'Bea', 'Cy']), 'last' => $this->pick(
                ['Banks', 'Marsh', "O'Dell", 'Ann'],
            )];
        }
        foreach (is_array($book['menus'] ?? null) ? array_keys($book['menus']) : [] as $place) {
            $book['menus'][$place]['dialByName'] = [
                'scope' => $this->pick(['off', 'all', 'site']),
                'by' => $this->pick(['first', 'last', 'either']),
                'match' => $this->pick(['partial', 'whole']),
            ];
        }
        array_walk_recursive($book, function (mixed &$value, int|string $field) use ($destinations): void {
            if (
                in_array($field, self::LEADS, true)
                && is_string($value)
                && preg_match('/^([a-z]+:.+|operator|directory|again|back|release|busy)$/D', $value) === 1
                && $this->chance(4)
            ) {
                $value = $this->pick($destinations);
            }
        });

        return $book;
    }

    /** @return list<array{key: string, at?: int}> */
    private function keys(): array
    {
        $isTimed = $this->chance(2);
        $keys = [];
        $second = 0;
        for ($left = $this->chance(2) ? $this->dice->getInt(1, 6) : 0; $left > 0; $left--) {
            $second += $this->dice->getInt(0, $this->chance(3) ? 30 : 4);
            $keys[] = ['key' => $this->pick(str_split('1234567890*#0122'))] + ($isTimed ? ['at' => $second] : []);
        }

        return $keys;
    }

    /** @return array<string, string> */
    private function world(Book $book): array
    {
        $world = $this->chance(25) ? ['platform' => 'out'] : [];
        foreach ($book->ofKind(Kind::User) as $user) {
            if ($this->chance(3)) {
                $world["user:{$user->key()}"] = $this->pick(self::STATES);
            }
            foreach ($user->legs as $leg) {
                if ($leg->number !== null && $this->chance(2)) {
                    $world["outside:{$leg->number}"] = $this->pick(['answers', 'mailbox', 'off', 'busy']);
                } elseif ($leg->number === null && $this->chance(8)) {
                    $world["leg:{$user->key()}/{$leg->item}"] = 'unreachable';
                }
            }
        }
        foreach (
            [[Kind::Site, 'site', ['out'], 10], [Kind::Group, 'group', ['closedByHand', 'full'], 8], [
                Kind::Trunk, 'trunk', ['full'], 10,
            ]] as [$kind, $word, $states, $oneIn]
        ) {
            foreach ($book->ofKind($kind) as $object) {
                if ($this->chance($oneIn)) {
                    $world["{$word}:{$object->key()}"] = $this->pick($states);
                }
            }
        }

        return $world;
    }

    /** @return array<string, list<string>> */
    private function order(Book $book): array
    {
        $order = [];
        foreach ($book->ofKind(Kind::Group) as $group) {
            $items = array_map(static fn ($member): string => $member->item, $group->members);
            if ($items !== [] && $this->chance(3)) {
                $order["group:{$group->key()}"] = array_slice(
                    $this->dice->shuffleArray($items),
                    0,
                    $this->dice->getInt(1, count($items)),
                );
            }
        }

        return $order;
    }

    private function chance(int $oneIn): bool
    {
        return $this->dice->getInt(1, $oneIn) === 1;
    }

    /**
     * @template T
     *
     * @param  list<T>  $from
     * @return T
     */
    private function pick(array $from): mixed
    {
        return $from[$this->dice->getInt(0, count($from) - 1)];
    }
}
