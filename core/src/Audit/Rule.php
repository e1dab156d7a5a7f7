<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

/** One thing that can be wrong with a customer's configuration. Small, without state, with its own documentation and samples. */
interface Rule
{
    public function about(): About;

    /** @return iterable<Finding> */
    public function check(Inspection $inspection): iterable;

    /** A book in which it finds nothing, and one in which it finds something; both run as tests. */
    public function samples(): Samples;
}
