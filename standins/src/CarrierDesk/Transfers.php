<?php

declare(strict_types=1);

namespace Standins\CarrierDesk;

use Standins\Shared\Refusal;
use Standins\Shared\Request;
use Standins\Shared\Response;
use Standins\Shared\Store;

/**
 * Numbers that come over from another carrier: written down, papers put with them, sent, checked against what the
 * losing carrier has on file, turned down and mended, given a day, done or failed back. A number may be lent meanwhile.
 */
final readonly class Transfers
{
    public const SCHEMA = <<<'SQL'
        CREATE TABLE IF NOT EXISTS moves_in (
            id TEXT PRIMARY KEY, account TEXT NOT NULL, reference TEXT NOT NULL, end_user TEXT NOT NULL,
            msisdns TEXT NOT NULL, said TEXT NOT NULL, stage TEXT NOT NULL, remark TEXT NOT NULL DEFAULT '',
            remark_at TEXT NOT NULL DEFAULT '', firm_day TEXT, lent TEXT, steps TEXT NOT NULL,
            UNIQUE (account, reference));
        CREATE TABLE IF NOT EXISTS move_papers (
            move TEXT NOT NULL, kind TEXT NOT NULL, name TEXT NOT NULL, type TEXT NOT NULL, size INTEGER NOT NULL,
            digest TEXT NOT NULL, dated TEXT, PRIMARY KEY (move, kind));
        CREATE TABLE IF NOT EXISTS accounts_on_file (
            msisdn TEXT PRIMARY KEY, subscriber TEXT NOT NULL, postal TEXT NOT NULL, account TEXT NOT NULL,
            pin TEXT, all_of_it TEXT, fails TEXT);
        SQL;

    private const TEXTS = ['subscriber', 'premises', 'postal', 'losing', 'account'];

    private const MORE_TEXTS = ['pin', 'billing', 'signatory', 'town', 'staying_main'];

    /** Toll-free numbers are moved by whoever answers for them, who asks for no premises. */
    private const NOT_FOR_TOLL_FREE = ['premises', 'postal'];

    private const PAPERS = ['authority', 'bill'];

    private const TYPES = ['application/pdf', 'image/png', 'image/jpeg'];

    private const MOST_BYTES = 10_000_000;

    private const UNDER_WAY = "('open', 'sent', 'turned_down', 'dated', 'moving')";

    private const BILL_DAYS = 30;

    public function __construct(private Store $store, private Holdings $holdings)
    {
    }

    public function answer(Request $request, string $account, string $today): ?Response
    {
        $parts = explode('/', trim($request->path, '/'));
        if ($parts[0] !== 'transfers') {
            return $request->path === '/on-file' && $request->method === 'POST' ? $this->file($request->json()) : null;
        }
        $id = $parts[1] ?? '';

        return match ([$request->method, count($parts), $parts[2] ?? '']) {
            ['GET', 1, ''] => $this->list($account, $request->query['end_user'] ?? ''),
            ['POST', 1, ''] => $this->open($request->json(), $account),
            ['GET', 2, ''] => Response::json(200, $this->shown($this->row($id, $account))),
            ['PATCH', 2, ''] => $this->mend($id, $account, $request->json()),
            ['PUT', 4, 'papers'] => $this->paper($id, $account, $parts[3] ?? '', $request->json()),
            ['POST', 3, 'submission'] => $this->send($id, $account, $today),
            ['POST', 3, 'withdrawal'] => $this->withdraw($id, $account),
            ['POST', 3, 'loan'] => $this->lend($id, $account, $request->json()),
            default => null,
        };
    }

    /** What was sent is checked and dated or turned down; what has its day is moved in its hours, then done. */
    public function turn(string $day, ?string $time): void
    {
        foreach ($this->store->rows("SELECT * FROM moves_in WHERE stage = 'sent'") as $row) {
            [$field, $fault] = $this->fault($row) ?? ['', ''];
            if ($fault !== '') {
                $this->step($row, 'turned_down', $fault, $field);
            } else {
                $wished = self::word($row, 'day');
                $this->store->rows('UPDATE moves_in SET firm_day = ? WHERE id = ?', [
                    max($wished, $day), $row['id'] ?? '',
                ]);
                $this->step($row, 'dated');
            }
        }
        foreach ($this->store->rows("SELECT * FROM moves_in WHERE stage IN ('dated', 'moving')") as $row) {
            $this->move($row, $day, $time);
        }
    }

    /** @param array<string, int|string|null> $row */
    private function move(array $row, string $day, ?string $time): void
    {
        $firm = (string) $row['firm_day'];
        $hours = explode('-', self::word($row, 'hours')) + ['', ''];
        $isToday = $firm === $day && $time !== null && $hours[1] !== '' && $time < $hours[1];
        if ($firm > $day || $isToday && $time < $hours[0]) {
            return;
        }
        if ($isToday) {
            if ($row['stage'] !== 'moving') {
                $this->step($row, 'moving');
            }

            return;
        }
        foreach (self::numbers($row) as $msisdn) {
            $fails = (string) ($this->onFile($msisdn)['fails'] ?? '');
            if ($fails !== '') {
                $this->step($row, 'failed_back', "{$msisdn}: {$fails}");

                return;
            }
        }
        foreach (self::numbers($row) as $msisdn) {
            $this->holdings->put($msisdn, (string) $row['account'], 'in_use');
        }
        $this->step($row, 'done');
    }

    private function list(string $account, string $endUser): Response
    {
        return Response::json(200, ['transfers' => array_map(
            $this->shown(...),
            $this->store->rows(
                "SELECT * FROM moves_in WHERE account = ? AND (? = '' OR end_user = ?) ORDER BY rowid",
                [$account, $endUser, $endUser],
            ),
        )]);
    }

    /** @param array<string, mixed> $body */
    private function open(array $body, string $account): Response
    {
        $reference = Fields::text($body, 'reference');
        $endUser = Fields::text($body, 'end_user');
        $msisdns = Fields::numbers($body);
        $said = self::read($body, $msisdns);

        return $this->store->inTransaction(function () use ($reference, $endUser, $msisdns, $said, $account): Response {
            $present = $this->store->row(
                'SELECT * FROM moves_in WHERE account = ? AND reference = ?',
                [$account, $reference],
            );
            if ($present !== null) {
                return Response::json(200, $this->shown($present));
            }
            $this->requireIdle($msisdns);
            $id = 't-' . substr(hash('sha256', "{$account} {$reference}"), 0, 10);
            $this->store->rows(
                'INSERT INTO moves_in (id, account, reference, end_user, msisdns, said, stage, steps) '
                    . "VALUES (?, ?, ?, ?, ?, ?, 'open', '[]')",
                [
                    $id, $account, $reference, $endUser, implode(' ', $msisdns),
                    json_encode($said, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
                ],
            );

            return Response::json(201, $this->shown($this->row($id, $account)));
        });
    }

    /**
     * What the order says, whole, while it can still be mended.
     *
     * @param  array<string, mixed>  $body
     */
    private function mend(string $id, string $account, array $body): Response
    {
        return $this->store->inTransaction(function () use ($id, $account, $body): Response {
            $row = $this->row($id, $account);
            $this->requireStage($row, ['open', 'turned_down']);
            $msisdns = Fields::numbers($body);
            $said = self::read($body, $msisdns);
            $this->requireIdle($msisdns, $id);
            $this->store->rows('UPDATE moves_in SET said = ?, msisdns = ? WHERE id = ?', [
                json_encode($said, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR), implode(' ', $msisdns), $id,
            ]);

            return Response::json(200, $this->shown($this->row($id, $account)));
        });
    }

    /** @param array<string, mixed> $body */
    private function paper(string $id, string $account, string $kind, array $body): Response
    {
        if (! in_array($kind, self::PAPERS, true)) {
            throw new Refusal(404, 'there is no such paper; put ' . implode(' or ', self::PAPERS));
        }
        $name = Fields::text($body, 'name');
        $type = Fields::text($body, 'type');
        $bytes = is_string($body['bytes'] ?? null) ? base64_decode($body['bytes'], true) : false;
        if ($bytes === false || $bytes === '' || strlen($bytes) > self::MOST_BYTES) {
            throw new Refusal(422, 'wants ' . self::MOST_BYTES . ' bytes at most, in base64', 'bytes');
        }
        if (! in_array($type, self::TYPES, true)) {
            throw new Refusal(422, 'wants ' . implode(', ', self::TYPES), 'type');
        }
        $dated = $kind === 'bill' ? Fields::day($body, 'dated') : null;

        return $this->store->inTransaction(function () use (
            $id,
            $account,
            $kind,
            $name,
            $type,
            $bytes,
            $dated,
        ): Response {
            $this->requireStage($this->row($id, $account), ['open', 'turned_down']);
            $this->store->rows(
                'INSERT OR REPLACE INTO move_papers (move, kind, name, type, size, digest, dated) '
                    . 'VALUES (?, ?, ?, ?, ?, ?, ?)',
                [$id, $kind, $name, $type, strlen($bytes), hash('sha256', $bytes), $dated],
            );

            return Response::json(200, $this->shown($this->row($id, $account)));
        });
    }

    private function send(string $id, string $account, string $today): Response
    {
        return $this->store->inTransaction(function () use ($id, $account, $today): Response {
            $row = $this->row($id, $account);
            if ($row['stage'] === 'sent') {
                return Response::json(200, $this->shown($row));
            }
            $this->requireStage($row, ['open', 'turned_down']);
            $papers = array_column($this->papers($id), null, 'kind');
            foreach ($this->isTollFree($row) ? ['authority'] : self::PAPERS as $kind) {
                if (! isset($papers[$kind])) {
                    throw new Refusal(422, "the {$kind} is missing", $kind);
                }
            }
            $dated = (string) ($papers['bill']['dated'] ?? '');
            $first = gmdate('Y-m-d', (int) strtotime("{$today} -" . self::BILL_DAYS . ' days'));
            if ($dated !== '' && $dated < $first) {
                throw new Refusal(422, 'the bill is older than ' . self::BILL_DAYS . ' days', 'bill');
            }
            $this->step($row, 'sent');

            return Response::json(200, $this->shown($this->row($id, $account)));
        });
    }

    private function withdraw(string $id, string $account): Response
    {
        return $this->store->inTransaction(function () use ($id, $account): Response {
            $row = $this->row($id, $account);
            if ($row['stage'] !== 'withdrawn') {
                $this->requireStage($row, ['open', 'sent', 'turned_down', 'dated', 'failed_back']);
                $this->step($row, 'withdrawn');
            }

            return Response::json(200, $this->shown($this->row($id, $account)));
        });
    }

    /**
     * A number for the time of the transfer: one from nearby, until a day.
     *
     * @param  array<string, mixed>  $body
     */
    private function lend(string $id, string $account, array $body): Response
    {
        $until = Fields::day($body, 'until');

        return $this->store->inTransaction(function () use ($id, $account, $until): Response {
            $row = $this->row($id, $account);
            $this->requireStage($row, ['open', 'sent', 'turned_down', 'dated']);
            $lent = $row['lent'] === null ? [] : (array) json_decode((string) $row['lent'], true);
            $msisdn = is_string($lent['msisdn'] ?? null)
                ? $lent['msisdn']
                : $this->holdings->near(self::numbers($row)[0] ?? '');
            if ($msisdn === null) {
                throw new Refusal(409, 'there is no number to lend');
            }
            $this->holdings->put($msisdn, $account, 'lent', $until);
            $this->store->rows('UPDATE moves_in SET lent = ? WHERE id = ?', [
                json_encode(['msisdn' => $msisdn, 'until' => $until], JSON_THROW_ON_ERROR), $id,
            ]);

            return Response::json(200, $this->shown($this->row($id, $account)));
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
            static fn (string $field): string => Fields::text($body, $field),
            ['msisdn', 'subscriber', 'postal', 'account'],
        );
        $all = Fields::numbers($body, 'all', orNone: true);
        $this->store->rows(
            'INSERT OR REPLACE INTO accounts_on_file (msisdn, subscriber, postal, account, pin, all_of_it, fails) '
                . 'VALUES (?, ?, ?, ?, ?, ?, ?)',
            [
                ...$values, Fields::text($body, 'pin', orNone: true), implode(' ', $all),
                Fields::text($body, 'fails', orNone: true),
            ],
        );

        return Response::json(200, ['msisdn' => $values[0]]);
    }

    /** @return array<string, int|string|null> */
    private function onFile(string $msisdn): array
    {
        return $this->store->row('SELECT * FROM accounts_on_file WHERE msisdn = ?', [$msisdn]) ?? [];
    }

    /**
     * @param  array<string, int|string|null>  $row
     * @return ?array{string, string} the field it is at, and why
     */
    private function fault(array $row): ?array
    {
        $said = self::said($row);
        $coming = self::numbers($row);
        foreach ($coming as $msisdn) {
            $file = $this->onFile($msisdn);
            foreach ($this->isTollFree($row) ? ['account', 'pin'] : ['subscriber', 'postal', 'account', 'pin'] as $at) {
                if (($file[$at] ?? '') !== '' && $file[$at] !== ($said[$at] ?? '')) {
                    return [$at, "{$msisdn}: the {$at} is not the one on the bill"];
                }
            }
            $all = array_filter(
                explode(' ', (string) ($file['all_of_it'] ?? '')),
                static fn (string $each): bool => $each !== '',
            );
            $left = array_diff($all, $coming);
            $main = ltrim(self::word($row, 'staying_main'), '+');
            if ($left !== [] && $main === '') {
                return ['staying_main', count($left) . ' numbers stay on the account and none of them is named as its '
                    . 'main number'];
            }
            if ($left !== [] && ! in_array($main, $left, true)) {
                return ['staying_main', "{$main} does not stay on the account"];
            }
        }

        return null;
    }

    /**
     * @param  array<string, mixed>  $body
     * @param  list<string>  $msisdns
     * @return array<string, mixed>
     */
    private static function read(array $body, array $msisdns): array
    {
        $free = array_filter($msisdns, Inventory::isTollFree(...));
        if ($free !== [] && count($free) !== count($msisdns)) {
            throw new Refusal(422, 'toll-free numbers go another way than local ones: ask for them apart', 'msisdns');
        }
        $said = ['toll_free' => $free !== []];
        foreach (self::TEXTS as $field) {
            $mayLack = $free !== [] && in_array($field, self::NOT_FOR_TOLL_FREE, true);
            $said[$field] = Fields::text($body, $field, orNone: $mayLack);
        }
        foreach (self::MORE_TEXTS as $field) {
            $said[$field] = Fields::text($body, $field, orNone: true);
        }
        $hours = Fields::text($body, 'hours', orNone: true);
        if ($hours !== '' && preg_match('/^([01]\d|2[0-3]):[0-5]\d-([01]\d|2[0-3]):[0-5]\d$/D', $hours) !== 1) {
            throw new Refusal(422, 'wants hours as 09:00-12:00', 'hours');
        }

        return [
            'day' => Fields::day($body), 'hours' => $hours,
            'staying' => Fields::numbers($body, 'staying', orNone: true),
        ] + $said;
    }

    /** @param list<string> $msisdns */
    private function requireIdle(array $msisdns, string $but = ''): void
    {
        $rows = $this->store->rows(
            'SELECT msisdns FROM moves_in WHERE id <> ? AND stage IN ' . self::UNDER_WAY,
            [$but],
        );
        foreach ($rows as $other) {
            foreach (array_intersect(self::numbers($other), $msisdns) as $twice) {
                throw new Refusal(409, "{$twice} is under way already", 'msisdns');
            }
        }
    }

    /**
     * @param  array<string, int|string|null>  $row
     * @param  list<string>  $stages
     */
    private function requireStage(array $row, array $stages): void
    {
        if (! in_array($row['stage'], $stages, true)) {
            throw new Refusal(409, "this transfer is {$row['stage']} by now", 'stage');
        }
    }

    /** @param array<string, int|string|null> $row */
    private function step(array $row, string $stage, string $remark = '', string $field = ''): void
    {
        $now = $this->store->row('SELECT steps FROM moves_in WHERE id = ?', [$row['id'] ?? '']);
        $steps = (array) json_decode((string) ($now['steps'] ?? '[]'), true);
        $steps[] = ['stage' => $stage, 'remark' => $remark];
        $this->store->rows('UPDATE moves_in SET stage = ?, remark = ?, remark_at = ?, steps = ? WHERE id = ?', [
            $stage, $remark, $field, json_encode($steps, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
            $row['id'] ?? '',
        ]);
    }

    /** @return array<string, int|string|null> */
    private function row(string $id, string $account): array
    {
        return $this->store->row('SELECT * FROM moves_in WHERE id = ? AND account = ?', [$id, $account])
            ?? throw new Refusal(404, 'there is no such transfer');
    }

    /** @return list<array<string, int|string|null>> */
    private function papers(string $id): array
    {
        return $this->store->rows(
            'SELECT kind, name, type, size, digest, dated FROM move_papers WHERE move = ? ORDER BY kind',
            [$id],
        );
    }

    /** @param array<string, int|string|null> $row */
    private function isTollFree(array $row): bool
    {
        return (self::said($row)['toll_free'] ?? false) === true;
    }

    /** @param array<string, int|string|null> $row */
    private static function word(array $row, string $of): string
    {
        $word = self::said($row)[$of] ?? '';

        return is_string($word) ? $word : '';
    }

    /**
     * @param  array<string, int|string|null>  $row
     * @return array<mixed>
     */
    private static function said(array $row): array
    {
        return (array) json_decode((string) ($row['said'] ?? '{}'), true);
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
     * The port PIN is never given back.
     *
     * @param  array<string, int|string|null>  $row
     * @return array<string, mixed>
     */
    private function shown(array $row): array
    {
        return [
            'msisdns' => self::numbers($row),
            'lent' => $row['lent'] === null ? null : json_decode((string) $row['lent'], true),
            'steps' => json_decode((string) $row['steps'], true), 'papers' => $this->papers((string) $row['id']),
            'pin' => null,
        ] + array_diff_key($row, ['said' => true, 'account' => true]) + self::said($row);
    }
}
