<?php

declare(strict_types=1);

namespace App\Demo;

use App\Models\Technician;
use App\Places\ElsewhereDesk;
use App\Places\LineDesk;
use App\Places\LineGiven;
use App\Places\PlanDesk;
use App\Places\SiteDesk;
use App\Time\Clock;
use Jaunty\Core\Places\OwnAddress;
use Jaunty\Core\Places\Readiness\Codec;

/** The demo's places: an office of three floors with plans, people who work at home, and lines that were measured. */
final readonly class DemoPlaces
{
    /** Which customers' lines were measured: Mbit/s down and up, ms there and back, ms of jitter, loss in a hundred. */
    private const LINES = [
        'ardent-road-veterinary' => [48.0, 9.2, 31.0, 4.0, 0.1],
        'quill-tern-insurance' => [250.0, 40.0, 18.0, 2.5, 0.0],
        // An old line, on which voices are cut.
        'redshank-couriers' => [12.0, 0.7, 64.0, 12.0, 0.4],
    ];

    /** Walls of each floor, upper and lower row. */
    private const WALLS = [
        'ground' => [[300, 560], [240, 640]],
        'second' => [[220, 440, 660], [450]],
        'third' => [[420], [300, 600]],
    ];

    public function __construct(
        private SiteDesk $sites,
        private PlanDesk $plans,
        private LineDesk $lines,
        private ElsewhereDesk $elsewhere,
        private Clock $clock,
    ) {
    }

    /** Once the book has them. */
    public function settle(Technician $who, DemoCustomer $customer): void
    {
        $key = $customer->key();
        foreach ($this->sites->all($who->id, $key) as $place) {
            $kept = array_column($place->plans, 'floor');
            foreach (self::WALLS as $floor => [$upper, $lower]) {
                $has = in_array($floor, array_column($place->site->floors, 'item'), true);
                if ($has && ! in_array($floor, $kept, true)) {
                    $this->plans->put($who->id, $key, $place->site->key, $floor, PlanPicture::of($upper, $lower));
                }
            }
            if (isset(self::LINES[$key]) && $place->line->measurement === null) {
                [$down, $up, $roundTrip, $jitter, $loss] = self::LINES[$key];
                $zone = new \DateTimeZone($place->site->zone ?? 'America/Halifax');
                $this->lines->measured($who->id, $key, $place->site->key, new LineGiven(
                    $this->clock->now()->setTimezone($zone)->format('Y-m-d\\TH:i'),
                    $down,
                    $up,
                    $roundTrip,
                    $jitter,
                    $loss,
                    true,
                    false,
                    Codec::G711,
                    20,
                    null,
                    '',
                ));
            }
        }
    }

    /** Everybody who works elsewhere is asked where; those of whom the book knows it answer. */
    public function ask(Technician $who, DemoCustomer $customer): void
    {
        foreach ($this->elsewhere->all($who->id, $customer->key()) as $person) {
            $user = $person->user;
            if ($person->ask !== null || $user->email === null) {
                continue;
            }
            $code = $this->elsewhere->ask($who->id, $customer->key(), $user->key, $user->email, 'en');
            $told = $user->emergency['address'] === null ? [] : explode(', ', $user->emergency['address']);
            if (count($told) === 5) {
                [$street, $city, $subdivision, $postcode, $country] = $told;
                $this->elsewhere->answer($code, new OwnAddress(
                    $street,
                    $user->emergency['room'] ?? '',
                    $city,
                    $subdivision,
                    $postcode,
                    $country,
                ));
            }
        }
    }
}
