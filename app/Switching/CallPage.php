<?php

declare(strict_types=1);

namespace App\Switching;

use Jaunty\Core\CallRecords\CallRecord;

/** Some of the calls a switch wrote down. */
final readonly class CallPage
{
    /**
     * @param  array<int, CallRecord>  $records  by the switch's own number of each, which only grows
     * @param  ?int  $next  ask again with this for more; null where these are the last
     */
    public function __construct(public array $records, public ?int $next)
    {
    }
}
