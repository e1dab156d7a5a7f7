<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Calendar;
use Jaunty\Core\Book\ExtensionPlan;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\Site;

/** With what an object begins of which somebody typed the name alone; the rest are the defaults of its kind. */
final readonly class NewObject
{
    private const GROUP_LIMIT = 20;

    /** @param array<string, mixed> $fields as a book writes them, without the key */
    private function __construct(public Reference $reference, public array $fields)
    {
    }

    public static function called(string $name, Kind $kind, Book $book): self
    {
        $site = $book->all(Site::class)[0] ?? null;
        $place = ['site' => self::refer($site)];
        $person = PersonName::of($name);
        $name = $kind === Kind::User ? $person->whole() : $name;
        $fields = match ($kind) {
            Kind::User => ['name' => [
                'first' => $person->first,
                'last' => $person->last === '' ? null : $person->last,
            ], 'legs' => [
                ['item' => 'desk', 'kind' => 'desk'],
            ]]
                + self::extension($kind, $book, $site)
                + $place,
            Kind::Group => ['name' => $name, 'noAnswerSeconds' => self::GROUP_LIMIT]
                + self::extension($kind, $book, $site)
                + $place,
            Kind::Attendant => ['name' => $name, 'schedule' => self::refer($book->all(Schedule::class)[0] ?? null)]
                + self::extension($kind, $book, $site)
                + $place,
            Kind::SharedLine, Kind::Conference, Kind::ParkPlace, Kind::PageZone, Kind::Line => ['name' => $name]
                + self::extension($kind, $book, $site)
                + $place,
            Kind::Menu, Kind::Device => ['name' => $name] + $place,
            Kind::Schedule => ['name' => $name, 'calendars' => array_map(
                static fn (Calendar $calendar): string => (string) Reference::of($calendar),
                $book->all(Calendar::class),
            )],
            Kind::Promise => ['text' => $name],
            default => ['name' => $name],
        };

        return new self(Reference::to($kind, self::key($name, $kind, $book)), $fields);
    }

    /** Its name in small letters and hyphens, with a number behind where that is taken. */
    private static function key(string $name, Kind $kind, Book $book): string
    {
        $slug = Slug::of($name);
        $key = $slug;
        for ($number = 2; $book->find(Reference::to($kind, $key)) !== null; $number++) {
            $key = "{$slug}-{$number}";
        }

        return $key;
    }

    /**
     * A user's is of the site's ranges where it has some; else the next after the highest of its kind.
     *
     * @return array{extension: ?string}
     */
    private static function extension(Kind $kind, Book $book, ?Site $site): array
    {
        $plan = ExtensionPlan::of($book);
        if ($kind === Kind::User && $site !== null && $site->extensionRanges !== []) {
            return ['extension' => $plan->freeAt($site, 1)[0] ?? null];
        }
        $taken = array_values(array_filter(
            array_map(static fn (BookObject $object): ?string => $object->extension(), $book->ofKind($kind)),
            is_string(...),
        ));
        usort($taken, static fn (string $one, string $other): int => [strlen($one), $one] <=> [strlen($other), $other]);
        $last = end($taken);

        return ['extension' => $last === false ? null : $plan->free($last, 1)[0] ?? null];
    }

    private static function refer(?BookObject $object): ?string
    {
        return $object === null ? null : (string) Reference::of($object);
    }
}
