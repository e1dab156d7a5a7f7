<?php

declare(strict_types=1);

namespace App\Places;

use App\Models\AddressCheck;
use App\Models\EmergencyTest;
use App\Models\FloorPlan;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\SiteContact;
use Jaunty\Core\Book\User;
use Jaunty\Core\Outbound\HelpCall;
use Jaunty\Core\Places\TestBasis;

/** One place, with who is there and what was proven of it. */
final readonly class SiteView
{
    /**
     * @param  TestBasis  $now  what a test call would be made with
     * @param  list<array{User, list<HelpCall>}>  $people  each with their calls for help, by what they show
     * @param  list<FloorPlan>  $plans
     * @param  list<array{SiteContact, ?int}>  $contacts  each with when they are there next, in seconds since 1970;
     *     null where they are not within a fortnight
     */
    public function __construct(
        public Site $site,
        public TestBasis $now,
        public ?AddressCheck $check,
        public ?EmergencyTest $test,
        public array $people,
        public array $plans,
        public array $contacts,
        public LineView $line,
    ) {
    }
}
