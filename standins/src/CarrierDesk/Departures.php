<?php

declare(strict_types=1);

namespace Standins\CarrierDesk;

use Standins\Shared\Refusal;
use Standins\Shared\Request;
use Standins\Shared\Response;
use Standins\Shared\Store;

/**
 * Numbers that another carrier asks for: told to whoever has them, agreed to or refused with a reason, gone on their
 * day. Who does not answer in time has agreed.
 */
final readonly class Departures
{
    public const SCHEMA = <<<'SQL'
        CREATE TABLE IF NOT EXISTS moves_out (
            id TEXT PRIMARY KEY, account TEXT NOT NULL, msisdns TEXT NOT NULL, gaining TEXT NOT NULL,
            subscriber TEXT NOT NULL, day TEXT NOT NULL, answer_by TEXT NOT NULL, stage TEXT NOT NULL,
            remark TEXT NOT NULL DEFAULT '');
        SQL;

    /** Why a number need not be let go: common practice. */
    private const REASONS = ['not_authorised', 'wrong_account', 'under_contract_dispute'];

    public function __construct(private Store $store, private Holdings $holdings)
    {
    }

    public function answer(Request $request, string $account): ?Response
    {
        if (preg_match('#^/departures/([\w-]+)/answer$#D', $request->path, $found) === 1) {
            return $request->method === 'POST' ? $this->decide($found[1], $account, $request->json()) : null;
        }

        return match ([$request->method, $request->path]) {
            ['GET', '/departures'] => Response::json(200, ['departures' => array_map(
                self::shown(...),
                $this->store->rows('SELECT * FROM moves_out WHERE account = ? ORDER BY rowid', [$account]),
            )]),
            ['POST', '/departures'] => $this->ask($request->json(), $account),
            default => null,
        };
    }

    public function turn(string $day): void
    {
        $this->store->rows(
            "UPDATE moves_out SET stage = 'agreed', remark = 'nobody answered in time' WHERE stage = 'asked' "
                . 'AND answer_by < ?',
            [$day],
        );
        foreach (
            $this->store->rows("SELECT * FROM moves_out WHERE stage = 'agreed' AND day <= ?", [$day]) as $row
        ) {
            foreach (explode(' ', (string) $row['msisdns']) as $msisdn) {
                $this->holdings->drop($msisdn);
            }
            $this->store->rows("UPDATE moves_out SET stage = 'gone' WHERE id = ?", [$row['id']]);
        }
    }

    /**
     * As the other carrier would ask.
     *
     * @param  array<string, mixed>  $body
     */
    private function ask(array $body, string $account): Response
    {
        $msisdns = Fields::numbers($body);
        $day = Fields::day($body);
        $answerBy = Fields::day($body, 'answer_by');
        $gaining = Fields::text($body, 'gaining');
        $subscriber = Fields::text($body, 'subscriber');
        $id = 'o-' . substr(hash('sha256', implode(' ', $msisdns) . " {$gaining} {$day}"), 0, 10);

        return $this->store->inTransaction(function () use (
            $id,
            $account,
            $msisdns,
            $gaining,
            $subscriber,
            $day,
            $answerBy,
        ): Response {
            foreach ($msisdns as $msisdn) {
                if (! $this->holdings->has($msisdn, $account)) {
                    throw new Refusal(404, "{$msisdn} is not here", 'msisdns');
                }
            }
            $this->store->rows(
                'INSERT OR IGNORE INTO moves_out (id, account, msisdns, gaining, subscriber, day, answer_by, stage) '
                    . "VALUES (?, ?, ?, ?, ?, ?, ?, 'asked')",
                [$id, $account, implode(' ', $msisdns), $gaining, $subscriber, $day, $answerBy],
            );

            return Response::json(201, self::shown($this->row($id, $account)));
        });
    }

    /** @param array<string, mixed> $body */
    private function decide(string $id, string $account, array $body): Response
    {
        $agreed = is_bool($body['agreed'] ?? null)
            ? $body['agreed']
            : throw new Refusal(422, 'wants true or false', 'agreed');
        $reason = Fields::text($body, 'reason', orNone: $agreed);
        if (! $agreed && ! in_array($reason, self::REASONS, true)) {
            throw new Refusal(422, 'wants one of ' . implode(', ', self::REASONS), 'reason');
        }

        return $this->store->inTransaction(function () use ($id, $account, $agreed, $reason): Response {
            $stage = $agreed ? 'agreed' : 'refused';
            $row = $this->row($id, $account);
            if ($row['stage'] !== 'asked' && $row['stage'] !== $stage) {
                throw new Refusal(409, "this is {$row['stage']} by now", 'stage');
            }
            $this->store->rows('UPDATE moves_out SET stage = ?, remark = ? WHERE id = ?', [$stage, $reason, $id]);

            return Response::json(200, self::shown($this->row($id, $account)));
        });
    }

    /** @return array<string, int|string|null> */
    private function row(string $id, string $account): array
    {
        return $this->store->row('SELECT * FROM moves_out WHERE id = ? AND account = ?', [$id, $account])
            ?? throw new Refusal(404, 'nobody asks for that');
    }

    /**
     * @param  array<string, int|string|null>  $row
     * @return array<string, mixed>
     */
    private static function shown(array $row): array
    {
        return ['msisdns' => explode(' ', (string) $row['msisdns'])] + array_diff_key($row, ['account' => true]);
    }
}
