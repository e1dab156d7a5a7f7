<?php

declare(strict_types=1);

namespace App\Security;

use App\Models\Technician;

/** Where a technician is signed in, and the end of it. */
final readonly class SignedIn
{
    private const MOST = 50;

    /** @param int $minutes without a request, after which a session opens nothing any more */
    public function __construct(private OpenSessions $sessions, private int $minutes)
    {
    }

    /**
     * @param  string  $here  the session that asks
     * @return list<array{id: string, address: string, browser: string, lastSeen: string, isHere: bool}> latest first
     */
    public function of(Technician $technician, string $here): array
    {
        return array_map(static fn (array $open): array => [
            'id' => self::told($open['id']),
            'address' => $open['address'],
            'browser' => mb_strimwidth($open['browser'], 0, 120, '…'),
            'lastSeen' => gmdate('Y-m-d\TH:i:s\Z', $open['at']),
            'isHere' => $open['id'] === $here,
        ], array_slice($this->sessions->of($technician->id, time() - 60 * $this->minutes), 0, self::MOST));
    }

    /** @return int how many were ended */
    public function endOthers(Technician $technician, string $here): int
    {
        return $this->sessions->end($technician->id, array_values(array_diff($this->ids($technician), [$here])));
    }

    /** @param string $id as it is told: what a browser holds is in no list */
    public function endOne(Technician $technician, string $id): bool
    {
        foreach ($this->ids($technician) as $session) {
            if (hash_equals(self::told($session), $id)) {
                return $this->sessions->end($technician->id, [$session]) === 1;
            }
        }

        return false;
    }

    public function endAll(Technician $technician): void
    {
        $this->sessions->end($technician->id, $this->ids($technician));
    }

    /** @return list<string> also of those that nobody used for long: they are ended with the others */
    private function ids(Technician $technician): array
    {
        return array_column($this->sessions->of($technician->id, 0), 'id');
    }

    private static function told(string $session): string
    {
        return substr(hash('sha256', "signed in: {$session}"), 0, 20);
    }
}
