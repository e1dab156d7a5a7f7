<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Choice;
use Jaunty\Core\Book\Fields\Clock;
use Jaunty\Core\Book\Fields\Day;
use Jaunty\Core\Book\Fields\ListOf;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;

/** Dates that are not as the week says: hours of their own, or none, and what they are announced as outside these. */
final readonly class ScheduleException implements BookItem
{
    use DeclaredPart {
        read as private declared;
    }

    /** @param list<array{from: int, to: int}> $hours minutes since midnight */
    private function __construct(
        #[Slug]
        public string $item,
        #[Day(must: true)]
        public string $from,
        #[Day(like: 'from')]
        public string $to,
        #[Text(like: 'item')]
        public string $name,
        #[ListOf(['from' => new Clock(), 'to' => new Clock(isEnd: true)])]
        #[Said(help: 'Open all the same; none: closed all day.')]
        public array $hours,
        #[Choice(AnnouncedAs::Closed)]
        public AnnouncedAs $announcedAs,
    ) {
    }

    public static function read(Node $node): self
    {
        $read = self::declared($node);
        if ($read->to < $read->from) {
            throw UnusableBook::malformed($node->at('to'), "a date from {$read->from} on", $read->to);
        }

        return $read;
    }

    public function item(): string
    {
        return $this->item;
    }
}
