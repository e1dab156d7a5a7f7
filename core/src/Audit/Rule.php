<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

/**
 * One thing that can be wrong with a customer's configuration. Small, without state, with its own documentation; proven
 * on `tests/data/rules`.
 */
interface Rule
{
    public function about(): About;

    /** @return iterable<Found> */
    public function check(Inspection $inspection): iterable;
}
