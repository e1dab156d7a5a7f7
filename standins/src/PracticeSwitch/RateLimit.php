<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch;

use Standins\Shared\Refusal;
use Standins\Shared\Store;

/** So many calls a second and no more. */
final readonly class RateLimit
{
    private Store $store;

    /** @param \Closure(): int $clock seconds since 1970; the real ones, whatever else stands still */
    public function __construct(string $file, private int $perSecond, private \Closure $clock)
    {
        $this->store = new Store(
            $file,
            'CREATE TABLE IF NOT EXISTS calls (second INTEGER PRIMARY KEY, count INTEGER NOT NULL)',
        );
    }

    /** @throws Refusal 429 */
    public function count(): void
    {
        $second = ($this->clock)();
        $row = $this->store->row(
            'INSERT INTO calls (second, count) VALUES (?, 1) ON CONFLICT (second) DO UPDATE SET count = count + 1 '
                . 'RETURNING count',
            [$second],
        );
        if ((int) ($row['count'] ?? 0) === 1) {
            $this->store->rows('DELETE FROM calls WHERE second < ?', [$second - 10]);
        }
        if ((int) ($row['count'] ?? 0) > $this->perSecond) {
            throw new Refusal(429, "no more than {$this->perSecond} calls a second", headers: ['Retry-After' => '1']);
        }
    }
}
