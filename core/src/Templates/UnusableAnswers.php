<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

use Jaunty\Core\CoreException;

/** Every answer at fault at once, by slot, so that a form can show them all. */
final class UnusableAnswers extends \DomainException implements CoreException
{
    /** @param array<string, string> $faults by slot key */
    public function __construct(public readonly array $faults)
    {
        parent::__construct('Some answers need another look: ' . implode(', ', array_keys($faults)));
    }
}
