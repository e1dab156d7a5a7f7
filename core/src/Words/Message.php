<?php

declare(strict_types=1);

namespace Jaunty\Core\Words;

/** What is to be said, before it is said in a language: which message, and of what. */
final readonly class Message
{
    /**
     * @param  string  $id  of the messages in `core/lang`
     * @param  array<string, string|int|self|Listing|Day>  $with  what the message names, by its arguments
     */
    public function __construct(public string $id, public array $with = [])
    {
    }
}
