<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Begins;
use Jaunty\Core\Book\Fields\Choice;
use Jaunty\Core\Book\Fields\Day;
use Jaunty\Core\Book\Fields\Part;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;

/** A day of a holiday calendar: a date, or a rule that gives one each year. */
#[Begins(['rule' => ['fixed' => '12-25']])]
final readonly class Holiday implements BookItem
{
    use DeclaredPart {
        read as private declared;
    }

    /** @param ?string $date one day; a rule stands instead where it comes each year */
    private function __construct(
        #[Slug]
        public string $item,
        #[Text(like: 'item')]
        public string $name,
        #[Day]
        public ?string $date,
        #[Part(HolidayRule::class, mayBeUnset: true)]
        public ?HolidayRule $rule,
        #[Choice(WhenWeekend::Actual)]
        #[Said('On a weekend')]
        public WhenWeekend $whenWeekend,
    ) {
    }

    public static function read(Node $node): self
    {
        $read = self::declared($node);
        if (($read->date === null) === ($read->rule === null)) {
            throw UnusableBook::malformed($node->path, 'a holiday with a date or a rule, one of the two', $read->date);
        }

        return $read;
    }

    public function item(): string
    {
        return $this->item;
    }
}
