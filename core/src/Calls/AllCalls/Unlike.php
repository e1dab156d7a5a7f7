<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\AllCalls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\WaysBack;

/** In what two books are not alike, as far as calls look at it: what read none of it in one book holds in the other. */
final readonly class Unlike
{
    /** @param array<string, true> $parts references, and names of what is read as a whole */
    private function __construct(private array $parts, private bool $isWhole)
    {
    }

    public static function between(Book $one, Book $other): self
    {
        if ($one === $other) {
            return new self([], false);
        }
        $parts = [];
        foreach ([[$one, $other], [$other, $one]] as [$from, $to]) {
            foreach ($from->objects() as $object) {
                $reference = Reference::of($object);
                $twin = $to->find($reference);
                if ($twin !== $object && ! self::areAlike($object, $twin)) {
                    $parts[(string) $reference] = true;
                    $whole = match ($object->kind()) {
                        Kind::Route => CallBook::ROUTES,
                        Kind::User => CallBook::PEOPLE,
                        default => null,
                    };
                    if ($whole !== null) {
                        $parts[$whole] = true;
                    }
                }
            }
        }
        if ($parts !== [] && CallBook::plan($one) !== CallBook::plan($other)) {
            $parts[CallBook::EXTENSIONS] = true;
        }
        if ($parts !== [] && ! WaysBack::of($one)->equals(WaysBack::of($other))) {
            $parts[CallBook::WAYS_BACK] = true;
        }

        // The tenant is looked at for nearly everything, so it is not noted each time.
        return new self($parts, serialize($one->tenant) !== serialize($other->tenant));
    }

    /** @param array<string, true> $read */
    public function touches(array $read): bool
    {
        if ($this->isWhole) {
            return true;
        }
        foreach (count($read) < count($this->parts) ? $read : $this->parts as $part => $ignored) {
            if (isset($read[$part], $this->parts[$part])) {
                return true;
            }
        }

        return false;
    }

    /**
     * What a schedule says enters by what it was asked; only the zone it is read in is a matter of its own. Others are
     * compared as they are written: `==` would take extension 0201 for 201.
     */
    private static function areAlike(BookObject $object, ?BookObject $twin): bool
    {
        return $object instanceof Schedule && $twin instanceof Schedule
            ? $object->fixedZone === $twin->fixedZone && $object->id() === $twin->id()
            : $twin !== null && serialize($twin) === serialize($object);
    }
}
