<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Technician;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Request;

abstract class Controller
{
    protected function technician(Request $request): Technician
    {
        $technician = $request->user();

        return $technician instanceof Technician ? $technician : throw new AuthenticationException();
    }

    /** A local time of day in UTC, as rows are written and compared. */
    protected static function inUtc(string $local, \DateTimeZone $zone): \DateTimeImmutable
    {
        return (new \DateTimeImmutable($local, $zone))->setTimezone(new \DateTimeZone('UTC'));
    }
}
