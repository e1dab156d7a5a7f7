<?php

declare(strict_types=1);

namespace Jaunty\Core\Sentences;

use Jaunty\Core\CoreException;

/** A call sentence that could not be read, with where it stops making sense. */
final class UnreadableCall extends \RuntimeException implements CoreException
{
    /** @param int $at offset of the first character that is not understood */
    public function __construct(string $detail, public readonly int $at)
    {
        parent::__construct($detail);
    }
}
