<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Numbers;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Line;
use Jaunty\Core\Book\LinePurpose;
use Jaunty\Core\Book\Menu;

/** A line for a machine whose calls are answered by a machine of ours. */
final readonly class SpecialLineTreated implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.special-line-treated',
            Severity::Error,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Line::class) as $line) {
            foreach ($inspection->usesOf($line) as [$user, $path]) {
                if (
                    in_array(
                        $line->purpose,
                        [LinePurpose::Fax, LinePurpose::Alarm, LinePurpose::Lift, LinePurpose::Card],
                        true,
                    )
                    && ($user instanceof Attendant || $user instanceof Menu || $user instanceof Group)
                ) {
                    yield Found::of(
                        ['line' => $line->name, 'user' => $inspection->names->said($user)],
                        $line,
                        $user,
                    )->at('purpose', $path);
                }
            }
        }
    }
}
