<?php

declare(strict_types=1);

namespace App\Security;

use Illuminate\Contracts\Auth\Guard;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\Request;
use Illuminate\Redis\Connections\Connection;
use Illuminate\Session\ExistenceAwareInterface;

/**
 * Sessions in Redis, for a house of several machines. Each is a key that runs out by itself; beside them stands a hash
 * for each technician, which says where they are signed in.
 */
final class SessionsInRedis implements \SessionHandlerInterface, ExistenceAwareInterface, OpenSessions
{
    private bool $isKept = false;

    public function __construct(
        private readonly Connection $redis,
        private readonly Container $container,
        private readonly int $minutes,
    ) {
    }

    public function open(string $path, string $name): bool
    {
        return true;
    }

    public function close(): bool
    {
        return true;
    }

    public function read(string $id): string
    {
        $kept = $this->redis->command('get', [self::key($id)]);
        $this->isKept = is_string($kept);

        return is_string($kept) ? $kept : '';
    }

    /** One that was ended while this request was under way stays ended. */
    public function write(string $id, string $data): bool
    {
        $seconds = 60 * $this->minutes;
        $arguments = [self::key($id), $data, 'EX', $seconds, ...($this->isKept ? ['XX'] : [])];
        $isWritten = (bool) $this->redis->command('set', $arguments);
        $technician = $this->container->make(Guard::class)->id();
        if ($isWritten && is_string($technician)) {
            $request = $this->container->make(Request::class);
            $this->redis->command('hset', [self::list($technician), $id, json_encode([
                'address' => (string) $request->ip(),
                'browser' => mb_scrub(substr((string) $request->header('User-Agent'), 0, 500)),
                'at' => time(),
            ], JSON_THROW_ON_ERROR)]);
            $this->redis->command('expire', [self::list($technician), $seconds]);
        }
        $this->isKept = $isWritten;

        return true;
    }

    public function destroy(string $id): bool
    {
        $technician = $this->container->make(Guard::class)->id();
        $this->redis->command('del', [self::key($id)]);
        if (is_string($technician)) {
            $this->redis->command('hdel', [self::list($technician), $id]);
        }
        $this->isKept = false;

        return true;
    }

    /** Keys run out by themselves. */
    public function gc(int $max_lifetime): int
    {
        return 0;
    }

    /** @param bool $value */
    public function setExists($value): static
    {
        $this->isKept = $value;

        return $this;
    }

    public function of(string $technicianId, int $since): array
    {
        $open = [];
        foreach ((array) $this->redis->command('hgetall', [self::list($technicianId)]) as $id => $json) {
            $told = json_decode(is_string($json) ? $json : '', true);
            $at = is_array($told) && is_int($told['at'] ?? null) ? $told['at'] : 0;
            $isOpen = $at >= $since && (bool) $this->redis->command('exists', [self::key((string) $id)]);
            if (! is_array($told) || ! $isOpen) {
                $this->redis->command('hdel', [self::list($technicianId), (string) $id]);

                continue;
            }
            $open[] = [
                'id' => (string) $id,
                'address' => is_string($told['address'] ?? null) ? $told['address'] : '',
                'browser' => is_string($told['browser'] ?? null) ? $told['browser'] : '',
                'at' => $at,
            ];
        }
        usort($open, static fn (array $one, array $other): int => $other['at'] <=> $one['at']);

        return $open;
    }

    public function end(string $technicianId, array $ids): int
    {
        $ended = 0;
        foreach ($ids as $id) {
            $gone = $this->redis->command('del', [self::key($id)]);
            $ended += is_numeric($gone) ? (int) $gone : 0;
            $this->redis->command('hdel', [self::list($technicianId), $id]);
        }

        return $ended;
    }

    private static function key(string $id): string
    {
        return "session:{$id}";
    }

    private static function list(string $technicianId): string
    {
        return "signed-in:{$technicianId}";
    }
}
