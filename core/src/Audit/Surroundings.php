<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Device;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;
use Jaunty\Core\Provisioning\Unsupported;

/**
 * What no book says of a customer: how far it is on the way to the switch, what was signed, and what it was made from.
 */
final readonly class Surroundings
{
    /** @var array<string, NumberSeen> */
    private array $stockByNumber;

    /** @var array<string, OwnAddressSeen> by user */
    private array $saidBy;

    /** @var array<string, TelephoneSeen> by device */
    private array $heardOf;

    /** @var array<string, RegistrationSeen> by number and kind */
    private array $filed;

    /**
     * @param  int  $revision  as last entered
     * @param  ?int  $pushed  the revision that was pushed whole; null where none was
     * @param  ?string  $readOn  a date: the switch was last read then; null where it never was
     * @param  list<string>  $notCarried  objects that the switch has no place for, as references
     * @param  ?Book  $signed  as the customer put their name to it; null where they did not
     * @param  ?string  $template  its name, of the one applied last; null where the book came from a file
     * @param  int  $versionsBehind  of that template, since it was applied
     * @param  list<string>  $unanswered  questions of its newest version that have to be answered and are not
     * @param  ?Book  $made  what it made
     * @param  list<string>  $unexplained  fields changed since without a reason in the history: `user:ines
     *     callingClass`
     * @param  list<GrantSeen>  $grants  for this customer alone
     * @param  list<InvitationSeen>  $invitations  to work on this customer, that nobody accepted yet
     * @param  list<PortSeen>  $ports
     * @param  list<string>  $pinsOnSwitch  mailboxes of which the switch says that a PIN is set, as references
     * @param  ?string  $waitingSince  a date: the first change that was not pushed was entered then; null where nothing
     *     waits
     * @param  list<DraftSeen>  $drafts  of every technician
     * @param  list<Unsupported>  $unsupported  fields that the switch has no place for
     * @param  list<AddressSeen>  $addresses  the last check of each site
     * @param  list<TestSeen>  $tests  the last test call for help of each site
     * @param  list<LeavingSeen>  $leaving
     * @param  list<string>  $verified  numbers of other carriers', in E.164, that may be shown
     * @param  list<RegistrationSeen>  $registrations
     * @param  list<NumberSeen>  $stock  numbers of the customer's, as they stand with the reseller
     * @param  list<LineSeen>  $lines  of each site as last measured
     * @param  list<OwnAddressSeen>  $ownAddresses  of each user as they last said it
     * @param  list<TelephoneSeen>  $telephones  of each as the switch last heard of it; none where it was not asked
     */
    public function __construct(
        public int $revision = 1,
        public ?int $pushed = null,
        public ?string $readOn = null,
        public array $notCarried = [],
        public ?Book $signed = null,
        public ?string $template = null,
        public int $versionsBehind = 0,
        public array $unanswered = [],
        public ?Book $made = null,
        public array $unexplained = [],
        public array $grants = [],
        public array $invitations = [],
        public array $ports = [],
        public array $pinsOnSwitch = [],
        public ?string $waitingSince = null,
        public array $drafts = [],
        public array $unsupported = [],
        public array $addresses = [],
        public array $tests = [],
        public array $leaving = [],
        public array $stock = [],
        public array $verified = [],
        public array $registrations = [],
        public array $lines = [],
        public array $ownAddresses = [],
        public array $telephones = [],
    ) {
        $this->heardOf = array_column($telephones, null, 'device');
        $this->stockByNumber = array_column($stock, null, 'number');
        $filed = [];
        foreach ($registrations as $each) {
            $filed["{$each->number} {$each->kind}"] = $each;
        }
        $this->filed = $filed;
        $this->saidBy = array_column($ownAddresses, null, 'user');
    }

    /** Null where nothing was filed. */
    public function registrationOf(Number $number, string $kind): ?RegistrationSeen
    {
        return $this->filed["{$number->key} {$kind}"] ?? null;
    }

    /** Null where nothing is known of it. */
    public function stockOf(Number $number): ?NumberSeen
    {
        return $this->stockByNumber[$number->key] ?? null;
    }

    /** Null where nobody asked the carrier. */
    public function addressOf(Site $site): ?AddressSeen
    {
        return self::ofSite($this->addresses, $site);
    }

    /** Null where nobody called for help to try it. */
    public function testOf(Site $site): ?TestSeen
    {
        return self::ofSite($this->tests, $site);
    }

    /** Null where nobody measured. */
    public function lineOf(Site $site): ?LineSeen
    {
        return self::ofSite($this->lines, $site);
    }

    /** Null where the switch was not asked, or does not know it. */
    public function telephoneOf(Device $device): ?TelephoneSeen
    {
        return $this->heardOf[$device->id ?? $device->key] ?? null;
    }

    /** Null where they never said. */
    public function ownAddressOf(User $user): ?OwnAddressSeen
    {
        return $this->saidBy[$user->id ?? $user->key] ?? null;
    }

    /**
     * @template T of AddressSeen|TestSeen|LineSeen
     *
     * @param  list<T>  $all
     * @return ?T
     */
    private static function ofSite(array $all, Site $site): AddressSeen|TestSeen|LineSeen|null
    {
        foreach ($all as $each) {
            if ($each->isOf($site)) {
                return $each;
            }
        }

        return null;
    }
}
