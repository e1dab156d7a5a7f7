<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Choice;
use Jaunty\Core\Book\Fields\Flag;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;
use Jaunty\Core\Book\Fields\Unit;
use Jaunty\Core\Book\Fields\Whole;

/** A way to the public network. */
final readonly class Trunk implements BookObject
{
    use Declared;
    use NamedObject;

    /**
     * @param  ?int  $channels  calls at once
     * @param  ?int  $outboundChannels  of these, calls outward
     * @param  bool  $outsideCallersOut  whether a caller from outside may be sent out again
     */
    private function __construct(
        #[Slug]
        public string $key,
        #[Id]
        public ?string $id,
        #[Text(like: 'key')]
        public string $name,
        #[Flag(true)]
        #[Said('On')]
        public bool $enabled,
        #[Text]
        public ?string $carrier,
        #[Whole(0, 1_000_000)]
        #[Said(in: Unit::Channels, unset: 'no limit')]
        public ?int $channels,
        #[Whole(0, 1_000_000)]
        #[Said('Of these outward', in: Unit::Channels, unset: 'all')]
        public ?int $outboundChannels,
        #[Refers(Kind::Number)]
        #[Said('Shows')]
        public ?Reference $callerId,
        #[Choice(DeliveredForm::E164)]
        #[Said('Numbers come as')]
        public DeliveredForm $deliversAs,
        #[Flag(false)]
        #[Said('Lets callers out again')]
        public bool $outsideCallersOut,
        #[Flag(false)]
        #[Said('Keeps the caller of a forwarded call')]
        public bool $keepsForwardedCallerId,
    ) {
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
}
