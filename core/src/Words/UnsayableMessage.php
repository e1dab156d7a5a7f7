<?php

declare(strict_types=1);

namespace Jaunty\Core\Words;

/** A message that a language lacks, or writes so that ICU cannot read it: a bug of ours. */
final class UnsayableMessage extends \LogicException
{
    public static function missing(string $tag, string $id): self
    {
        return new self("Language {$tag} has no message \"{$id}\"");
    }

    public static function malformed(string $tag, string $id): self
    {
        return new self("Language {$tag}: message \"{$id}\" cannot be read: " . intl_get_error_message());
    }

    public static function refused(string $tag, string $id, string $why): self
    {
        return new self("Language {$tag}: message \"{$id}\" cannot be said: {$why}");
    }
}
