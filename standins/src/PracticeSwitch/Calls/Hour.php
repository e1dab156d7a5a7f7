<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/** What a timetable says: day, night or feast, and by which feast or spell. */
final readonly class Hour
{
    public function __construct(public string $word, public ?string $feast = null, public ?string $spell = null)
    {
    }

    /** @return list<string> what an answer may be given for, the most particular first */
    public function cases(): array
    {
        return match (true) {
            $this->spell !== null => ["period:{$this->spell}", 'open'],
            $this->feast !== null => ["holiday:{$this->feast}", 'holiday', 'closed'],
            $this->word === 'feast' => ['holiday', 'closed'],
            $this->word === 'day' => ['open'],
            default => ['closed'],
        };
    }
}
