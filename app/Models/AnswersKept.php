<?php

declare(strict_types=1);

namespace App\Models;

/**
 * What a technician has been told of a customer who is not taken on yet.
 *
 * @property string $technician_id
 * @property string $template
 * @property array<string, mixed> $answers
 */
final class AnswersKept extends Row
{
    protected $table = 'answers_kept';

    protected $primaryKey = 'technician_id';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['answers' => 'array'];
    }
}
