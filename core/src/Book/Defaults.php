<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** What a tenant or a site does with its users' calls where the user says nothing. */
final readonly class Defaults
{
    private function __construct(
        public ?Treatment $noAnswer,
        public ?Treatment $busy,
        public ?Treatment $unreachable,
        public ?Treatment $doNotDisturb,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('noAnswer', 'busy', 'unreachable', 'doNotDisturb');

        return new self(
            Treatment::read($node, 'noAnswer'),
            Treatment::read($node, 'busy'),
            Treatment::read($node, 'unreachable'),
            Treatment::read($node, 'doNotDisturb'),
        );
    }

    public function of(string $condition): ?Treatment
    {
        return match ($condition) {
            'noAnswer' => $this->noAnswer,
            'busy' => $this->busy,
            'unreachable' => $this->unreachable,
            'doNotDisturb' => $this->doNotDisturb,
            default => null,
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'noAnswer' => $this->noAnswer?->toValue(),
            'busy' => $this->busy?->toValue(),
            'unreachable' => $this->unreachable?->toValue(),
            'doNotDisturb' => $this->doNotDisturb?->toValue(),
        ];
    }

    /** @return list<Link> */
    public function links(): array
    {
        return [
            ...Links::treatment('defaults/noAnswer', $this->noAnswer),
            ...Links::treatment('defaults/busy', $this->busy),
            ...Links::treatment('defaults/unreachable', $this->unreachable),
            ...Links::treatment('defaults/doNotDisturb', $this->doNotDisturb),
        ];
    }
}
