<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\TwoBooks;

use Jaunty\Core\Calls\AllCalls\Edge;
use Jaunty\Core\Calls\Law\Outcome;

/**
 * What a caller meets next, once everything has passed that leaves no choice: somewhere that something can happen, or
 * the end.
 */
final readonly class Encounter
{
    /**
     * @param  string  $place  number, rings, queue, menu, mailbox, announcement, line or directory; of an end its
     *     outcome
     * @param  string  $target  of an end: who or what
     * @param  list<string>  $heard  prompts, on the way and here
     * @param  list<string>  $people  who may answer here, in ring order
     * @param  list<string>  $onACall  those of them who are rung while they are on a call, too
     * @param  string  $manner  how they are rung
     * @param  ?int  $seconds  of the way here, at most; null for no end
     * @param  array<string, Edge>  $events  what can happen, passive first
     * @param  int  $places  how many places were passed to come here
     */
    public function __construct(
        public string $place,
        public string $target,
        public array $heard,
        public array $people,
        public array $onACall,
        public string $manner,
        public ?int $seconds,
        public array $events,
        public int $places = 1,
    ) {
    }

    public static function nowhere(): self
    {
        return new self('notInThisBook', '', [], [], [], '', 0, []);
    }

    /** Whether callers can tell the two apart, by where they are, what they hear and who is rung. */
    public function isLike(self $other): bool
    {
        return $this->isSamePlace($other)
            && $this->heard === $other->heard
            && self::sorted($this->people) === self::sorted($other->people)
            && self::sorted($this->onACall) === self::sorted($other->onACall);
    }

    /** Whether the same can happen in both. */
    public function hasEventsOf(self $other): bool
    {
        return array_diff_key($this->events, $other->events) === []
            && array_diff_key($other->events, $this->events) === [];
    }

    /** What happens when nobody does anything. */
    public function passive(): ?Edge
    {
        foreach ($this->events as $edge) {
            if ($edge->choice->isPassive) {
                return $edge;
            }
        }

        return null;
    }

    public function isSamePlace(self $other): bool
    {
        return $this->place === $other->place && $this->target === $other->target;
    }

    /** In words, for whoever reads a list of differences. */
    public function words(): string
    {
        $after = $this->heard === [] ? '' : 'hears ' . implode(', ', $this->heard) . ', then ';
        $people = implode(', ', $this->people);

        return $after . match ($this->place) {
            'notInThisBook' => 'is not in this book',
            'menu' => 'chooses from a menu (' . implode(', ', $this->labels('key ')) . ')',
            'rings' => $people === '' ? 'finds nobody who can be rung' : "rings {$people}",
            'queue' => $people === '' ? 'comes to a queue in which nobody can be rung' : "waits for {$people}",
            'handedOn' => 'is handed on as often as it takes',
            'number' => 'is treated by who calls',
            'mailbox' => 'leaves a message, or presses 0',
            'announcement', 'directory' => "is in the {$this->place}",
            default => trim((Outcome::tryFrom($this->place)?->words() ?? $this->place) . " {$this->target}"),
        };
    }

    public function ringing(): string
    {
        return 'rings ' . implode(', ', $this->people) . ($this->manner === '' ? '' : " ({$this->manner})");
    }

    /** @return list<string> */
    private function labels(string $beginning): array
    {
        $labels = [];
        foreach (array_keys($this->events) as $label) {
            if (str_starts_with($label, $beginning)) {
                $labels[] = substr($label, strlen($beginning));
            }
        }

        return $labels;
    }

    /**
     * @param  list<string>  $names
     * @return list<string>
     */
    private static function sorted(array $names): array
    {
        sort($names);

        return $names;
    }
}
