<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Trunk;

/** A trunk that outgoing calls may fill to the last channel. */
final readonly class ChannelsNoneForIncoming implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.channels-none-for-incoming',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Trunk::class) as $trunk) {
            $numbers = array_filter(
                $inspection->usesOf($trunk),
                static fn (array $use): bool => $use[0] instanceof Number,
            );
            // Where nobody says how many calls may go out, all of them may.
            if (
                $trunk->channels !== null
                && $trunk->channels > 0
                && ($trunk->outboundChannels ?? $trunk->channels) >= $trunk->channels
                && $numbers !== []
            ) {
                $left = max(1, intdiv($trunk->channels * 2, 3));
                yield Found::of(
                    ['trunk' => $trunk->name, 'channels' => $trunk->channels],
                    $trunk,
                )->at('outboundChannels')->fixedBy(
                    $trunk->channels < 2 ? null : Fix::set("Let them take {$left}", $trunk, 'outboundChannels', $left),
                );
            }
        }
    }
}
