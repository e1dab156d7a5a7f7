<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Menu;

/** A menu or group by which a caller from outside could be sent abroad. */
final readonly class OnwardDiallingOpen implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.onward-dialling-open',
            Severity::Error,
            'common practice against toll fraud',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->objects() as $object) {
            $class = $object instanceof Menu
                || $object instanceof Attendant
                || $object instanceof Group
                || $object instanceof Chain
                ? $object->onwardClass
                : null;
            if ($class === CallingClass::International) {
                yield Found::of(
                    ['object' => $inspection->names->said($object)],
                    $object,
                )->at('onwardClass')
                    ->fixedBy(Fix::set('Let it be national', $object, 'onwardClass', CallingClass::National->value));
            }
        }
    }
}
