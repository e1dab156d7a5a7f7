<?php

declare(strict_types=1);

namespace App\Security;

use Illuminate\Database\ConnectionInterface;

/** Sessions in the database, as they come. */
final readonly class SessionsInTable implements OpenSessions
{
    private const TABLE = 'sessions';

    public function __construct(private ConnectionInterface $db)
    {
    }

    public function of(string $technicianId, int $since): array
    {
        /** @var list<object{id: string, address: ?string, browser: ?string, at: int}&\stdClass> $rows */
        $rows = $this->db->table(self::TABLE)
            ->where('user_id', $technicianId)
            ->where('last_activity', '>=', $since)
            ->orderByDesc('last_activity')
            ->get(['id', 'ip_address as address', 'user_agent as browser', 'last_activity as at'])
            ->all();

        return array_map(static fn (object $row): array => [
            'id' => $row->id, 'address' => (string) $row->address, 'browser' => (string) $row->browser,
            'at' => $row->at,
        ], $rows);
    }

    public function end(string $technicianId, array $ids): int
    {
        return $this->db->table(self::TABLE)->where('user_id', $technicianId)->whereIn('id', $ids)->delete();
    }
}
