<?php

declare(strict_types=1);

namespace App\Security;

use App\Activity\ActivityLog;
use App\Models\Ability;
use App\Models\ApiToken;
use App\Models\Technician;
use App\Time\Clock;
use Illuminate\Support\Str;

/** Tokens of programs: made once, shown once, kept as a hash. */
final readonly class ApiTokens
{
    /** Tells a leaked token apart from other secrets. */
    private const PREFIX = 'roster_';

    private const BYTES = 32;

    /** When it was last used is kept to the minute: enough to see which are dead. */
    private const USED_EVERY_SECONDS = 60;

    public function __construct(private Clock $clock, private ActivityLog $log)
    {
    }

    /** @return list<ApiToken> a technician's own, the oldest first */
    public function all(Technician $technician): array
    {
        return array_values(
            ApiToken::query()->where('technician_id', $technician->id)->orderBy('made_at')->get()->all(),
        );
    }

    public function takeBack(Technician $technician, string $id): void
    {
        if (ApiToken::query()->where('technician_id', $technician->id)->whereKey($id)->delete() === 1) {
            $this->log->note($technician->id, 'took a token back');
        }
    }

    /** @return array{ApiToken, string} with the token itself, which is nowhere else */
    public function make(Technician $technician, string $name, Ability $scope, ?int $days): array
    {
        $token = self::PREFIX . bin2hex(random_bytes(self::BYTES));
        $row = ApiToken::query()->create([
            'id' => (string) Str::uuid(),
            'technician_id' => $technician->id,
            'name' => $name,
            'hash' => self::hash($token),
            'scope' => $scope->value,
            'made_at' => $this->clock->now(),
            'until' => $days === null ? null : $this->clock->now()->modify("+{$days} days"),
        ]);

        $this->log->note($technician->id, 'made a token', ['name' => $name, 'scope' => $scope->value]);

        return [$row->refresh(), $token];
    }

    /** @return ?ApiToken null where it is none, or has run out */
    public function find(string $token): ?ApiToken
    {
        $row = str_starts_with($token, self::PREFIX)
            ? ApiToken::query()->with('technician')->where('hash', self::hash($token))->first()
            : null;
        if ($row === null || $row->technician->closed_at !== null || (
            $row->until !== null && $row->until <= $this->clock->now()
        )) {
            return null;
        }
        if (
            $row->last_used_at === null
            || $this->clock->now()->getTimestamp() - $row->last_used_at->getTimestamp() >= self::USED_EVERY_SECONDS
        ) {
            ApiToken::query()->whereKey($row->id)->update(['last_used_at' => $this->clock->now()]);
        }

        return $row;
    }

    private static function hash(string $token): string
    {
        return hash('sha256', $token);
    }
}
