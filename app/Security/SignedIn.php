<?php

declare(strict_types=1);

namespace App\Security;

use App\Models\Technician;
use Illuminate\Database\ConnectionInterface;

/** Where a technician is signed in, and the end of it. */
final readonly class SignedIn
{
    private const TABLE = 'sessions';

    private const MOST = 50;

    /** @param int $minutes without a request, after which a session opens nothing any more */
    public function __construct(private ConnectionInterface $db, private int $minutes)
    {
    }

    /**
     * @param  string  $here  the session that asks
     * @return list<array{id: string, address: string, browser: string, lastSeen: string, isHere: bool}> latest first
     */
    public function of(Technician $technician, string $here): array
    {
        $rows = $this->db->table(self::TABLE)
            ->where('user_id', $technician->id)
            ->where('last_activity', '>=', time() - 60 * $this->minutes)
            ->orderByDesc('last_activity')
            ->limit(self::MOST)
            ->get(['id', 'ip_address', 'user_agent', 'last_activity'])
            ->all();

        return array_values(array_map(static fn (object $row): array => [
            'id' => self::told(self::text($row, 'id')),
            'address' => self::text($row, 'ip_address'),
            'browser' => mb_strimwidth(self::text($row, 'user_agent'), 0, 120, '…'),
            'lastSeen' => gmdate('Y-m-d\TH:i:s\Z', (int) self::text($row, 'last_activity')),
            'isHere' => self::text($row, 'id') === $here,
        ], $rows));
    }

    /** @return int how many were ended */
    public function endOthers(Technician $technician, string $here): int
    {
        return $this->db->table(self::TABLE)->where('user_id', $technician->id)->where('id', '<>', $here)->delete();
    }

    /** @param string $id as it is told: what a browser holds is in no list */
    public function endOne(Technician $technician, string $id): bool
    {
        foreach ($this->db->table(self::TABLE)->where('user_id', $technician->id)->pluck('id') as $session) {
            if (is_string($session) && hash_equals(self::told($session), $id)) {
                return $this->db->table(self::TABLE)->where('id', $session)->delete() === 1;
            }
        }

        return false;
    }

    private static function told(string $session): string
    {
        return substr(hash('sha256', "signed in: {$session}"), 0, 20);
    }

    public function endAll(Technician $technician): void
    {
        $this->db->table(self::TABLE)->where('user_id', $technician->id)->delete();
    }

    private static function text(object $row, string $field): string
    {
        $value = get_object_vars($row)[$field] ?? '';

        return is_scalar($value) ? (string) $value : '';
    }
}
