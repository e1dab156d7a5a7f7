<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** A way to the public network. */
final readonly class Trunk implements BookObject
{
    use NamedObject;

    /**
     * @param  ?int  $channels  calls at once
     * @param  ?int  $outboundChannels  of these, calls outward
     * @param  bool  $outsideCallersOut  whether a caller from outside may be sent out again
     */
    private function __construct(
        public string $key,
        public ?string $id,
        public string $name,
        public bool $enabled,
        public ?string $carrier,
        public ?int $channels,
        public ?int $outboundChannels,
        public ?Reference $callerId,
        public DeliveredForm $deliversAs,
        public bool $outsideCallersOut,
        public bool $keepsForwardedCallerId,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'id', 'name', 'enabled', 'carrier', 'channels', 'outboundChannels', 'callerId', 'deliversAs', 'outsideCallersOut', 'keepsForwardedCallerId');

        return new self(
            key: $node->slug('key'),
            id: $node->id(),
            name: $node->text('name', $node->text('key')),
            enabled: $node->flag('enabled', true),
            carrier: $node->textOrNull('carrier'),
            channels: $node->isNullOrMissing('channels') ? null : $node->whole('channels', 0, 0, 1_000_000),
            outboundChannels: $node->isNullOrMissing('outboundChannels') ? null : $node->whole('outboundChannels', 0, 0, 1_000_000),
            callerId: $node->reference('callerId', Kind::Number),
            deliversAs: $node->choice('deliversAs', DeliveredForm::class, DeliveredForm::E164),
            outsideCallersOut: $node->flag('outsideCallersOut', false),
            keepsForwardedCallerId: $node->flag('keepsForwardedCallerId', false),
        );
    }

    /**
     * Why it takes no call outward, whatever the traffic; null where it does.
     *
     * @param  bool  $isInside  whether the caller is inside the company
     * @param  bool  $isForHelp  a call for help pre-empts a channel, those kept for calls inward too
     */
    public function refuses(bool $isInside, bool $isForHelp = false): ?string
    {
        return match (true) {
            ! $this->enabled => 'is switched off',
            ! $isInside && ! $this->outsideCallersOut => 'lets no caller from outside out again',
            $this->channels === 0 => 'has no channel',
            ! $isForHelp && $this->outboundChannels === 0 => 'has no channel for calls outward',
            default => null,
        };
    }

    public function kind(): Kind
    {
        return Kind::Trunk;
    }

    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'name' => $this->name,
            'enabled' => $this->enabled,
            'carrier' => $this->carrier,
            'channels' => $this->channels,
            'outboundChannels' => $this->outboundChannels,
            'callerId' => Links::text($this->callerId),
            'deliversAs' => $this->deliversAs->value,
            'outsideCallersOut' => $this->outsideCallersOut,
            'keepsForwardedCallerId' => $this->keepsForwardedCallerId,
        ];
    }

    public function links(): array
    {
        return Links::reference('callerId', $this->callerId);
    }
}
