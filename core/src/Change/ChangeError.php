<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

use Jaunty\Core\Book\Reference;
use Jaunty\Core\CoreException;

/** A change that does not fit the book it is applied to. */
final class ChangeError extends \DomainException implements CoreException
{
    private function __construct(public readonly Reference $object, public readonly ?string $path, string $message)
    {
        parent::__construct($message);
    }

    public static function alreadyThere(Reference $object): self
    {
        return new self($object, null, "{$object} cannot be created: it is in the book already");
    }

    public static function notThere(Reference $object): self
    {
        return new self($object, null, "{$object} cannot be changed: it is not in the book");
    }

    public static function changedMeanwhile(Reference $object, string $path): self
    {
        return new self($object, $path, "{$object}/{$path} is no longer what this change started from");
    }

    public static function keptForGood(Reference $object): self
    {
        return new self($object, null, "{$object} cannot be created or deleted by a change: the customer itself stays");
    }
}
