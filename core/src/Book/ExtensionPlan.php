<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Who answers to which extension of a book, and which are free. Extensions are text: 0201 and 201 are two. */
final readonly class ExtensionPlan
{
    /** Whoever comes first in this order is reached where two share an extension. */
    private const HOLDERS = [
        Kind::User, Kind::Group, Kind::Attendant, Kind::Mailbox, Kind::Line, Kind::SharedLine, Kind::Conference,
        Kind::ParkPlace, Kind::PageZone,
    ];

    /** @param array<array-key, non-empty-list<BookObject>> $holders by extension */
    private function __construct(public array $holders)
    {
    }

    public static function of(Book $book): self
    {
        $holders = [];
        foreach (self::HOLDERS as $kind) {
            foreach ($book->ofKind($kind) as $object) {
                if ($object->extension() !== null) {
                    $holders[$object->extension()][] = $object;
                }
            }
        }

        return new self($holders);
    }

    /** The same without what is no call to anybody: a menu does not know park places and page zones. */
    public function ofCalls(): self
    {
        $takes = static fn (BookObject $holder): bool => $holder->kind()->takesCalls();

        return new self(array_filter(array_map(
            static fn (array $holders): array => array_values(array_filter($holders, $takes)),
            $this->holders,
        )));
    }

    /** Whom dialling it reaches; null for nobody. */
    public function reached(string $extension): ?BookObject
    {
        return $this->holders[$extension][0] ?? null;
    }

    /** @return list<string> extensions with more than one holder */
    public function doubles(): array
    {
        return array_map(strval(...), array_keys(
            array_filter($this->holders, static fn (array $holders): bool => count($holders) > 1),
        ));
    }

    /**
     * The next extensions nobody holds, from one on and as long as it.
     *
     * @return list<string> fewer where there are no more of that length
     */
    public function free(string $from, int $count, int $step = 1): array
    {
        $free = [];
        $length = strlen($from);
        for ($next = (int) $from; count($free) < $count && strlen((string) $next) <= $length; $next += max(1, $step)) {
            $extension = str_pad((string) $next, $length, '0', STR_PAD_LEFT);
            if (! isset($this->holders[$extension])) {
                $free[] = $extension;
            }
        }

        return $free;
    }

    /** @return list<string> the next free ones of a site's ranges */
    public function freeAt(Site $site, int $count): array
    {
        $free = [];
        foreach ($site->extensionRanges as $range) {
            $more = array_filter(
                $this->free($range['from'], $count - count($free)),
                static fn (string $extension): bool => strcmp($extension, $range['to']) <= 0,
            );
            array_push($free, ...array_values($more));
        }

        return $free;
    }

    /** @return list<string> extensions that a dialled digit or prefix begins, so that whoever dials it has to wait */
    public function begunBy(string $digits): array
    {
        return array_values(array_filter(
            array_map(strval(...), array_keys($this->holders)),
            static fn (string $extension): bool => str_starts_with($extension, $digits),
        ));
    }
}
