<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

/** What is chosen from, as people say it, where its value spelt out does not. */
interface InWords extends \BackedEnum
{
    public function inWords(): string;
}
