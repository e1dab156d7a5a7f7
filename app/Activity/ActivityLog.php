<?php

declare(strict_types=1);

namespace App\Activity;

use App\Models\Activity;
use App\Time\Clock;

/**
 * What was done, to accounts and at customers, and who signed in or failed to: written here alone, read by leads,
 * rewritten by nobody. Each request that writes leaves one entry; while a scope is open it is written last, in the
 * scope's own transaction, so that it is there where what it tells of is, and nowhere else.
 *
 * @phpstan-type Row array{technician_id: ?string, tenant_id: ?string, what: string, detail: array<string, mixed>,
 *     happened_at: \DateTimeImmutable}
 */
final class ActivityLog
{
    /** How many changes an entry tells one by one; the revision has them all. */
    public const MOST_CHANGES = 50;

    /** @var ?list<Row> waiting for the end of the scope; null where none is open */
    private ?array $held = null;

    public function __construct(private readonly Clock $clock)
    {
    }

    /**
     * @param  ?string  $technicianId  who did it; null where nobody is signed in
     * @param  array<string, mixed>  $detail  no secret
     */
    public function note(?string $technicianId, string $what, array $detail = []): void
    {
        $this->keep(null, $technicianId, $what, $detail);
    }

    /**
     * In the customer's scope.
     *
     * @param  ?string  $technicianId  who did it; null of whoever followed a letter and is nobody of the staff
     * @param  array<string, mixed>  $detail  no secret
     */
    public function noteOf(string $tenantId, ?string $technicianId, string $what, array $detail = []): void
    {
        $this->keep($tenantId, $technicianId, $what, $detail);
    }

    /**
     * Holds what is noted until the work is done: a chain is locked last, so that nobody waits for whoever waits.
     *
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     */
    public function holding(callable $work): mixed
    {
        $this->held = [];
        try {
            $done = $work();
            $this->write();

            return $done;
        } finally {
            $this->held = null;
        }
    }

    /** One entry, whatever was noted on the way: the last says what was done, and the others what that took. */
    private function write(): void
    {
        $held = $this->held ?? [];
        $last = array_pop($held);
        if ($last === null) {
            return;
        }
        if ($held !== []) {
            $last['detail']['with'] = array_map(
                static fn (array $each): array => ['what' => $each['what']] + $each['detail'],
                $held,
            );
        }
        self::insert($last);
    }

    /** @param Row $row */
    private static function insert(array $row): void
    {
        Activity::query()->insert(['detail' => json_encode(
            (object) $row['detail'],
            JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
        )] + $row);
    }

    /** @param array<string, mixed> $detail */
    private function keep(?string $tenantId, ?string $technicianId, string $what, array $detail): void
    {
        $row = [
            'technician_id' => $technicianId, 'tenant_id' => $tenantId, 'what' => $what,
            'detail' => array_filter($detail, static fn (mixed $each): bool => $each !== null),
            'happened_at' => $this->clock->now(),
        ];
        if ($this->held === null) {
            self::insert($row);
        } else {
            $this->held[] = $row;
        }
    }
}
