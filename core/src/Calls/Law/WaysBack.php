<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

use Jaunty\Core\Book\Announcement;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Destination;
use Jaunty\Core\Book\ExtensionPlan;
use Jaunty\Core\Book\ExtensionReach;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Otherwise;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\SharedLine;
use Jaunty\Core\Book\User;

/**
 * From which objects a call can still come to a `back`. Elsewhere the menus behind a call can be seen by nothing that
 * follows, and calls that differ in them alone go on alike: an explorer need not tell them apart. Menus that all lead
 * to each other would otherwise be as many states as there are ways through four of them.
 *
 * @internal
 */
final readonly class WaysBack
{
    /** @param array<string, true> $from references */
    private function __construct(private array $from)
    {
    }

    public static function of(Book $book): self
    {
        $menus = $book->all(Menu::class);
        $all = [
            ...$book->all(Group::class), ...$book->all(SharedLine::class), ...$book->all(Chain::class),
            ...$book->all(Attendant::class), ...$menus,
            ...$book->all(Mailbox::class), ...$book->all(Announcement::class),
        ];
        $before = [];
        $open = [];
        $calls = CallBook::open($book);
        $extensions = null;
        foreach ($all as $object) {
            $from = (string) Reference::of($object);
            foreach (self::ways($object) as $to) {
                $to = $calls->meant($to);
                if (
                    $to?->word === 'back'
                    ? $object instanceof Menu
                    : $to?->word === 'directory' && ! $object instanceof Menu
                ) {
                    $open[] = $from;
                } elseif ($to?->object !== null) {
                    $before[(string) $to->object][] = $from;
                }
            }
            if ($object instanceof Menu && $object->dialExtensions['scope'] !== ExtensionReach::Off) {
                $extensions ??= self::extensions($book);
                foreach ($extensions as $to) {
                    $before[$to][] = $from;
                }
            }
        }
        $seen = [];
        while (($at = array_pop($open)) !== null) {
            if (! isset($seen[$at])) {
                $seen[$at] = true;
                // Entering a user anew forgets the menus behind.
                array_push($open, ...str_starts_with($at, 'user:') ? [] : $before[$at] ?? []);
            }
        }

        return new self($seen);
    }

    public function areSeenFrom(string $object): bool
    {
        return isset($this->from[$object]);
    }

    public function equals(self $other): bool
    {
        return array_diff_key($this->from, $other->from) === [] && array_diff_key($other->from, $this->from) === [];
    }

    /** @return list<?Destination> */
    private static function ways(BookObject $object): array
    {
        return match (true) {
            $object instanceof Menu => [$object->silence, $object->invalid, ...array_values(
                array_map(static fn ($key): ?Destination => $key->to, $object->keys),
            )],
            $object instanceof Group => [
                ...array_map($object->otherwise->of(...), Otherwise::CASES),
                $object->mailbox === null ? null : Destination::object($object->mailbox),
            ],
            $object instanceof SharedLine => [
                $object->busy, $object->noAnswer,
                $object->mailbox === null ? null : Destination::object($object->mailbox),
            ],
            $object instanceof Chain => array_column($object->places, 'to'),
            $object instanceof Attendant => array_column($object->answers, 'then'),
            $object instanceof Mailbox => [$object->zero],
            $object instanceof Announcement => [$object->then],
            default => [],
        };
    }

    /** @return list<string> whom dialling an extension reaches, users left out */
    private static function extensions(Book $book): array
    {
        $holders = array_merge(...array_values(ExtensionPlan::of($book)->holders));

        return array_values(array_map(
            static fn (BookObject $holder): string => (string) Reference::of($holder),
            array_filter($holders, static fn (BookObject $holder): bool => ! $holder instanceof User),
        ));
    }
}
