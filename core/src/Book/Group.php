<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** A hunt group: members, in which order and how long they ring, and what happens otherwise. */
final readonly class Group implements BookObject
{
    use NamedObject;

    /** What somebody who watches calls may do in them. */
    private const RIGHTS = ['listen', 'whisper', 'join', 'takeOver'];

    /**
     * @param  list<Member>  $members  in list order
     * @param  int  $ringsEach  rings of one offer
     * @param  int  $rotations  passes
     * @param  ?int  $noAnswerSeconds  the limit, from the first offer on
     * @param  ?int  $mostAtOnce  of a simultaneous group
     * @param  int  $restAfterNoAnswer  seconds
     * @param  int  $wrapUp  seconds
     * @param  list<array{item: string, who: string, may: list<string>}>  $watchers
     */
    private function __construct(
        public string $key,
        public ?string $id,
        public ?string $extension,
        public string $name,
        public ?Reference $site,
        public bool $enabled,
        public GroupOrder $order,
        public array $members,
        public int $ringsEach,
        public int $rotations,
        public ?int $noAnswerSeconds,
        public bool $skipBusy,
        public ?int $mostAtOnce,
        public int $restAfterNoAnswer,
        public int $wrapUp,
        public SignInBy $signInBy,
        public TierTwo $tierTwo,
        public ?Reference $schedule,
        public bool $closedByHand,
        public bool $handClosable,
        public ?Queue $queue,
        public Otherwise $otherwise,
        public ?string $prefix,
        public CallingClass $onwardClass,
        public ?Reference $mailbox,
        public array $watchers,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'id', 'extension', 'name', 'site', 'enabled', 'order', 'members', 'ringsEach', 'rotations', 'noAnswerSeconds', 'skipBusy', 'mostAtOnce', 'restAfterNoAnswer', 'wrapUp', 'signInBy', 'tierTwo', 'schedule', 'closedByHand', 'handClosable', 'queue', 'otherwise', 'prefix', 'onwardClass', 'mailbox', 'watchers');

        return new self(
            key: $node->slug('key'),
            id: $node->id(),
            extension: $node->extension(),
            name: $node->text('name', $node->text('key')),
            site: $node->reference('site', Kind::Site),
            enabled: $node->flag('enabled', true),
            order: $node->choice('order', GroupOrder::class, GroupOrder::Simultaneous),
            members: $node->items('members', Member::read(...)),
            ringsEach: $node->whole('ringsEach', 3, 1, 100),
            rotations: $node->whole('rotations', 1, 1, 1000),
            noAnswerSeconds: $node->isNullOrMissing('noAnswerSeconds') ? null : $node->whole('noAnswerSeconds', 0, 0, 86_400),
            skipBusy: $node->flag('skipBusy', true),
            mostAtOnce: $node->isNullOrMissing('mostAtOnce') ? null : $node->whole('mostAtOnce', 1, 1, 10_000),
            restAfterNoAnswer: $node->whole('restAfterNoAnswer', 0, 0, 86_400),
            wrapUp: $node->whole('wrapUp', 0, 0, 86_400),
            signInBy: $node->choice('signInBy', SignInBy::class, SignInBy::Member),
            tierTwo: $node->choice('tierTwo', TierTwo::class, TierTwo::Unavailable),
            schedule: $node->reference('schedule', Kind::Schedule),
            closedByHand: $node->flag('closedByHand', false),
            handClosable: $node->flag('handClosable', false),
            queue: $node->isNullOrMissing('queue') ? null : Queue::read($node->object('queue')),
            otherwise: Otherwise::read($node->object('otherwise')),
            prefix: $node->textOrNull('prefix'),
            onwardClass: $node->choice('onwardClass', CallingClass::class, CallingClass::National),
            mailbox: $node->reference('mailbox', Kind::Mailbox),
            watchers: $node->items('watchers', self::readWatcher(...)),
        );
    }

    public function kind(): Kind
    {
        return Kind::Group;
    }

    public function extension(): ?string
    {
        return $this->extension;
    }

    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'extension' => $this->extension,
            'name' => $this->name,
            'site' => Links::text($this->site),
            'enabled' => $this->enabled,
            'order' => $this->order->value,
            'members' => array_map(static fn (Member $member): array => $member->toArray(), $this->members),
            'ringsEach' => $this->ringsEach,
            'rotations' => $this->rotations,
            'noAnswerSeconds' => $this->noAnswerSeconds,
            'skipBusy' => $this->skipBusy,
            'mostAtOnce' => $this->mostAtOnce,
            'restAfterNoAnswer' => $this->restAfterNoAnswer,
            'wrapUp' => $this->wrapUp,
            'signInBy' => $this->signInBy->value,
            'tierTwo' => $this->tierTwo->value,
            'schedule' => Links::text($this->schedule),
            'closedByHand' => $this->closedByHand,
            'handClosable' => $this->handClosable,
            'queue' => $this->queue?->toArray(),
            'otherwise' => $this->otherwise->toArray(),
            'prefix' => $this->prefix,
            'onwardClass' => $this->onwardClass->value,
            'mailbox' => Links::text($this->mailbox),
            'watchers' => $this->watchers,
        ];
    }

    public function links(): array
    {
        $links = [...Links::reference('site', $this->site)];
        foreach ($this->members as $member) {
            array_push($links, ...Links::destination("members/{$member->item}/who", $member->who));
        }
        array_push($links, ...Links::reference('schedule', $this->schedule), ...$this->queue?->links() ?? [], ...$this->otherwise->links(), ...Links::reference('mailbox', $this->mailbox));
        foreach ($this->watchers as $watcher) {
            $links[] = new Link("watchers/{$watcher['item']}/who", Reference::parse($watcher['who']));
        }

        return $links;
    }

    /** @return array{item: string, who: string, may: list<string>} */
    private static function readWatcher(Node $node): array
    {
        $node->allow('item', 'who', 'may');
        $may = $node->texts('may');
        foreach ($may as $what) {
            if (! in_array($what, self::RIGHTS, true)) {
                throw UnusableBook::notOneOf($node->at('may'), $what, self::RIGHTS);
            }
        }

        return ['item' => $node->slug('item'), 'who' => (string) ($node->reference('who', Kind::User) ?? throw UnusableBook::missing($node->path, 'who')), 'may' => array_values(array_intersect(self::RIGHTS, $may))];
    }
}
