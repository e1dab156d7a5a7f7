<?php

declare(strict_types=1);

namespace Standins\CarrierDesk;

use Standins\Shared\Refusal;
use Standins\Shared\Request;
use Standins\Shared\Response;
use Standins\Shared\Store;

/**
 * What each reseller has here: reserved until a day, ordered with the charge agreed, in use, lent until a day. A
 * toll-free number is in use a day after it was ordered, any other at once.
 */
final readonly class Holdings
{
    public const SCHEMA = <<<'SQL'
        CREATE TABLE IF NOT EXISTS holdings (
            msisdn TEXT PRIMARY KEY, account TEXT NOT NULL, state TEXT NOT NULL, until TEXT, receipt TEXT);
        CREATE TABLE IF NOT EXISTS purchases (
            account TEXT NOT NULL, reference TEXT NOT NULL, msisdns TEXT NOT NULL, receipt TEXT NOT NULL,
            once_cents INTEGER NOT NULL, monthly_cents INTEGER NOT NULL, lines TEXT NOT NULL,
            PRIMARY KEY (account, reference));
        SQL;

    public const CURRENCY = 'CAD';

    private const MOST_DAYS_RESERVED = 45;

    public function __construct(private Store $store)
    {
    }

    public function answer(Request $request, string $account, string $today): ?Response
    {
        if ($request->method === 'GET' && preg_match('#^/orders/([\w-]{1,64})$#D', $request->path, $found) === 1) {
            return Response::json(200, $this->purchase($account, $found[1])
                ?? throw new Refusal(404, 'there is no such order'));
        }

        return match ([$request->method, $request->path]) {
            ['GET', '/inventory'] => Response::json(200, [
                'found' => Inventory::search($request->query, $this->taken()), 'currency' => self::CURRENCY,
            ]),
            ['GET', '/holdings'] => Response::json(200, ['held' => $this->held($account)]),
            ['POST', '/reservations'] => $this->reserve($request->json(), $account, $today),
            ['POST', '/orders'] => $this->order($request->json(), $account),
            ['POST', '/releases'] => $this->release($request->json(), $account),
            default => null,
        };
    }

    /** Its day begins: what was ordered is in use, and what was reserved or lent until yesterday is free. */
    public function turn(string $day): void
    {
        $this->store->rows("UPDATE holdings SET state = 'in_use' WHERE state = 'ordered'");
        $this->store->rows("DELETE FROM holdings WHERE state IN ('reserved', 'lent') AND until < ?", [$day]);
    }

    public function has(string $msisdn, string $account): bool
    {
        return $this->store->row(
            "SELECT 1 AS one FROM holdings WHERE msisdn = ? AND account = ? AND state <> 'reserved'",
            [$msisdn, $account],
        ) !== null;
    }

    public function put(string $msisdn, string $account, string $state, ?string $until = null): void
    {
        $this->store->rows(
            'INSERT OR REPLACE INTO holdings (msisdn, account, state, until) VALUES (?, ?, ?, ?)',
            [$msisdn, $account, $state, $until],
        );
    }

    public function drop(string $msisdn): void
    {
        $this->store->rows('DELETE FROM holdings WHERE msisdn = ?', [$msisdn]);
    }

    /** The first free one that begins as another does, as far as there is one. */
    public function near(string $msisdn): ?string
    {
        foreach ([4, 1] as $alike) {
            $found = Inventory::search(
                ['prefix' => substr($msisdn, 0, $alike), 'most' => '1', 'toll_free' => '0'],
                $this->taken(),
            );
            if ($found !== []) {
                return $found[0]['msisdn'];
            }
        }

        return null;
    }

    /** @return array<array-key, true> */
    private function taken(): array
    {
        return array_fill_keys(array_column($this->store->rows('SELECT msisdn FROM holdings'), 'msisdn'), true);
    }

    /** @return list<array<string, int|string|null>> */
    private function held(string $account): array
    {
        return $this->store->rows(
            'SELECT msisdn, state, until FROM holdings WHERE account = ? ORDER BY msisdn',
            [$account],
        );
    }

    /** @param array<string, mixed> $body */
    private function reserve(array $body, string $account, string $today): Response
    {
        $msisdns = $this->sold($body);
        $until = Fields::day($body, 'until');
        $last = gmdate('Y-m-d', (int) strtotime("{$today} +" . self::MOST_DAYS_RESERVED . ' days'));
        if ($until < $today || $until > $last) {
            throw new Refusal(422, "wants a day up to {$last}", 'until');
        }

        return $this->store->inTransaction(function () use ($msisdns, $account, $until): Response {
            $this->requireFree($msisdns, $account, ['reserved']);
            foreach ($msisdns as $msisdn) {
                $this->put($msisdn, $account, 'reserved', $until);
            }

            return Response::json(201, ['msisdns' => $msisdns, 'until' => $until]);
        });
    }

    /** @param array<string, mixed> $body */
    private function order(array $body, string $account): Response
    {
        $reference = Fields::text($body, 'reference');
        $msisdns = $this->sold($body);
        $lines = self::lines($msisdns);
        $total = [
            'once_cents' => array_sum(array_column($lines, 'once_cents')),
            'monthly_cents' => array_sum(array_column($lines, 'monthly_cents')),
        ];
        $agreed = is_array($body['agreed'] ?? null) ? $body['agreed'] : [];

        return $this->store->inTransaction(function () use (
            $reference,
            $msisdns,
            $lines,
            $total,
            $agreed,
            $account,
        ): Response {
            $present = $this->purchase($account, $reference);
            if ($present !== null) {
                return $present['msisdns'] === $msisdns
                    ? Response::json(200, $present)
                    : throw new Refusal(409, 'this reference is another order\'s', 'reference');
            }
            if (($agreed['once_cents'] ?? null) !== $total['once_cents']
                || ($agreed['monthly_cents'] ?? null) !== $total['monthly_cents']) {
                throw new Refusal(422, "the charge must be agreed: {$total['once_cents']} cents once and "
                    . "{$total['monthly_cents']} cents a month", 'agreed');
            }
            $this->requireFree($msisdns, $account, ['reserved']);
            $receipt = 'r-' . substr(hash('sha256', "{$account} {$reference}"), 0, 12);
            foreach ($msisdns as $msisdn) {
                $this->put($msisdn, $account, Inventory::isTollFree($msisdn) ? 'ordered' : 'in_use');
            }
            $this->store->rows(
                'INSERT INTO purchases (account, reference, msisdns, receipt, once_cents, monthly_cents, lines) '
                    . 'VALUES (?, ?, ?, ?, ?, ?, ?)',
                [
                    $account, $reference, implode(' ', $msisdns), $receipt, $total['once_cents'],
                    $total['monthly_cents'], json_encode($lines, JSON_THROW_ON_ERROR),
                ],
            );

            return Response::json(201, $this->purchase($account, $reference));
        });
    }

    /** @return ?array<string, mixed> */
    private function purchase(string $account, string $reference): ?array
    {
        $row = $this->store->row(
            'SELECT * FROM purchases WHERE account = ? AND reference = ?',
            [$account, $reference],
        );
        if ($row === null) {
            return null;
        }
        $states = array_column($this->held($account), 'state', 'msisdn');
        $msisdns = explode(' ', (string) $row['msisdns']);

        return [
            'msisdns' => $msisdns,
            'each' => array_map(static fn (string $each): array => array_intersect_key(
                Inventory::of($each) ?? [],
                ['msisdn' => true, 'once_cents' => true, 'monthly_cents' => true],
            ), $msisdns), 'lines' => json_decode((string) $row['lines'], true),
            'currency' => self::CURRENCY,
            'waiting' => array_values(array_filter(
                $msisdns,
                static fn (string $each): bool => ($states[$each] ?? null) === 'ordered',
            )),
        ] + array_diff_key($row, ['account' => true]);
    }

    /**
     * @param  list<string>  $msisdns
     * @return list<array{what: string, count: int, once_cents: int, monthly_cents: int}>
     */
    private static function lines(array $msisdns): array
    {
        $lines = [];
        foreach ($msisdns as $msisdn) {
            $one = Inventory::of($msisdn) ?? ['toll_free' => false, 'land' => '', 'once_cents' => 0,
                'monthly_cents' => 0];
            $what = $one['toll_free'] ? 'toll-free numbers' : "local numbers, {$one['land']}";
            $line = $lines[$what] ?? ['what' => $what, 'count' => 0, 'once_cents' => 0, 'monthly_cents' => 0];
            $lines[$what] = [
                'what' => $what, 'count' => $line['count'] + 1,
                'once_cents' => $line['once_cents'] + $one['once_cents'],
                'monthly_cents' => $line['monthly_cents'] + $one['monthly_cents'],
            ];
        }

        return array_values($lines);
    }

    /** @param array<string, mixed> $body */
    private function release(array $body, string $account): Response
    {
        $msisdns = Fields::numbers($body);

        return $this->store->inTransaction(function () use ($msisdns, $account): Response {
            $held = array_column($this->held($account), 'msisdn', 'msisdn');
            foreach ($msisdns as $msisdn) {
                if (! isset($held[$msisdn])) {
                    throw new Refusal(404, "{$msisdn} is not yours", 'msisdns');
                }
                $this->drop($msisdn);
            }

            return Response::json(200, ['msisdns' => $msisdns]);
        });
    }

    /**
     * @param  array<string, mixed>  $body
     * @return list<string>
     */
    private function sold(array $body): array
    {
        $msisdns = Fields::numbers($body);
        foreach ($msisdns as $msisdn) {
            if (Inventory::of($msisdn) === null) {
                throw new Refusal(422, "{$msisdn} is not a number of this carrier's", 'msisdns');
            }
        }

        return $msisdns;
    }

    /**
     * @param  list<string>  $msisdns
     * @param  list<string>  $own  states in which they may be this account's
     */
    private function requireFree(array $msisdns, string $account, array $own): void
    {
        foreach ($msisdns as $msisdn) {
            $present = $this->store->row('SELECT account, state FROM holdings WHERE msisdn = ?', [$msisdn]);
            if ($present !== null && (
                $present['account'] !== $account || ! in_array($present['state'], $own, true)
            )) {
                throw new Refusal(409, "{$msisdn} is taken", 'msisdns');
            }
        }
    }
}
