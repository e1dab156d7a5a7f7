<?php

declare(strict_types=1);

namespace Jaunty\Core\Rulers;

/** Somebody's time on a ruler: from which second to which a phone rings, and how much of that ever happens. */
final readonly class Bar
{
    /** It rings to its end, it is cut by a limit, or it never rings. */
    public const WHOLE = 'whole';

    public const CUT = 'cut';

    public const NEVER = 'never';

    /**
     * @param  string  $item  of the list it stands in
     * @param  string  $who  a reference or destination, as the book writes it
     * @param  int  $from  seconds from the first ring on, where nobody before is passed over
     * @param  int  $to  seconds; where it would end if nothing cut it
     * @param  string  $reached  one of the constants
     * @param  int  $rings  whole rings that are heard
     * @param  ?int  $mailboxAt  second in which an outside number's own mailbox takes the call
     * @param  bool  $isPassedOver  whether it cannot ring at all: signed out, suspended, no telephone
     */
    public function __construct(
        public string $item,
        public string $who,
        public int $pass,
        public int $from,
        public int $to,
        public string $reached,
        public int $rings,
        public ?int $mailboxAt = null,
        public bool $isPassedOver = false,
    ) {
    }
}
