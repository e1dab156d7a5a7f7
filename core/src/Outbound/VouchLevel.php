<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

/**
 * How far a carrier vouches for the number that a call shows.
 *
 * @see https://www.rfc-editor.org/rfc/rfc8588#section-4 (RFC 8588: the claim "attest", whose levels ATIS-1000074 names)
 */
enum VouchLevel: string
{
    /** It knows the customer, and that the number is theirs to show. */
    case Full = 'full';
    /** It knows the customer, and not whether the number is theirs. */
    case Partial = 'partial';
    /** It knows where the call came into its network, and nothing else. */
    case Gateway = 'gateway';

    /** As the claim has it. */
    public function claim(): string
    {
        return match ($this) {
            self::Full => 'A',
            self::Partial => 'B',
            self::Gateway => 'C',
        };
    }
}
