<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** A person at the customer's with an extension: devices, own treatments, and where they sit. */
final readonly class User implements BookObject
{
    /**
     * @param  array{first: ?string, last: ?string}  $name
     * @param  list<Leg>  $legs  in ring order
     * @param  array{floor: ?string, room: ?string, address: ?string}  $emergency
     * @param  array{listed: bool, spokenName: bool}  $directory
     * @param  list<array{item: string, level: int}>  $skills
     */
    private function __construct(
        public string $key,
        public ?string $id,
        public ?string $extension,
        public array $name,
        public ?string $display,
        public ?string $email,
        public ?Reference $site,
        public ?string $zone,
        public ?Reference $schedule,
        public UserStatus $status,
        public CallingClass $callingClass,
        public bool $callWaiting,
        public ?Reference $mailbox,
        public ?Reference $callerId,
        public string $licence,
        public array $legs,
        public Handling $open,
        public ?Handling $closed,
        public ?Handling $holiday,
        public array $emergency,
        public array $directory,
        public ?Reference $reportsTo,
        public array $skills,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'id', 'extension', 'name', 'display', 'email', 'site', 'zone', 'schedule', 'status', 'callingClass', 'callWaiting', 'mailbox', 'callerId', 'licence', 'legs', 'handling', 'emergency', 'directory', 'reportsTo', 'skills');
        $name = $node->object('name');
        $name->allow('first', 'last');
        $handling = $node->object('handling');
        $handling->allow('open', 'closed', 'holiday');
        $emergency = $node->object('emergency');
        $emergency->allow('floor', 'room', 'address');
        $directory = $node->object('directory');
        $directory->allow('listed', 'spokenName');

        return new self(
            key: $node->slug('key'),
            id: $node->id(),
            extension: $node->extension(),
            name: ['first' => $name->textOrNull('first'), 'last' => $name->textOrNull('last')],
            display: $node->textOrNull('display'),
            email: $node->textOrNull('email'),
            site: $node->reference('site', Kind::Site),
            zone: $node->zoneOrNull('zone'),
            schedule: $node->reference('schedule', Kind::Schedule),
            status: $node->choice('status', UserStatus::class, UserStatus::Active),
            callingClass: $node->choice('callingClass', CallingClass::class, CallingClass::National),
            callWaiting: $node->flag('callWaiting', true),
            mailbox: $node->reference('mailbox', Kind::Mailbox),
            callerId: $node->reference('callerId', Kind::Number),
            licence: $node->text('licence', 'user'),
            legs: $node->items('legs', Leg::read(...)),
            open: Handling::read($handling->object('open')),
            closed: $handling->isNullOrMissing('closed') ? null : Handling::read($handling->object('closed')),
            holiday: $handling->isNullOrMissing('holiday') ? null : Handling::read($handling->object('holiday')),
            emergency: ['floor' => $emergency->textOrNull('floor'), 'room' => $emergency->textOrNull('room'), 'address' => $emergency->textOrNull('address')],
            directory: ['listed' => $directory->flag('listed', true), 'spokenName' => $directory->flag('spokenName', false)],
            reportsTo: $node->reference('reportsTo', Kind::User),
            skills: $node->items('skills', self::readSkill(...)),
        );
    }

    public function kind(): Kind
    {
        return Kind::User;
    }

    public function key(): string
    {
        return $this->key;
    }

    public function id(): ?string
    {
        return $this->id;
    }

    /** Display name, else first and last name, else the key. */
    public function label(): string
    {
        $full = trim("{$this->name['first']} {$this->name['last']}");

        return $this->display ?? ($full === '' ? $this->key : $full);
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
            'display' => $this->display,
            'email' => $this->email,
            'site' => $this->site === null ? null : (string) $this->site,
            'zone' => $this->zone,
            'schedule' => Links::text($this->schedule),
            'status' => $this->status->value,
            'callingClass' => $this->callingClass->value,
            'callWaiting' => $this->callWaiting,
            'mailbox' => $this->mailbox === null ? null : (string) $this->mailbox,
            'callerId' => $this->callerId === null ? null : (string) $this->callerId,
            'licence' => $this->licence,
            'legs' => array_map(static fn (Leg $leg): array => $leg->toArray(), $this->legs),
            'handling' => [
                'open' => $this->open->toArray(),
                'closed' => $this->closed?->toArray(),
                'holiday' => $this->holiday?->toArray(),
            ],
            'emergency' => $this->emergency,
            'directory' => $this->directory,
            'reportsTo' => $this->reportsTo === null ? null : (string) $this->reportsTo,
            'skills' => $this->skills,
        ];
    }

    public function links(): array
    {
        return [
            ...Links::reference('site', $this->site),
            ...Links::reference('schedule', $this->schedule),
            ...Links::reference('mailbox', $this->mailbox),
            ...Links::reference('callerId', $this->callerId),
            ...$this->open->links('handling/open'),
            ...$this->closed?->links('handling/closed') ?? [],
            ...$this->holiday?->links('handling/holiday') ?? [],
            ...Links::reference('reportsTo', $this->reportsTo),
        ];
    }

    /** @return array{item: string, level: int} */
    private static function readSkill(Node $node): array
    {
        $node->allow('item', 'level');

        return ['item' => $node->slug('item'), 'level' => $node->whole('level', 1, 1, 100)];
    }
}
