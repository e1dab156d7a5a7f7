<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

/**
 * Looks things up among instants that ascend.
 *
 * @internal
 */
final class Ascending
{
    /**
     * @param  non-empty-list<int>  $from
     * @return int the place of the last that is not after the instant; the first, if all are
     */
    public static function lastUpTo(array $from, int $instant): int
    {
        $low = 0;
        $high = count($from) - 1;
        while ($low < $high) {
            $middle = intdiv($low + $high + 1, 2);
            if ($from[$middle] <= $instant) {
                $low = $middle;
            } else {
                $high = $middle - 1;
            }
        }

        return $low;
    }
}
