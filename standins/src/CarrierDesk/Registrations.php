<?php

declare(strict_types=1);

namespace Standins\CarrierDesk;

use Standins\Shared\Refusal;
use Standins\Shared\Request;
use Standins\Shared\Response;
use Standins\Shared\Store;

/**
 * What the network is told of a number: the name beside it, what its text messages are for, and how far this carrier
 * vouches for calls that show it. A number of another carrier's is known after a call with a code that was read back.
 */
final readonly class Registrations
{
    public const SCHEMA = <<<'SQL'
        CREATE TABLE IF NOT EXISTS registrations (
            msisdn TEXT NOT NULL, account TEXT NOT NULL, kind TEXT NOT NULL, said TEXT NOT NULL, stage TEXT NOT NULL,
            remark TEXT NOT NULL DEFAULT '', PRIMARY KEY (msisdn, kind));
        CREATE TABLE IF NOT EXISTS codes (
            msisdn TEXT NOT NULL, account TEXT NOT NULL, code TEXT NOT NULL, tries INTEGER NOT NULL,
            known INTEGER NOT NULL DEFAULT 0, PRIMARY KEY (msisdn, account));
        SQL;

    /** Common practice in North America: caller name databases hold 15 characters. */
    private const LONGEST_NAME = 15;

    /** Nobody may show a name that passes for help or for the state. */
    private const PROTECTED = ['POLICE', 'EMERGENCY', 'AMBULANCE', 'REVENUE'];

    private const SHORTEST_PURPOSE = 20;

    private const MOST_TRIES = 5;

    public function __construct(private Store $store, private Holdings $holdings)
    {
    }

    public function answer(Request $request, string $account): ?Response
    {
        if (preg_match('#^/registrations/(\d{6,15})/(name|texting)$#D', $request->path, $found) === 1) {
            return match ($request->method) {
                'PUT' => $this->register($found[1], $found[2], $account, $request->json()),
                'DELETE' => $this->end($found[1], $found[2], $account),
                default => null,
            };
        }

        return match ([$request->method, $request->path]) {
            ['GET', '/registrations'] => Response::json(200, ['registrations' => array_map(
                self::shown(...),
                $this->store->rows('SELECT * FROM registrations WHERE account = ? ORDER BY rowid', [$account]),
            )]),
            ['GET', '/vouching'] => Response::json(200, [
                'level' => $this->level((string) ($request->query['msisdn'] ?? ''), $account),
            ]),
            ['POST', '/codes'] => $this->call($request->json(), $account),
            ['POST', '/codes/check'] => $this->check($request->json(), $account),
            ['GET', '/codes'] => Response::json(200, ['spoken' => $this->store->rows(
                'SELECT msisdn, code FROM codes WHERE account = ? ORDER BY rowid',
                [$account],
            )]),
            default => null,
        };
    }

    public function turn(): void
    {
        foreach ($this->store->rows("SELECT * FROM registrations WHERE stage = 'filed'") as $row) {
            $said = (array) json_decode((string) $row['said'], true);
            $name = mb_strtoupper(implode(' ', array_filter($said, is_string(...))));
            $bad = array_filter(self::PROTECTED, static fn (string $each): bool => str_contains($name, $each));
            $this->store->rows('UPDATE registrations SET stage = ?, remark = ? WHERE msisdn = ? AND kind = ?', [
                $bad === [] ? 'shown' : 'refused',
                $bad === [] ? '' : array_values($bad)[0] . ' may not stand in a name',
                $row['msisdn'], $row['kind'],
            ]);
        }
    }

    /** @param array<string, mixed> $body */
    private function register(string $msisdn, string $kind, string $account, array $body): Response
    {
        if (! $this->holdings->has($msisdn, $account)) {
            throw new Refusal(404, "{$msisdn} is not yours", 'msisdn');
        }
        $said = $kind === 'name' ? ['name' => self::name($body)] : [
            'sender' => Fields::text($body, 'sender'), 'purpose' => self::purpose($body),
        ];
        $json = json_encode($said, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);

        return $this->store->inTransaction(function () use ($msisdn, $kind, $account, $json): Response {
            $present = $this->store->row('SELECT * FROM registrations WHERE msisdn = ? AND kind = ?', [$msisdn, $kind]);
            if ($present === null || $present['said'] !== $json || $present['stage'] === 'refused') {
                $this->store->rows(
                    'INSERT OR REPLACE INTO registrations (msisdn, account, kind, said, stage) VALUES (?, ?, ?, ?, ?)',
                    [$msisdn, $account, $kind, $json, 'filed'],
                );
            }

            return Response::json(200, self::shown($this->store->row(
                'SELECT * FROM registrations WHERE msisdn = ? AND kind = ?',
                [$msisdn, $kind],
            ) ?? []));
        });
    }

    private function end(string $msisdn, string $kind, string $account): Response
    {
        $this->store->rows(
            'DELETE FROM registrations WHERE msisdn = ? AND kind = ? AND account = ?',
            [$msisdn, $kind, $account],
        );

        return Response::json(200, ['msisdn' => $msisdn]);
    }

    /** RFC 8588, section 4, with the levels of ATIS-1000074: A is full, B partial, C gateway. */
    private function level(string $msisdn, string $account): string
    {
        if (preg_match('/^\d{6,15}$/D', $msisdn) !== 1) {
            throw new Refusal(422, 'wants a number, country code first, digits only', 'msisdn');
        }
        $isKnown = $this->store->row(
            'SELECT 1 AS one FROM codes WHERE msisdn = ? AND account = ? AND known = 1',
            [$msisdn, $account],
        ) !== null;

        return $this->holdings->has($msisdn, $account) || $isKnown ? 'A' : 'B';
    }

    /**
     * Calls a number and speaks six digits.
     *
     * @param  array<string, mixed>  $body
     */
    private function call(array $body, string $account): Response
    {
        $msisdn = Fields::numbers(['msisdns' => [$body['msisdn'] ?? null]])[0];
        $this->store->rows(
            'INSERT OR REPLACE INTO codes (msisdn, account, code, tries) VALUES (?, ?, ?, 0)',
            [$msisdn, $account, str_pad((string) random_int(0, 999_999), 6, '0', STR_PAD_LEFT)],
        );

        return Response::json(202, ['msisdn' => $msisdn]);
    }

    /** @param array<string, mixed> $body */
    private function check(array $body, string $account): Response
    {
        $msisdn = Fields::text($body, 'msisdn');
        $code = Fields::text($body, 'code');

        return $this->store->inTransaction(function () use ($msisdn, $code, $account): Response {
            $row = $this->store->row('SELECT * FROM codes WHERE msisdn = ? AND account = ?', [$msisdn, $account]);
            if ($row === null || $row['tries'] >= self::MOST_TRIES) {
                throw new Refusal(409, 'call the number again: this code is none any more', 'code');
            }
            $isRight = hash_equals((string) $row['code'], $code);
            $this->store->rows('UPDATE codes SET tries = tries + 1, known = max(known, ?) WHERE msisdn = ? AND '
                . 'account = ?', [$isRight ? 1 : 0, $msisdn, $account]);

            return Response::json(200, ['msisdn' => $msisdn, 'right' => $isRight]);
        });
    }

    /** @param array<string, mixed> $body */
    private static function name(array $body): string
    {
        $name = Fields::text($body, 'name');

        return preg_match('/^[\p{L}\d][\p{L}\d &.\'-]{0,' . self::LONGEST_NAME - 1 . '}$/Du', $name) === 1
            ? $name
            : throw new Refusal(422, 'wants ' . self::LONGEST_NAME . ' letters and digits at most', 'name');
    }

    /** @param array<string, mixed> $body */
    private static function purpose(array $body): string
    {
        $purpose = Fields::text($body, 'purpose');

        return mb_strlen($purpose) >= self::SHORTEST_PURPOSE
            ? $purpose
            : throw new Refusal(422, 'wants to hear in ' . self::SHORTEST_PURPOSE . ' characters or more what the '
                . 'messages are for', 'purpose');
    }

    /**
     * @param  array<string, int|string|null>  $row
     * @return array<string, mixed>
     */
    private static function shown(array $row): array
    {
        return ['said' => json_decode((string) ($row['said'] ?? '{}'), true)]
            + array_diff_key($row, ['account' => true]);
    }
}
