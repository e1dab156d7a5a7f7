<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\ExtensionPlan;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;
use Jaunty\Core\Change\FieldPath;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Numbering\E164;

/**
 * People who come to a customer that exists: a pasted list read as taking on reads one, and what each needs made beside
 * them: a mailbox that tells them, a telephone, the number their colleagues show, and their place in the groups they
 * work in.
 */
final readonly class NewPeople
{
    public const SLOT = 'people';

    private const FIRST_EXTENSION = 201;

    private const RINGS_SECONDS = 20;

    /**
     * @param  list<array<string, string>>  $understood  as each cell was read, by row and column
     * @param  array<string, string>  $faults  by `people/row/column`
     * @param  array<string, string>  $readAs  where a cell can be in doubt, by the same
     * @param  list<Operation>  $operations  empty where anything is at fault
     * @param  list<string>  $makes  what is made of each row, in words
     */
    private function __construct(
        public Slot $slot,
        public array $understood,
        public array $faults,
        public array $readAs,
        public array $operations,
        public array $makes,
    ) {
    }

    /** The table that is asked for. */
    public static function table(Book $book): Slot
    {
        $column = static fn (
            string $key,
            string $question,
            string $type,
            array $alsoCalled,
            bool $optional = true,
        ): array => [
            'key' => $key, 'question' => $question, 'type' => $type, 'optional' => $optional,
            'alsoCalled' => $alsoCalled,
        ];
        $extension = ['least' => self::firstFree($book), 'reserved' => array_map(strval(...), array_keys(
            ExtensionPlan::of($book)->holders,
        ))]
            + $column('extension', 'Ext', 'extension', ['extension', 'ext.', 'number', 'short number']);

        return Slot::read(Node::of(['key' => self::SLOT, 'question' => 'People', 'type' => 'table', 'columns' => [
            $column('name', 'Name', 'person', ['person', 'user', 'full name', 'employee', 'display name'], false),
            $extension,
            $column('mail', 'Mail', 'mail', ['e-mail', 'email', 'mail address', 'e-mail address', 'email address']),
            $column('mobile', 'Mobile', 'phone', ['mobile phone', 'cell', 'cell phone', 'mobile number']),
            $column('direct', 'Direct number', 'number', ['direct', 'direct line', 'direct dial', 'did']),
            $column('teams', 'Works in', 'teams', ['team', 'teams', 'department', 'group', 'groups', 'hunt group']),
            ...(
                count($book->all(Site::class)) > 1
                ? [$column('site', 'Site', 'text', ['location', 'office', 'branch', 'place'])]
                : []
            ),
        ]], self::SLOT));
    }

    /**
     * @param  list<array<string, string>>  $rows  as pasted or typed, by column
     * @param  int  $today  days since 1970
     * @param  ?callable(string, NumberStatus): ?string  $whyNot  why a number with this status cannot be given to
     *     anybody here; null where it can
     */
    public static function read(Book $book, array $rows, int $today, ?callable $whyNot = null): self
    {
        $slot = self::table($book);
        $reader = new AnswerReader(new Circumstances($today, $book->tenant->region, $book->tenant->mainNumber?->key));
        [$read, $wrong] = TableReader::read($slot, $rows, $reader);
        $faults = [];
        foreach ($wrong as $place => $why) {
            $faults[rtrim(self::SLOT . "/{$place}", '/')] = $why;
        }
        [$understood, $readAs, $people] = [[], [], []];
        $plan = ExtensionPlan::of($book);
        foreach ($read as $index => $row) {
            $understood[] = self::understood($row);
            $mobile = $row['mobile'] ?? null;
            if (is_array($mobile) && is_string($mobile['readAs'] ?? null)) {
                $readAs[self::SLOT . "/{$index}/mobile"] = $mobile['readAs'];
            }
            $extension = self::text($row, 'extension');
            $holder = $extension === null ? null : $plan->reached($extension);
            if ($holder !== null) {
                $faults[self::SLOT . "/{$index}/extension"] ??= "{$extension} is {$holder->label()}'s";
            }
            $direct = self::text($row, 'direct');
            if ($direct !== null) {
                $status = self::status($row);
                $readAs[self::SLOT . "/{$index}/direct"] = E164::parse($direct)->display()
                    . ($status === NumberStatus::PortingIn ? ', porting in' : '');
                $wrong = self::heldBy($book, $direct) ?? ($whyNot === null ? null : $whyNot($direct, $status));
                if ($wrong !== null) {
                    $faults[self::SLOT . "/{$index}/direct"] ??= $wrong;
                }
            }
            $groups = [];
            foreach (is_array($row['teams'] ?? null) ? $row['teams'] : [] as $team) {
                $group = self::called(
                    $book->all(Group::class),
                    is_array($team) && is_string($team['value'] ?? null) ? $team['value'] : '',
                );
                if ($group === null) {
                    $faults[self::SLOT . "/{$index}/teams"] ??= 'no group is called "'
                        . (is_array($team) && is_string($team['value'] ?? null) ? $team['value'] : '')
                        . '"; there '
                        . self::listed($book->all(Group::class));
                } else {
                    $groups[] = $group;
                }
            }
            $site = self::text($row, 'site');
            $place = $site === null ? $book->all(Site::class)[0] ?? null : self::called($book->all(Site::class), $site);
            if ($site !== null && $place === null) {
                $faults[self::SLOT . "/{$index}/site"] = "no site is called \"{$site}\"; there "
                    . self::listed($book->all(Site::class));
            }
            $people[] = [$row, $groups, $place];
        }
        [$operations, $makes] = self::made($book, $people);

        return new self($slot, $understood, $faults, $readAs, $faults === [] ? $operations : [], $makes);
    }

    /**
     * @param  list<array{array<string, mixed>, list<Group>, ?Site}>  $people
     * @return array{list<Operation>, list<string>}
     */
    private static function made(Book $book, array $people): array
    {
        [$operations, $makes, $taken] = [[], [], []];
        $shown = self::shownByMost($book);
        foreach ($people as [$row, $groups, $site]) {
            $key = self::freeKey($book, is_string($row['key'] ?? null) ? $row['key'] : 'x', $taken);
            $name = self::text($row, 'name') ?? $key;
            $mail = self::text($row, 'mail');
            $mobile = self::text($row, 'mobile');
            $direct = self::text($row, 'direct');
            $person = is_array($row['name'] ?? null) ? $row['name'] : [];
            $legs = [['item' => 'desk', 'kind' => 'desk', 'seconds' => self::RINGS_SECONDS]];
            if ($mobile !== null) {
                // Whoever answers there presses a key, so that the mobile's own mailbox cannot take the call.
                $legs[] = [
                    'item' => 'mobile', 'kind' => 'outside', 'number' => $mobile, 'seconds' => self::RINGS_SECONDS,
                    'confirm' => true,
                ];
            }
            $user = [
                'key' => $key, 'extension' => self::text($row, 'extension'),
                'name' => [
                    'first' => $person['first'] ?? $name,
                    'last' => ($person['last'] ?? '') === '' ? null : $person['last'],
                ],
                'email' => $mail, 'site' => $site === null ? null : (string) Reference::of($site),
                'mailbox' => "mailbox:{$key}",
                'callerId' => $direct === null ? $shown : "number:{$direct}",
                'legs' => $legs,
            ];
            $mailbox = [
                'key' => $key, 'name' => "{$name}'s mailbox", 'owner' => "user:{$key}",
                'notify' => $mail === null ? [] : [$mail],
            ];
            $operations[] = Operation::create(Kind::Mailbox->read(Node::of($mailbox, "mailbox:{$key}")));
            $operations[] = Operation::create(Kind::User->read(Node::of($user, "user:{$key}")));
            if ($direct !== null) {
                $operations[] = Operation::create(Kind::Number->read(Node::of([
                    'key' => $direct, 'label' => "{$name}, direct", 'destination' => "user:{$key}",
                    'site' => $user['site'],
                    'trunk' => self::trunkOf($book),
                    'status' => self::status($row)->value,
                ], "number:{$direct}")));
            }
            foreach ($groups as $group) {
                $member = ['item' => $key, 'who' => "user:{$key}"];
                $operations[] = Operation::set(
                    Reference::of($group),
                    "members/{$key}",
                    FieldPath::get($group->toArray(), "members/{$key}"),
                    $member,
                );
            }
            $makes[] = "{$name}: " . implode(', ', array_filter([
                self::text($row, 'extension'), 'a desk phone', $mobile === null ? '' : 'the mobile',
                $direct === null ? '' : 'a direct number',
                'a mailbox' . ($mail === null ? ' that tells nobody' : ''), 'a PIN to be made',
                ...array_map(static fn (Group $group): string => "in {$group->name}", $groups),
            ], static fn (?string $part): bool => ($part ?? '') !== ''));
        }

        return [$operations, $makes];
    }

    /** @param array<string, true> $taken keys given so far */
    private static function freeKey(Book $book, string $wanted, array &$taken): string
    {
        $key = $wanted;
        for (
            $no = 2;
            isset($taken[$key])
                || $book->find(Reference::to(Kind::User, $key)) !== null
                || $book->find(Reference::to(Kind::Mailbox, $key)) !== null;
            $no++
        ) {
            $key = "{$wanted}-{$no}";
        }
        $taken[$key] = true;

        return $key;
    }

    private static function heldBy(Book $book, string $number): ?string
    {
        $held = $book->find(Reference::to(Kind::Number, $number));

        return $held === null ? null : "{$number} is in this book already, as {$held->label()}";
    }

    /** The trunk that the main number comes in by, which others do as well. */
    private static function trunkOf(Book $book): ?string
    {
        $main = $book->tenant->mainNumber === null ? null : $book->find($book->tenant->mainNumber);

        return $main instanceof Number && $main->trunk !== null ? (string) $main->trunk : null;
    }

    /** The number that most people here show, as one who joins them would. */
    private static function shownByMost(Book $book): ?string
    {
        $counts = [];
        foreach ($book->all(User::class) as $user) {
            if ($user->callerId !== null) {
                $counts[(string) $user->callerId] = ($counts[(string) $user->callerId] ?? 0) + 1;
            }
        }
        arsort($counts);

        return array_key_first($counts)
            ?? ($book->tenant->mainNumber === null ? null : (string) $book->tenant->mainNumber);
    }

    /** Where people's extensions begin here. */
    private static function firstFree(Book $book): int
    {
        $ranges = array_merge(...array_map(
            static fn (Site $site): array => array_column($site->extensionRanges, 'from'),
            $book->all(Site::class),
        ));
        $used = array_map(
            static fn (User $user): int => (int) $user->extension,
            array_filter($book->all(User::class), static fn (User $user): bool => $user->extension !== null),
        );

        return $ranges !== [] ? (int) min($ranges) : ($used === [] ? self::FIRST_EXTENSION : min($used));
    }

    /**
     * @template T of BookObject
     *
     * @param  list<T>  $objects
     * @return ?T
     */
    private static function called(array $objects, string $name): ?BookObject
    {
        foreach ($objects as $object) {
            if (
                in_array(Slug::of($name), [Slug::of($object->label()), $object->key()], true)
                || ($object->extension() ?? '') === trim($name)
            ) {
                return $object;
            }
        }

        return null;
    }

    /** @param list<BookObject> $objects */
    private static function listed(array $objects): string
    {
        return $objects === [] ? 'is none yet' : 'are ' . implode(
            ', ',
            array_map(static fn (BookObject $object): string => $object->label(), array_slice($objects, 0, 8)),
        );
    }

    /**
     * Of their direct number.
     *
     * @param  array<string, mixed>  $row
     */
    private static function status(array $row): NumberStatus
    {
        return is_array($row['direct'] ?? null) && ($row['direct']['comesOver'] ?? false) === true
            ? NumberStatus::PortingIn
            : NumberStatus::Active;
    }

    /** @param array<string, mixed> $row */
    private static function text(array $row, string $column): ?string
    {
        $value = is_array($row[$column] ?? null) ? $row[$column]['value'] ?? null : null;

        return is_string($value) ? $value : null;
    }

    /**
     * @param  array<string, mixed>  $row
     * @return array<string, string>
     */
    private static function understood(array $row): array
    {
        $cells = ['id' => is_string($row['key'] ?? null) ? $row['key'] : ''];
        foreach (['name', 'extension', 'mail', 'mobile', 'direct', 'site'] as $column) {
            $cells[$column] = self::text($row, $column) ?? '';
        }
        $teams = is_array($row['teams'] ?? null) ? $row['teams'] : [];
        $cells['teams'] = implode(', ', array_filter(
            array_map(static fn (mixed $team): mixed => is_array($team) ? $team['value'] ?? null : null, $teams),
            is_string(...),
        ));

        return $cells;
    }
}
