<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/** Whoever says the hours of one day: an odd day, a spell, a feast, or the week. */
final readonly class DayOwner
{
    /**
     * @param  list<Part>  $pieces  of opening hours
     * @param  bool  $everyDay  whether the pieces hold on any day of the week
     */
    private function __construct(
        private string $sort,
        private string $slot,
        private string $saidAs,
        public array $pieces,
        public bool $everyDay = false,
    ) {
    }

    public static function oddDay(Part $odd): self
    {
        return new self('odd', $odd->text('slot') ?? '', $odd->text('said_as') ?? 'night', $odd->parts('open'), true);
    }

    public static function spell(Part $spell): self
    {
        return new self('spell', $spell->text('slot') ?? '', 'night', $spell->parts('week'));
    }

    public static function feast(string $slot): self
    {
        return new self('feast', $slot, 'feast', []);
    }

    public static function week(Part $timetable): self
    {
        return new self('week', '', 'night', $timetable->parts('week'));
    }

    public function inHours(): Hour
    {
        return $this->sort === 'spell' ? new Hour('day', spell: $this->slot) : new Hour('day');
    }

    public function outOfHours(): Hour
    {
        return $this->saidAs === 'feast' ? new Hour('feast', feast: $this->slot) : new Hour($this->saidAs);
    }

    /** Whether it owns this very date: an odd day or a feast. */
    public function isDated(): bool
    {
        return in_array($this->sort, ['odd', 'feast'], true);
    }

    public function isSpell(): bool
    {
        return $this->sort === 'spell';
    }

    public function isSameDatedPieceAs(self $other): bool
    {
        return in_array($this->sort, ['odd', 'spell'], true)
            && $this->sort === $other->sort
            && $this->slot === $other->slot;
    }
}
