<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Flag;
use Jaunty\Core\Book\Fields\Matching;
use Jaunty\Core\Book\Fields\Whole;
use Jaunty\Core\Book\Fields\Word;

/**
 * A rule that gives a holiday its date each year: a fixed day, the nth or last weekday of a month, or days from Easter
 * Sunday.
 */
final readonly class HolidayRule implements BookPart
{
    /**
     * @param  ?int  $easter  days from Easter Sunday; everything else is unset then
     * @param  int  $month  1 to 12
     * @param  ?int  $day  of a fixed day; nth and weekday are unset then
     * @param  ?int  $nth  1 to 5; unset with a weekday: the last
     * @param  ?int  $weekday  0 is Monday
     */
    private function __construct(
        public ?int $easter,
        public int $month,
        public ?int $day,
        public ?int $nth,
        public ?int $weekday,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('fixed', 'nth', 'last', 'weekday', 'month', 'easter');
        $isSet = static fn (string $field): bool => ! $node->isNullOrMissing($field);
        if (count(array_filter(['fixed', 'easter', 'weekday'], $isSet)) !== 1) {
            throw UnusableBook::malformed(
                $node->path,
                'a rule of one kind: fixed, easter, or a weekday of a month',
                implode(', ', $node->fields()),
            );
        }
        if ($isSet('fixed')) {
            $text = $node->matching('fixed', '/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/D', 'a month and a day (12-25)');
            [$month, $day] = [(int) substr($text, 0, 2), (int) substr($text, 3)];

            return checkdate($month, $day, 2024)
                ? new self(null, $month, $day, null, null)
                : throw UnusableBook::malformed($node->at('fixed'), 'a day of the calendar', $text);
        }
        if ($isSet('easter')) {
            return new self($node->whole('easter', 0, -100, 200), 1, null, null, null);
        }
        $weekday = array_search($node->text('weekday'), ClockTime::DAYS, true);
        if ($weekday === false) {
            throw UnusableBook::notOneOf($node->at('weekday'), $node->text('weekday'), ClockTime::DAYS);
        }

        return new self(
            null,
            $node->whole('month', 0, 1, 12),
            null,
            $node->flag('last', false) ? null : $node->whole('nth', 0, 1, 5),
            $weekday,
        );
    }

    /** @return array<string, mixed> every field, those of other kinds of rule unset */
    public function toArray(): array
    {
        $isWeekday = $this->weekday !== null;

        return [
            'fixed' => $this->easter === null && ! $isWeekday
                ? sprintf('%02d-%02d', $this->month, (int) $this->day)
                : null,
            'nth' => $this->nth,
            'last' => $isWeekday && $this->nth === null ? true : null,
            'weekday' => $isWeekday ? ClockTime::DAYS[$this->weekday] : null,
            'month' => $isWeekday ? $this->month : null,
            'easter' => $this->easter,
        ];
    }

    public function links(string $path): array
    {
        return [];
    }

    public static function fields(): array
    {
        return [
            'fixed' => new Matching('/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/D', 'a month and a day (12-25)'),
            'nth' => new Whole(1, 5),
            'last' => new Flag(null),
            'weekday' => new Word(ClockTime::DAYS),
            'month' => new Whole(1, 12),
            'easter' => new Whole(-100, 200),
        ];
    }
}
