<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Names;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Prompt;

/** A name nobody filled in. */
final readonly class PlaceholderLeft implements Rule
{
    public function about(): About
    {
        return new About(
            'names.placeholder-left',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->objects() as $object) {
            $text = $object instanceof Prompt ? (string) $object->script : $object->label();
            if (
                preg_match(
                    '/\[[^\]]*\]|\{[^}]*\}|<[a-z ]+>|\b(?:TBD|TBC|lorem ipsum|your company|company name)\b/i',
                    $text,
                    $found,
                ) === 1
            ) {
                yield Found::of(
                    [
                        'object' => $object->label(),
                        'text' => $found[0],
                        'place' => $object instanceof Prompt ? 'script' : 'name',
                    ],
                    $object,
                )->at($object instanceof Prompt ? 'script' : 'name');
            }
        }
    }
}
