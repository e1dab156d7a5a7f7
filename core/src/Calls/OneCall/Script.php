<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\OneCall;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\ClockTime;
use Jaunty\Core\Book\Device;
use Jaunty\Core\Book\ExtensionPlan;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\ZoneClock;

/** A test call: whom is called, from where and when, which keys are pressed, and who is in what state (design 09). */
final readonly class Script
{
    /** What one of each kind can be in, in a script's world. */
    public const STATES = [
        'user' => ['answers', 'busy', 'onACall', 'unreachable', 'doNotDisturb', 'signedOut', 'ringing'],
        'outside' => ['answers', 'mailbox', 'off', 'busy'],
        'leg' => ['unreachable'],
        'site' => ['out'],
        'platform' => ['out'],
        'group' => ['closedByHand', 'full'],
        'sharedLine' => ['inUse'],
        'conference' => ['full'],
        'parkPlace' => ['holds'],
        'trunk' => ['full'],
    ];

    /**
     * @param  ?string  $number  in E.164, of a call from outside
     * @param  ?Reference  $extension  who answers to the extension dialled, of a call from inside
     * @param  ?string  $code  what is dialled of a feature, its code and what follows; of a call from inside
     * @param  ?string  $from  E.164, `withheld`, `user:key` or `device:key` of a hot desk; null for a caller of whom
     *     nothing is known
     * @param  int  $at  seconds since 1970
     * @param  list<array{key: string, at: ?int}>  $keys  at in seconds from arrival; all timed or all untimed
     * @param  array<string, string>  $world
     * @param  array<string, list<string>>  $order  items by group
     */
    private function __construct(
        public ?string $number,
        public ?Reference $extension,
        public ?string $code,
        public ?string $from,
        public int $at,
        public array $keys,
        public array $world,
        public array $order,
    ) {
    }

    /** @throws UnusableScript */
    public static function read(mixed $value, Book $book): self
    {
        try {
            $node = Node::of($value);
            $node->allow('to', 'from', 'at', 'keys', 'world', 'order');
            [$number, $extension, $code] = self::readTo($node, $book);

            return new self(
                $number,
                $extension,
                $code,
                self::readFrom($node, $book),
                self::instant($node->text('at'), $book->tenant->zone),
                self::readKeys($node),
                self::readWorld($node->object('world'), $book),
                self::readOrder($node->object('order'), $book),
            );
        } catch (UnusableBook $fault) {
            throw new UnusableScript($fault->path, $fault->cause);
        }
    }

    public function isTimed(): bool
    {
        return isset($this->keys[0]) && $this->keys[0]['at'] !== null;
    }

    /** @return array{?string, ?Reference, ?string} */
    private static function readTo(Node $node, Book $book): array
    {
        $to = $node->text('to');
        if (preg_match(Number::E164, $to) === 1) {
            return $book->find(Reference::to(Kind::Number, $to)) === null
                ? throw new UnusableScript('to', "{$to} is not a number of this book")
                : [$to, null, null];
        }
        if (preg_match('/^[0-9*#]{1,30}$/D', $to) !== 1) {
            throw new UnusableScript('to', "\"{$to}\" is neither a number with its plus nor an extension nor a code");
        }
        $holder = ExtensionPlan::of($book)->reached($to);
        if ($holder !== null) {
            return [null, Reference::of($holder), null];
        }

        return $book->tenant->features->codeOf($to) !== null
            ? [null, null, $to]
            : throw new UnusableScript('to', "nobody has extension {$to}, and no code begins so");
    }

    private static function readFrom(Node $node, Book $book): ?string
    {
        $from = $node->textOrNull('from');
        if ($from === null || $from === 'withheld' || preg_match(Number::E164, $from) === 1) {
            return $from;
        }
        if (str_starts_with($from, 'device:')) {
            return self::telephone($from, $book);
        }
        if (! str_starts_with($from, 'user:') || $book->find(Reference::parse($from, 'from')) === null) {
            throw new UnusableScript(
                'from',
                "\"{$from}\" is neither a number with its plus, nor withheld, nor a user or telephone of this book",
            );
        }

        return $from;
    }

    /** A telephone that is no hot desk is its first line's user. */
    private static function telephone(string $from, Book $book): ?string
    {
        $device = $book->find(Reference::parse($from, 'from'));
        if (! $device instanceof Device) {
            throw new UnusableScript('from', "{$from} is no telephone of this book");
        }

        return $device->hotDesk ? $from : (isset($device->lines[0]) ? (string) $device->lines[0]['user'] : null);
    }

    /**
     * @param  string  $text  an instant with its offset, or a local time: the first of two
     * @return int seconds since 1970
     *
     * @throws UnusableScript
     */
    public static function instant(string $text, string $zone): int
    {
        if (preg_match('/^(\d{4}-\d{2}-\d{2})[T ](\d{2}:\d{2})(:\d{2})?(Z|[+-]\d{2}:\d{2})?$/D', $text, $found) !== 1
            || ! checkdate((int) substr($found[1], 5, 2), (int) substr($found[1], 8, 2), (int) substr($found[1], 0, 4))
            || $found[2] > '23:59'
            || ($found[3] ?? '') > ':59') {
            throw new UnusableScript(
                'at',
                "\"{$text}\" is no instant (2026-11-25T10:00:00-04:00) and no local time (2026-11-25T10:00)",
            );
        }
        $minutes = LocalDate::parse($found[1]) * LocalDate::MINUTES + ClockTime::minutes($found[2]);
        $seconds = (int) substr($found[3] ?? '', 1);
        $offset = $found[4] ?? '';
        if ($offset === '') {
            return ZoneClock::of($zone)->instantOf($minutes) + $seconds;
        }
        $east = $offset === 'Z' ? 0 : (int) ($offset[0] . '1') * ClockTime::minutes(substr($offset, 1));

        return ($minutes - $east) * 60 + $seconds;
    }

    /** @return list<array{key: string, at: ?int}> */
    private static function readKeys(Node $node): array
    {
        $keys = [];
        $timed = 0;
        foreach ($node->nodes('keys') as $key) {
            $key->allow('key', 'at');
            $at = $key->isNullOrMissing('at') ? null : $key->whole('at', 0, 0, 10_000_000);
            $timed += $at === null ? 0 : 1;
            $keys[] = [
                'key' => $key->matching('key', Menu::KEY, 'one key of a telephone (0 to 9, * or #)'),
                'at' => $at,
            ];
        }
        if ($timed !== 0 && $timed !== count($keys)) {
            throw new UnusableScript('keys', 'are all timed or all untimed; these are mixed');
        }
        usort($keys, static fn (array $a, array $b): int => $a['at'] <=> $b['at']);

        return $keys;
    }

    /** @return array<string, string> */
    private static function readWorld(Node $node, Book $book): array
    {
        $world = [];
        foreach ($node->fields() as $who) {
            $kind = explode(':', $who, 2)[0];
            $states = self::STATES[$kind]
                ?? throw new UnusableScript("world.{$who}", 'is nothing the world says something about');
            $state = $node->text($who);
            if (! in_array($state, $states, true)) {
                throw new UnusableScript("world.{$who}", "\"{$state}\" is not one of " . implode(', ', $states));
            }
            if (! self::exists($kind, $who, $book)) {
                throw new UnusableScript("world.{$who}", 'is not in the book');
            }
            $world[$who] = $state;
        }

        return $world;
    }

    private static function exists(string $kind, string $who, Book $book): bool
    {
        return match ($kind) {
            'platform' => $who === 'platform',
            'outside' => preg_match(Number::E164, substr($who, 8)) === 1,
            'leg' => $book->find(Reference::to(Kind::User, explode('/', substr($who, 4), 2)[0])) !== null,
            default => $book->find(Reference::parse($who)) !== null,
        };
    }

    /** @return array<string, list<string>> */
    private static function readOrder(Node $node, Book $book): array
    {
        $order = [];
        foreach ($node->fields() as $group) {
            if (! str_starts_with($group, 'group:') || $book->find(Reference::parse($group)) === null) {
                throw new UnusableScript("order.{$group}", 'is no group of this book');
            }
            $order[$group] = $node->texts($group);
        }

        return $order;
    }
}
