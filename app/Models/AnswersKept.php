<?php

declare(strict_types=1);

namespace App\Models;

/**
 * What a technician has been told of a customer who is not taken on yet.
 *
 * @property string $id
 * @property string $technician_id
 * @property string $template
 * @property array<string, mixed> $answers
 * @property \Carbon\CarbonImmutable $kept_at
 */
final class AnswersKept extends Row
{
    protected $table = 'answers_kept';

    protected $primaryKey = 'id';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['answers' => 'array', 'kept_at' => 'immutable_datetime'];
    }
}
