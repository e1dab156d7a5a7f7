<?php

declare(strict_types=1);

namespace App\TakingOn;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Models\AnswersKept;
use App\Time\Clock;

/** What was answered so far of customers being taken on: the telephone rings in between, and browsers die. */
final readonly class AnswersDesk
{
    public function __construct(private Scope $scope, private Clock $clock, private ActivityLog $log)
    {
    }

    /** @return list<AnswersKept> a technician's own, the newest first */
    public function kept(string $technicianId): array
    {
        return $this->scope->technician($technicianId, static fn (): array => array_values(
            AnswersKept::query()->orderByDesc('kept_at')->orderBy('id')->get()->all(),
        ));
    }

    /**
     * @param  string  $id  a UUID
     * @param  array<string, mixed>  $answers
     */
    public function keep(string $technicianId, string $id, string $template, array $answers): void
    {
        $this->scope->technician($technicianId, function () use ($technicianId, $id, $template, $answers): void {
            AnswersKept::query()->upsert([[
                'technician_id' => $technicianId, 'id' => $id, 'template' => $template,
                'answers' => json_encode((object) $answers, JSON_THROW_ON_ERROR), 'kept_at' => $this->clock->now(),
            ]], ['technician_id', 'id'], ['template', 'answers', 'kept_at']);
            $this->log->note($technicianId, 'kept answers of a customer to be', [
                'template' => $template, 'name' => is_string($answers['name'] ?? null) ? $answers['name'] : null,
            ]);
        });
    }

    /** @param string $id a UUID */
    public function letGo(string $technicianId, string $id): void
    {
        $this->scope->technician($technicianId, function () use ($technicianId, $id): void {
            AnswersKept::query()->whereKey($id)->delete();
            $this->log->note($technicianId, 'threw answers away');
        });
    }
}
