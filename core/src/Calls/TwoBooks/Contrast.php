<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\TwoBooks;

/** One way in which callers notice that a book was changed. */
final readonly class Contrast
{
    /**
     * @param  string  $called  `number:+E164`, or `extension:201` dialled inside
     * @param  list<string>  $script  what happens until then, from arrival on; the passive too
     * @param  ?string  $ofDegree  what only takes longer or shorter, or rings otherwise; null where callers meet
     *     something else
     * @param  list<int>  $classes  the period classes in which it is so
     */
    public function __construct(
        public string $called,
        public array $script,
        public Encounter $before,
        public Encounter $after,
        public ?string $ofDegree,
        public array $classes,
    ) {
    }

    /** @param list<int> $classes */
    public function in(array $classes): self
    {
        return new self($this->called, $this->script, $this->before, $this->after, $this->ofDegree, $classes);
    }

    public function words(): string
    {
        $script = $this->script === [] ? 'every caller' : 'a caller after ' . implode(', ', $this->script);

        return "{$script}: " . ($this->ofDegree ?? (
            $this->before->words() === $this->after->words()
            ? $this->apart()
            : "{$this->before->words()} -> {$this->after->words()}"
        ));
    }

    /** Where both sides read alike: who is rung on a call as well, and what can happen in one of them only. */
    private function apart(): string
    {
        $more = array_values(array_diff($this->after->onACall, $this->before->onACall));
        $less = array_values(array_diff($this->before->onACall, $this->after->onACall));
        $said = [
            ...$more === [] ? [] : ['now while ' . implode(', ', $more) . ' is on a call, too'],
            ...$less === [] ? [] : ['no longer while ' . implode(', ', $less) . ' is on a call'],
        ];
        if ($said === []) {
            $now = array_keys(array_diff_key($this->after->events, $this->before->events));
            $was = array_keys(array_diff_key($this->before->events, $this->after->events));
            $said = [...$now === [] ? [] : ['where there can be now: ' . implode(', ', $now)], ...$was === [] ? [] : [
                'where there could be before: ' . implode(', ', $was),
            ]];
        }

        return implode(' ', [$this->after->words() . ',', implode('; ', $said)]);
    }
}
