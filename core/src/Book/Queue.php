<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Callers wait here until a member is free. */
final readonly class Queue
{
    /**
     * @param  int  $most  callers waiting at once, those being offered counted
     * @param  ?int  $longestWait  seconds from entry; unset: no end
     * @param  int  $comfortEvery  seconds between comfort messages
     * @param  ?string  $exitKey  the key that leads out
     */
    private function __construct(
        public int $most,
        public ?int $longestWait,
        public int $comfortEvery,
        public ?string $exitKey,
        public ?Reference $greeting,
        public ?Reference $comfort,
        public ?Reference $music,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('most', 'longestWait', 'comfortEvery', 'exitKey', 'greeting', 'comfort', 'music');

        return new self(
            most: $node->whole('most', 10, 0, 100_000),
            longestWait: $node->isNullOrMissing('longestWait') ? null : $node->whole('longestWait', 0, 1, 86_400),
            comfortEvery: $node->whole('comfortEvery', 30, 1, 3600),
            exitKey: $node->matchingOrNull('exitKey', Menu::KEY, 'one key of a telephone (0 to 9, * or #)'),
            greeting: $node->reference('greeting', Kind::Prompt),
            comfort: $node->reference('comfort', Kind::Prompt),
            music: $node->reference('music', Kind::Prompt),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'most' => $this->most,
            'longestWait' => $this->longestWait,
            'comfortEvery' => $this->comfortEvery,
            'exitKey' => $this->exitKey,
            'greeting' => Links::text($this->greeting),
            'comfort' => Links::text($this->comfort),
            'music' => Links::text($this->music),
        ];
    }

    /** @return list<Link> */
    public function links(): array
    {
        return [
            ...Links::reference('queue/greeting', $this->greeting),
            ...Links::reference('queue/comfort', $this->comfort),
            ...Links::reference('queue/music', $this->music),
        ];
    }
}
