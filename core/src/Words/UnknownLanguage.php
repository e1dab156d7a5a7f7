<?php

declare(strict_types=1);

namespace Jaunty\Core\Words;

use Jaunty\Core\CoreException;

/** A language that nobody has written the messages of. */
final class UnknownLanguage extends \DomainException implements CoreException
{
    public static function named(string $tag): self
    {
        $here = implode(', ', array_keys(Language::all()));

        return new self("There is no language \"{$tag}\" here; there are {$here}");
    }
}
