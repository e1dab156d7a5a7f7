<?php

declare(strict_types=1);

namespace Standins\CarrierDesk;

use Standins\Shared\Faults;
use Standins\Shared\Refusal;
use Standins\Shared\Request;
use Standins\Shared\Response;
use Standins\Shared\Standin;
use Standins\Shared\Store;

/**
 * The number carrier: search what is free, reserve, order with a charge to confirm, release, bring over from another
 * and let go to another, register names and text messages, vouch for calls, and say whether help would find an
 * address. Trouble of every kind on demand (`PUT /faults`). Its clock is turned by hand (`POST /clock`): its day begins
 * where somebody says so.
 * Its numbers are those set aside for fiction: 555-0100 to 555-0199 in North American area codes, and the United
 * Kingdom's drama ranges.
 */
final class CarrierDesk extends Standin
{
    private const SCHEMA = 'CREATE TABLE IF NOT EXISTS clock (one INTEGER PRIMARY KEY CHECK (one = 1), day TEXT NOT '
        . 'NULL);';

    private readonly Store $store;

    private readonly Holdings $holdings;

    private readonly Transfers $transfers;

    private readonly Departures $departures;

    private readonly Registrations $registrations;

    private readonly Faults $faults;

    /** @var \Closure(): int */
    private readonly \Closure $now;

    /**
     * @param  string  $tokens  one for each reseller, with commas
     * @param  callable(): int  $now  Unix seconds, by which its day is meant until somebody turns its clock
     */
    public function __construct(string $file, private readonly string $tokens, callable $now)
    {
        $this->now = $now(...);
        $this->store = new Store($file, self::SCHEMA . Holdings::SCHEMA . Transfers::SCHEMA . Departures::SCHEMA
            . Registrations::SCHEMA);
        $this->holdings = new Holdings($this->store);
        $this->transfers = new Transfers($this->store, $this->holdings);
        $this->departures = new Departures($this->store, $this->holdings);
        $this->registrations = new Registrations($this->store, $this->holdings);
        $this->faults = new Faults($file);
    }

    protected function answer(Request $request): Response
    {
        if ($request->path === '/' || $request->path === '/health') {
            return Response::json(200, ['well' => true, 'desk' => 'carrier']);
        }
        $account = $this->account($request);

        return $request->path === '/faults'
            ? $this->faults->answer($request)
            : $this->faults->around(fn (): Response => $this->answered($request, $account));
    }

    private function account(Request $request): string
    {
        foreach (explode(',', $this->tokens) as $token) {
            if (hash_equals("Bearer {$token}", $request->header('authorization') ?? '')) {
                return substr(hash('sha256', "account of {$token}"), 0, 12);
            }
        }

        throw new Refusal(401, 'a reseller token is needed');
    }

    private function answered(Request $request, string $account): Response
    {
        try {
            return $this->asked($request, $account);
        } catch (Refusal $refusal) {
            return $this->refused($refusal);
        }
    }

    private function asked(Request $request, string $account): Response
    {
        $day = $this->store->row('SELECT day FROM clock');
        $today = $day === null ? gmdate('Y-m-d', ($this->now)()) : (string) $day['day'];

        return match ([$request->method, $request->path]) {
            ['POST', '/addresses'] => Response::json(200, Addresses::check($request->json())),
            ['POST', '/clock'] => $this->turn($request->json()),
            default => $this->holdings->answer($request, $account, $today)
                ?? $this->transfers->answer($request, $account, $today)
                ?? $this->departures->answer($request, $account)
                ?? $this->registrations->answer($request, $account)
                ?? throw new Refusal(404, 'nothing here'),
        };
    }

    /** @param array<string, mixed> $body */
    private function turn(array $body): Response
    {
        $day = Fields::day($body);
        $time = Fields::text($body, 'time', orNone: true);
        if ($time !== '' && preg_match('/^([01]\d|2[0-3]):[0-5]\d$/D', $time) !== 1) {
            throw new Refusal(422, 'wants a time, as 09:30', 'time');
        }

        return $this->store->inTransaction(function () use ($day, $time): Response {
            $this->store->rows('INSERT OR REPLACE INTO clock (one, day) VALUES (1, ?)', [$day]);
            $this->holdings->turn($day);
            $this->transfers->turn($day, $time === '' ? null : $time);
            $this->departures->turn($day);
            $this->registrations->turn();

            return Response::json(200, ['day' => $day]);
        });
    }
}
