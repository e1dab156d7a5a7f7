<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Telephones\Presence;

/** A telephone as the switch last heard of it. */
final readonly class TelephoneSeen
{
    public Presence $state;

    /**
     * @param  string  $device  its id, or its key where it has none
     * @param  string  $state  of Presence
     * @param  ?string  $since  a date; null where it never came
     * @param  bool  $isCurrent  whether it has the configuration it ought to have
     */
    public function __construct(public string $device, string $state, public ?string $since, public bool $isCurrent)
    {
        $this->state = Presence::from($state);
    }
}
