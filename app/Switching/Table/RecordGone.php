<?php

declare(strict_types=1);

namespace App\Switching\Table;

/** The switch has no such record. */
final class RecordGone extends \RuntimeException
{
}
