<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\AddressCheck;
use App\Models\EmergencyTest;
use App\Models\FloorPlan;
use App\Places\LineView;
use App\Places\SiteView;
use Jaunty\Core\Audit\AddressSeen;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;
use Jaunty\Core\Outbound\HelpCall;
use Jaunty\Core\Places\Readiness\CallBandwidth;
use Jaunty\Core\Places\Readiness\Held;
use Jaunty\Core\Places\TestBasis;

/** A place as its page and the table of all of them show it. */
final class SiteResource
{
    private const PARTS = ['street', 'city', 'subdivision', 'postcode', 'country'];

    /**
     * @param  list<SiteView>  $views
     * @return array<string, mixed>
     */
    public static function all(array $views): array
    {
        return ['sites' => array_map(self::of(...), $views)];
    }

    /** @return array<string, mixed> */
    private static function of(SiteView $view): array
    {
        $site = $view->site;

        return [
            'ref' => (string) Reference::of($site), 'key' => $site->key, 'name' => $site->name, 'zone' => $site->zone,
            'address' => array_map(
                static fn (string $part): ?string => $view->now->address[$part] ?? null,
                array_combine(self::PARTS, self::PARTS),
            ),
            'missing' => array_values(array_diff(self::PARTS, array_keys($view->now->address))),
            'callback' => $site->emergency->callback?->key,
            'told' => $site->emergency->notify,
            'check' => $view->check === null ? null : self::check($view, $view->check),
            'test' => $view->test === null ? null : self::test($view, $view->test),
            'line' => self::line($view->line),
            'plans' => array_map(static fn (FloorPlan $plan): array => [
                'floor' => $plan->floor, 'id' => $plan->id, 'width' => $plan->width, 'height' => $plan->height,
                'by' => $plan->technician->name, 'at' => $plan->put_at->toAtomString(),
            ], $view->plans),
            'contacts' => array_map(static fn (array $each): array => [
                'item' => $each[0]->item, 'next' => $each[1] === null ? null : gmdate('Y-m-d\TH:i:s\Z', $each[1]),
            ], $view->contacts),
            'people' => array_map(
                static fn (array $each): array => self::person($each[0], $each[1]),
                $view->people,
            ),
        ];
    }

    /**
     * @param  list<HelpCall>  $calls
     * @return array<string, mixed>
     */
    private static function person(User $user, array $calls): array
    {
        return [
            'ref' => (string) Reference::of($user), 'name' => $user->label(), 'floor' => $user->emergency['floor'],
            'room' => $user->emergency['room'], 'address' => $user->emergency['address'],
            'calls' => array_map(static fn (HelpCall $call): array => [
                'digits' => $call->digits, 'isLet' => $call->isLet,
                'shown' => $call->shown === '' ? null : $call->shown, 'whose' => $call->whose,
            ], $calls),
        ];
    }

    /** @return array<string, mixed> */
    private static function check(SiteView $view, AddressCheck $check): array
    {
        $seen = new AddressSeen($check->site_id, '', $check->verdict, $check->address, $check->better ?? []);
        $verdict = $seen->verdictOn($view->site);

        return [
            'verdict' => $verdict ?? $check->verdict, 'remark' => $check->remark, 'better' => $check->better,
            'at' => $check->made_at->toAtomString(), 'by' => $check->technician?->name,
            'holds' => $verdict !== null,
        ];
    }

    /** @return array<string, mixed> */
    private static function test(SiteView $view, EmergencyTest $test): array
    {
        $basis = $test->basis === null
            ? null
            : new TestBasis($test->basis['address'], $test->basis['callback'], $test->basis['telephones']);

        return [
            'at' => $test->tested_at->toAtomString(), 'by' => $test->technician?->name, 'caller' => $test->caller,
            'numberShown' => $test->number_shown, 'addressRead' => $test->address_read, 'passed' => $test->passed,
            'note' => $test->note, 'isNoted' => $basis === null, 'changed' => $basis?->changes($view->now) ?? [],
        ];
    }

    /** @return array<string, mixed> */
    private static function line(LineView $view): array
    {
        $held = $view->readiness();

        return [
            'ringing' => $view->ringing,
            'usual' => array_map(static fn (CallBandwidth $each): array => [
                'codec' => $each->codec->label(), 'packetMs' => $each->packetMs, 'kbit' => $each->onEthernet(),
            ], CallBandwidth::usual()),
            'measured' => $view->measurement === null || $held === null ? null : [
                'at' => $view->measurement->measured_at->toAtomString(), 'by' => $view->measurement->technician->name,
                'note' => $view->measurement->note, 'said' => $view->measurement->said,
                'busiest' => $view->measurement->busiest, 'calls' => $held->calls, 'needed' => $held->needed,
                'codec' => $held->each->codec->label(), 'packetMs' => $held->each->packetMs,
                'ownNetwork' => $view->measurement->measured['ownNetwork'],
                'backup' => $view->measurement->measured['backup'], 'passes' => $held->passes(),
                'figures' => array_map(static fn (Held $figure): array => [
                    'what' => $figure->what, 'is' => $figure->is, 'limit' => $figure->limit,
                    'passes' => $figure->passes(),
                ], $held->figures),
            ],
        ];
    }
}
