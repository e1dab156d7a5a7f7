<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** A day of a holiday calendar: a date, or a rule that gives one each year. */
final readonly class Holiday
{
    /** @param ?string $date one day; a rule stands instead where it comes each year */
    private function __construct(public string $item, public string $name, public ?string $date, public ?HolidayRule $rule, public WhenWeekend $whenWeekend)
    {
    }

    public static function read(Node $node): self
    {
        $node->allow('item', 'name', 'date', 'rule', 'whenWeekend');
        $date = $node->date('date');
        $rule = $node->isNullOrMissing('rule') ? null : HolidayRule::read($node->object('rule'));
        if (($date === null) === ($rule === null)) {
            throw UnusableBook::malformed($node->path, 'a holiday with a date or a rule, one of the two', $date);
        }

        return new self($node->slug('item'), $node->text('name', $node->text('item')), $date, $rule, $node->choice('whenWeekend', WhenWeekend::class, WhenWeekend::Actual));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'item' => $this->item,
            'name' => $this->name,
            'date' => $this->date,
            'rule' => $this->rule?->toArray(),
            'whenWeekend' => $this->whenWeekend->value,
        ];
    }
}
