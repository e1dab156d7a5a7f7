<?php

declare(strict_types=1);

namespace App\Http\Problem;

use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Log;

/**
 * Writes faults of our own to the log, without what they were working on: no bindings of queries, no arguments of
 * calls, no request. A log is read by more people than a customer's book is.
 */
final class FaultLog
{
    private const DEEPEST = 25;

    public static function write(\Throwable $fault): void
    {
        $message = $fault instanceof QueryException
            ? "SQLSTATE {$fault->getCode()} in: {$fault->getSql()}"
            : $fault->getMessage();
        $frames = array_map(
            static fn (array $frame): string => ($frame['file'] ?? '?') . ':' . ($frame['line'] ?? '?'),
            array_slice($fault->getTrace(), 0, self::DEEPEST),
        );
        Log::error(
            $fault::class . ": {$message}",
            ['at' => "{$fault->getFile()}:{$fault->getLine()}", 'through' => $frames],
        );
    }
}
