<?php

declare(strict_types=1);

namespace App\Places;

use App\Models\AddressCheck;
use App\Models\EmergencyTest;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;
use Jaunty\Core\Outbound\HelpCall;
use Jaunty\Core\Places\TestBasis;

/** One place, with who is there and what was proven of it. */
final readonly class SiteView
{
    /**
     * @param  TestBasis  $now  what a test call would be made with
     * @param  list<array{User, list<HelpCall>}>  $people  each with their calls for help, by what they show
     */
    public function __construct(
        public Site $site,
        public TestBasis $now,
        public ?AddressCheck $check,
        public ?EmergencyTest $test,
        public array $people,
        public LineView $line,
    ) {
    }
}
