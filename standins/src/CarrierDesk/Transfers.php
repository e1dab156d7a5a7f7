<?php

declare(strict_types=1);

namespace Standins\CarrierDesk;

use Standins\Shared\Refusal;
use Standins\Shared\Request;
use Standins\Shared\Response;
use Standins\Shared\Store;

/**
 * Numbers that come over from another carrier: asked for, checked against what the losing carrier has on file, given a
 * day, done. The clock is turned by hand (`POST /clock`): this carrier's day begins where somebody says so.
 */
final readonly class Transfers
{
    public const SCHEMA = <<<'SQL'
        CREATE TABLE IF NOT EXISTS transfers (
            id TEXT PRIMARY KEY, holder TEXT NOT NULL, reference TEXT NOT NULL UNIQUE, msisdns TEXT NOT NULL,
                subscriber TEXT NOT NULL, premises TEXT NOT NULL,
            postal TEXT NOT NULL, losing TEXT NOT NULL, account TEXT NOT NULL, day TEXT NOT NULL, stage TEXT NOT NULL,
                remark TEXT NOT NULL DEFAULT '');
        CREATE TABLE IF NOT EXISTS on_file (msisdn TEXT PRIMARY KEY, subscriber TEXT NOT NULL, postal TEXT NOT NULL,
            account TEXT NOT NULL);
        SQL;

    private const TEXTS = ['holder', 'reference', 'subscriber', 'premises', 'postal', 'losing', 'account'];

    public function __construct(private Store $store)
    {
    }

    public function answer(Request $request): ?Response
    {
        return match ([$request->method, $request->path]) {
            ['GET', '/transfers'] => $this->list($request->query['holder'] ?? ''),
            ['POST', '/transfers'] => $this->ask($request->json()),
            ['POST', '/on-file'] => $this->file($request->json()),
            ['POST', '/clock'] => $this->turn($request->json()),
            default => null,
        };
    }

    private function list(string $holder): Response
    {
        return Response::json(200, ['transfers' => array_map(
            self::shown(...),
            $this->store->rows('SELECT * FROM transfers WHERE holder = ? ORDER BY rowid', [$holder]),
        )]);
    }

    /** @param array<string, mixed> $body */
    private function ask(array $body): Response
    {
        $texts = [];
        foreach (self::TEXTS as $field) {
            $texts[$field] = is_string($body[$field] ?? null) && trim($body[$field]) !== ''
                ? trim($body[$field])
                : throw new Refusal(422, "wants {$field}", $field);
        }
        $day = self::day($body['day'] ?? null);
        $msisdns = is_array($body['msisdns'] ?? null)
            ? array_values(array_filter(
                $body['msisdns'],
                static fn (mixed $each): bool => is_string($each) && preg_match('/^\d{6,15}$/D', $each) === 1,
            ))
            : [];
        if ($msisdns === [] || $msisdns !== array_values((array) $body['msisdns'])) {
            throw new Refusal(422, 'wants numbers, country code first, digits only', 'msisdns');
        }

        return $this->store->inTransaction(function () use ($texts, $day, $msisdns): Response {
            $present = $this->store->row('SELECT * FROM transfers WHERE reference = ?', [$texts['reference']]);
            if ($present !== null) {
                return Response::json(200, self::shown($present));
            }
            foreach ($this->store->rows("SELECT msisdns FROM transfers WHERE stage IN ('asked', 'dated')") as $other) {
                foreach (array_intersect(self::numbers($other), $msisdns) as $twice) {
                    throw new Refusal(409, "{$twice} is under way already", 'msisdns');
                }
            }
            $id = 't-' . substr(hash('sha256', $texts['reference']), 0, 10);
            $this->store->rows(
                "INSERT INTO transfers (id, holder, reference, msisdns, subscriber, premises, postal, losing, account, "
                    . "day, stage) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, 'asked')",
                [
                    $id, $texts['holder'], $texts['reference'], implode(' ', $msisdns), $texts['subscriber'],
                    $texts['premises'], $texts['postal'], $texts['losing'], $texts['account'], $day,
                ],
            );

            return Response::json(201, self::shown(
                $this->store->row('SELECT * FROM transfers WHERE id = ?', [$id]) ?? [],
            ));
        });
    }

    /**
     * What the losing carrier has on file for a number; who has said nothing agrees to everything.
     *
     * @param  array<string, mixed>  $body
     */
    private function file(array $body): Response
    {
        $values = array_map(
            static fn (string $field): string => is_string($body[$field] ?? null)
                ? $body[$field]
                : throw new Refusal(422, "wants {$field}", $field),
            ['msisdn', 'subscriber', 'postal', 'account'],
        );
        $this->store->rows(
            'INSERT OR REPLACE INTO on_file (msisdn, subscriber, postal, account) VALUES (?, ?, ?, ?)',
            $values,
        );

        return Response::json(200, ['msisdn' => $values[0]]);
    }

    /**
     * What was asked for is checked and dated or turned down; what was dated for a day gone by is done.
     *
     * @param  array<string, mixed>  $body
     */
    private function turn(array $body): Response
    {
        $today = self::day($body['day'] ?? null);

        return $this->store->inTransaction(function () use ($today): Response {
            foreach ($this->store->rows("SELECT * FROM transfers WHERE stage = 'asked'") as $row) {
                $fault = $this->fault($row);
                $this->store->rows(
                    'UPDATE transfers SET stage = ?, remark = ? WHERE id = ?',
                    [$fault === null ? 'dated' : 'turned_down', $fault ?? '', $row['id'] ?? ''],
                );
            }
            $this->store->rows("UPDATE transfers SET stage = 'done' WHERE stage = 'dated' AND day <= ?", [$today]);

            return Response::json(200, ['day' => $today]);
        });
    }

    /** @param array<string, int|string|null> $row */
    private function fault(array $row): ?string
    {
        foreach (self::numbers($row) as $msisdn) {
            $file = $this->store->row('SELECT subscriber, postal, account FROM on_file WHERE msisdn = ?', [$msisdn])
                ?? [];
            foreach ($file as $field => $onFile) {
                if ($onFile !== $row[$field]) {
                    return "{$msisdn}: the {$field} is not the one on the bill";
                }
            }
        }

        return null;
    }

    /**
     * @param  array<string, int|string|null>  $row
     * @return list<string>
     */
    private static function numbers(array $row): array
    {
        return explode(' ', (string) ($row['msisdns'] ?? ''));
    }

    /**
     * @param  array<string, int|string|null>  $row
     * @return array<string, mixed>
     */
    private static function shown(array $row): array
    {
        return ['msisdns' => self::numbers($row)] + $row;
    }

    private static function day(mixed $given): string
    {
        $day = is_string($given) ? \DateTimeImmutable::createFromFormat('!Y-m-d', $given) : false;

        return $day !== false && $day->format('Y-m-d') === $given
            ? $given
            : throw new Refusal(422, 'wants a day, as 2026-12-31', 'day');
    }
}
