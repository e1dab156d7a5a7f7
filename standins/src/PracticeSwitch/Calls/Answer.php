<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/** What becomes of a call, and what happened on the way. */
final readonly class Answer
{
    /** @param list<array{t: int, place: array<string, string>, what: string}> $journal */
    public function __construct(public Ending $ending, public array $journal)
    {
    }

    /**
     * @return array{ended: string, place: array<string, string>, after: int, journal: list<array{t: int,
     *     place: array<string, string>, what: string}>}
     */
    public function show(): array
    {
        return [
            'ended' => $this->ending->word, 'place' => $this->ending->place->show(), 'after' => $this->ending->second,
            'journal' => $this->journal,
        ];
    }
}
