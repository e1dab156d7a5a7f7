<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** A member of a hunt group: a user, or an outside number. */
final readonly class Member
{
    /**
     * @param  Destination  $who  a user or an outside number
     * @param  ?int  $share  in percent, of a weighted group; unset: does not exist there
     * @param  bool  $signedIn  the starting value; holds where only an administrator signs in, and for outside members
     * @param  bool  $confirm  whether an outside member must press a key to take the call
     */
    private function __construct(
        public string $item,
        public Destination $who,
        public int $tier,
        public ?int $share,
        public bool $signedIn,
        public bool $confirm,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('item', 'who', 'tier', 'share', 'signedIn', 'confirm');
        $who = $node->destination('who') ?? throw UnusableBook::missing($node->path, 'who');
        if ($who->outside === null && $who->object?->kind !== Kind::User) {
            throw UnusableBook::malformed($node->at('who'), 'a user or an outside number', (string) $who);
        }

        return new self(
            item: $node->slug('item'),
            who: $who,
            tier: $node->whole('tier', 1, 1, 2),
            share: $node->isNullOrMissing('share') ? null : $node->whole('share', 0, 0, 100),
            signedIn: $node->flag('signedIn', true),
            confirm: $node->flag('confirm', false),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['item' => $this->item, 'who' => (string) $this->who, 'tier' => $this->tier, 'share' => $this->share, 'signedIn' => $this->signedIn, 'confirm' => $this->confirm];
    }
}
