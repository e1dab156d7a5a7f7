<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\OneCall;

use Jaunty\Core\CoreException;

/** A test call that cannot be made; names the place and the cause. */
final class UnusableScript extends \DomainException implements CoreException
{
    public function __construct(public readonly string $path, public readonly string $cause)
    {
        parent::__construct("{$path}: {$cause}");
    }
}
