<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** One device or outside number that rings for a user. */
final readonly class Leg
{
    /**
     * @param  ?string  $number  E.164, of an outside leg
     * @param  ?string  $hardware  hardware address of a desk phone
     * @param  int  $seconds  how long it rings
     * @param  bool  $forGroups  whether it also rings for hunt groups
     * @param  bool  $confirm  whether whoever answers must press a key
     * @param  int  $mailboxAfter  seconds until an outside number's own mailbox answers
     */
    private function __construct(
        public string $item,
        public LegKind $legKind,
        public ?string $number,
        public ?string $hardware,
        public int $seconds,
        public bool $forGroups,
        public bool $confirm,
        public int $mailboxAfter,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('item', 'kind', 'number', 'hardware', 'seconds', 'forGroups', 'confirm', 'mailboxAfter');
        $kind = $node->choice('kind', LegKind::class, LegKind::Desk);

        return new self(
            item: $node->slug('item'),
            legKind: $kind,
            number: $node->phoneOrNull('number'),
            hardware: $node->matchingOrNull('hardware', '/^[0-9a-f]{12}$/D', 'a hardware address (twelve hex digits in small letters)'),
            seconds: $node->whole('seconds', 20, 1, 3600),
            forGroups: $node->flag('forGroups', $kind !== LegKind::Outside),
            confirm: $node->flag('confirm', false),
            mailboxAfter: $node->whole('mailboxAfter', 20, 0, 3600),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'item' => $this->item,
            'kind' => $this->legKind->value,
            'number' => $this->number,
            'hardware' => $this->hardware,
            'seconds' => $this->seconds,
            'forGroups' => $this->forGroups,
            'confirm' => $this->confirm,
            'mailboxAfter' => $this->mailboxAfter,
        ];
    }
}
