<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Names;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Words\Message;

/** A name that nobody can tell from another. */
final readonly class SaysNothing implements Rule
{
    private const SAYS_NOTHING = '/^(?:(?:new|my|the|a|untitled|default)\s+)*(?:hunt\s*|ring\s*|call\s*)?'
        . '(?:group|queue|attendant|menu|chain|list|grp|aa|ivr|hg|rg|cq|q)[\s_-]*\d*$|'
        . '^[a-z]{1,3}[\s_-]?\d+$|^(?:asdf|qwer|xxx*|abc)\w*$/iD';

    public function about(): About
    {
        return new About(
            'names.says-nothing',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $kinds = [Group::class, Attendant::class, Menu::class, Chain::class];
        foreach (
            array_merge(
                ...array_map(static fn (string $class): array => $inspection->book->all($class), $kinds),
            ) as $object
        ) {
            if (preg_match(self::SAYS_NOTHING, trim($object->name)) === 1) {
                yield Found::of(
                    ['object' => $object->name, 'kind' => new Message("kind/{$object->kind()->value}")],
                    $object,
                )->at('name');
            }
        }
    }
}
