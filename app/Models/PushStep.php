<?php

declare(strict_types=1);

namespace App\Models;

use Jaunty\Core\Provisioning\StepKind;

/**
 * @property string $tenant_id
 * @property string $push_id
 * @property int $position
 * @property StepKind $kind
 * @property string $object
 * @property string $label
 * @property ?string $external_id of a record that is in no book
 * @property array<string, mixed> $fields
 * @property array<string, mixed> $expected
 * @property StepStatus $status
 * @property int $attempts
 * @property ?string $error
 */
final class PushStep extends Row
{
    protected $table = 'push_steps';

    protected $primaryKey = 'position';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['kind' => StepKind::class, 'fields' => 'array', 'expected' => 'array', 'status' => StepStatus::class];
    }
}
