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
 * The number carrier: search what is free, reserve, order with a charge to confirm, release, bring over from another,
 * and say whether help would find an address. Trouble of every kind on demand (`PUT /faults`).
 * Its numbers are those set aside for fiction: 555-0100 to 555-0199 in North American area codes, and the United
 * Kingdom's drama ranges.
 */
final class CarrierDesk extends Standin
{
    private const SCHEMA = <<<'SQL'
        CREATE TABLE IF NOT EXISTS takings (
            msisdn TEXT PRIMARY KEY, state TEXT NOT NULL, holder TEXT NOT NULL, receipt TEXT NOT NULL UNIQUE);
        SQL;

    private const MOST_FOUND = 100;

    /** Cents a month, asked back as `agreed_price` before an order is taken. */
    private const MONTHLY = 150;

    private readonly Store $store;

    private readonly Transfers $transfers;

    private readonly Faults $faults;

    public function __construct(string $file, private readonly string $token)
    {
        $this->store = new Store($file, self::SCHEMA . Transfers::SCHEMA);
        $this->transfers = new Transfers($this->store);
        $this->faults = new Faults($file);
    }

    protected function answer(Request $request): Response
    {
        if ($request->path === '/' || $request->path === '/health') {
            return Response::json(200, ['well' => true, 'desk' => 'carrier']);
        }
        if (! hash_equals("Bearer {$this->token}", $request->header('authorization') ?? '')) {
            throw new Refusal(401, 'a reseller token is needed');
        }

        return $request->path === '/faults'
            ? $this->faults->answer($request)
            : $this->faults->around(fn (): Response => $this->answered($request));
    }

    private function answered(Request $request): Response
    {
        try {
            return $this->asked($request);
        } catch (Refusal $refusal) {
            return $this->refused($refusal);
        }
    }

    private function asked(Request $request): Response
    {
        return match ([$request->method, $request->path]) {
            ['POST', '/addresses'] => Response::json(200, Addresses::check($request->json())),
            ['GET', '/inventory'] => $this->search(
                $request->query['prefix'] ?? '',
                (int) ($request->query['most'] ?? 10),
            ),
            ['POST', '/reservations'] => $this->take($request->json(), 'reserved'),
            ['POST', '/orders'] => $this->take($request->json(), 'ordered'),
            ['POST', '/releases'] => $this->release($request->json()),
            default => $this->transfers->answer($request) ?? throw new Refusal(404, 'nothing here'),
        };
    }

    private function search(string $prefix, int $most): Response
    {
        if (preg_match('/^\d{1,15}$/D', $prefix) !== 1) {
            throw new Refusal(422, 'wants the first digits of the numbers, country code first', 'prefix');
        }
        $taken = array_column($this->store->rows('SELECT msisdn FROM takings'), 'msisdn');
        $found = [];
        foreach (Inventory::startingWith($prefix) as $msisdn) {
            if (count($found) < min(max($most, 1), self::MOST_FOUND) && ! in_array($msisdn, $taken, true)) {
                $found[] = ['msisdn' => $msisdn, 'monthly_cents' => self::MONTHLY];
            }
        }

        return Response::json(200, ['found' => $found]);
    }

    /** @param array<string, mixed> $body */
    private function take(array $body, string $state): Response
    {
        $msisdn = $body['msisdn'] ?? null;
        $holder = $body['holder'] ?? null;
        if (! is_string($msisdn) || ! is_string($holder) || $holder === '') {
            throw new Refusal(422, 'wants msisdn and holder');
        }
        if (! Inventory::has($msisdn)) {
            throw new Refusal(422, "{$msisdn} is not a number of this carrier's", 'msisdn');
        }
        if ($state === 'ordered' && ($body['agreed_price'] ?? null) !== self::MONTHLY) {
            throw new Refusal(422, 'the price must be agreed: ' . self::MONTHLY . ' cents a month', 'agreed_price');
        }

        return $this->store->inTransaction(function () use ($msisdn, $holder, $state): Response {
            $present = $this->store->row('SELECT * FROM takings WHERE msisdn = ?', [$msisdn]);
            if ($present !== null && (
                $present['holder'] !== $holder || $present['state'] === 'ordered' && $state === 'reserved'
            )) {
                throw new Refusal(409, "{$msisdn} is taken", 'msisdn');
            }
            $receipt = 'r-' . substr(hash('sha256', "{$msisdn} {$holder} {$state}"), 0, 12);
            $this->store->rows('INSERT OR REPLACE INTO takings (msisdn, state, holder, receipt) VALUES (?, ?, ?, ?)', [
                $msisdn, $state, $holder, $receipt,
            ]);

            return Response::json(201, [
                'msisdn' => $msisdn, 'state' => $state, 'receipt' => $receipt, 'monthly_cents' => self::MONTHLY,
            ]);
        });
    }

    /** @param array<string, mixed> $body */
    private function release(array $body): Response
    {
        $msisdn = is_string($body['msisdn'] ?? null) ? $body['msisdn'] : '';
        $holder = is_string($body['holder'] ?? null) ? $body['holder'] : '';
        if (
            $this->store->row(
                'SELECT 1 AS one FROM takings WHERE msisdn = ? AND holder = ?',
                [$msisdn, $holder],
            ) === null
        ) {
            throw new Refusal(404, "{$msisdn} is not held by {$holder}", 'msisdn');
        }
        $this->store->rows('DELETE FROM takings WHERE msisdn = ?', [$msisdn]);

        return Response::json(200, ['msisdn' => $msisdn, 'state' => 'free']);
    }
}
