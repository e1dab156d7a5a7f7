<?php

declare(strict_types=1);

namespace App\Book;

use Jaunty\Core\Change\Clash;

/** A change that cannot be entered as it is: somebody else changed the same thing meanwhile. */
final class ClashesFound extends \RuntimeException
{
    /** @param non-empty-list<Clash> $clashes */
    public function __construct(public readonly array $clashes)
    {
        parent::__construct(count($clashes) === 1
            ? 'One field was changed by somebody else meanwhile. Decide which value holds; nothing was entered and '
                . 'nothing is lost.'
            : count($clashes) . ' fields were changed by somebody else meanwhile. Decide which values hold; nothing '
                . 'was entered and nothing is lost.');
    }
}
