<?php

declare(strict_types=1);

namespace App\Console;

use App\Activity\ActivityLog;
use App\Time\Clock;
use Illuminate\Console\Command;
use Illuminate\Database\ConnectionInterface;

/** Lets go of what settings keep no longer: readings, calls, recordings, papers. For how long is not said here. */
final class TidyUp extends Command
{
    protected $signature = 'roster:tidy';

    protected $description = 'Delete what is kept no longer, by the settings: readings, call records, recordings, papers';

    public function handle(ConnectionInterface $db, Clock $clock, ActivityLog $log): int
    {
        $db->statement("set statement_timeout to '30min'");
        $row = $db->selectOne('select roster_tidy(?) as told', [$clock->now()->format(\DateTimeInterface::ATOM)]);
        $told = is_object($row) && is_string($row->told ?? null)
            ? json_decode($row->told, true, flags: JSON_THROW_ON_ERROR)
            : [];
        /** @var array<string, int> $told */
        $told = array_filter(is_array($told) ? $told : [], is_int(...));
        if (array_sum($told) > 0) {
            $log->note(null, 'let go of what is kept no longer', $told);
        }
        $this->line(implode(', ', array_map(
            static fn (string $of, int $count): string => "{$count} {$of}",
            array_keys($told),
            $told,
        )) . ' let go');

        return self::SUCCESS;
    }
}
