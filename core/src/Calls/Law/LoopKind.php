<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

/** What keeps a call going round. */
enum LoopKind: string
{
    /** Nobody does anything, and the call goes round for ever. */
    case Inescapable = 'inescapable';

    /** It goes round while somebody is busy, away, or does not answer. */
    case Conditional = 'conditional';

    /** It goes round as often as the caller presses a key. */
    case CallerDriven = 'callerDriven';
}
