<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

use Jaunty\Core\CoreException;

/** A template that cannot be read or expanded: a fault of the template, not of the answers. */
final class UnusableTemplate extends \DomainException implements CoreException
{
    public static function unknownSlot(string $path, string $slot): self
    {
        return new self("{$path}: the template has no slot called \"{$slot}\"");
    }

    public static function unknownPart(string $path, string $slot, string $part): self
    {
        return new self("{$path}: slot \"{$slot}\" has no part called \"{$part}\"");
    }

    public static function malformed(string $path, string $form): self
    {
        return new self("{$path}: \"{$form}\" is not written as docs/templates.md has it");
    }

    public static function broken(string $path, \Throwable $cause): self
    {
        return new self("{$path}: {$cause->getMessage()}", 0, $cause);
    }
}
