<?php

declare(strict_types=1);

namespace App\Switching\Table;

/** The record has another version than the one a change was made for. */
final class StaleRecord extends \RuntimeException
{
}
