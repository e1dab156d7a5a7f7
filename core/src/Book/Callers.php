<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Numbering\DigitMap;

/** Which callers something is for: a digit map over E.164 digits, or a word. */
final class Callers
{
    public const WITHHELD = 'withheld';

    public const ANYONE = 'anyone';

    /**
     * The field `callers` of a node.
     *
     * @param  string  ...$words  that may stand for a digit map
     *
     * @throws UnusableBook
     */
    public static function read(Node $node, string ...$words): string
    {
        $callers = $node->text('callers');
        if (! in_array($callers, $words, true)) {
            DigitMap::parse($callers, $node->at('callers'));
        }

        return $callers;
    }
}
