<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Where a voice message is left, and who is told of it. */
final readonly class Mailbox implements BookObject
{
    use NamedObject;

    /** @param list<string> $notify mail addresses */
    private function __construct(
        public string $key,
        public ?string $id,
        public string $name,
        public ?string $extension,
        public ?Reference $owner,
        public bool $enabled,
        public ?Reference $greeting,
        public ?Destination $zero,
        public bool $full,
        public PinStrength $pin,
        public array $notify,
        public bool $attachAudio,
        public bool $deleteAfterMail,
        public bool $transcribe,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'id', 'name', 'extension', 'owner', 'enabled', 'greeting', 'zero', 'full', 'pin', 'notify', 'attachAudio', 'deleteAfterMail', 'transcribe');

        return new self(
            key: $node->slug('key'),
            id: $node->id(),
            name: $node->text('name', $node->text('key')),
            extension: $node->extension(),
            owner: $node->reference('owner', Kind::User),
            enabled: $node->flag('enabled', true),
            greeting: $node->reference('greeting', Kind::Prompt),
            zero: $node->destination('zero'),
            full: $node->flag('full', false),
            pin: $node->choice('pin', PinStrength::class, PinStrength::None),
            notify: $node->texts('notify'),
            attachAudio: $node->flag('attachAudio', true),
            deleteAfterMail: $node->flag('deleteAfterMail', false),
            transcribe: $node->flag('transcribe', false),
        );
    }

    public function kind(): Kind
    {
        return Kind::Mailbox;
    }

    public function extension(): ?string
    {
        return $this->extension;
    }

    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'name' => $this->name,
            'extension' => $this->extension,
            'owner' => $this->owner === null ? null : (string) $this->owner,
            'enabled' => $this->enabled,
            'greeting' => Links::text($this->greeting),
            'zero' => $this->zero === null ? null : (string) $this->zero,
            'full' => $this->full,
            'pin' => $this->pin->value,
            'notify' => $this->notify,
            'attachAudio' => $this->attachAudio,
            'deleteAfterMail' => $this->deleteAfterMail,
            'transcribe' => $this->transcribe,
        ];
    }

    public function links(): array
    {
        return [
            ...Links::reference('owner', $this->owner),
            ...Links::reference('greeting', $this->greeting),
            ...Links::destination('zero', $this->zero),
        ];
    }
}
