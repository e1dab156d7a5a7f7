<?php

declare(strict_types=1);

namespace App\Console;

use App\Activity\ActivityLog;
use App\Files\FileStore;
use App\House\House;
use App\Time\Clock;
use Illuminate\Console\Command;
use Illuminate\Database\ConnectionInterface;

/** Lets go of what settings keep no longer. For how long is not said here. */
final class TidyUp extends Command
{
    protected $signature = 'roster:tidy';

    protected $description = 'Delete what settings keep no longer: readings, call records, recordings, papers, logs';

    public function handle(ConnectionInterface $db, Clock $clock, ActivityLog $log, House $house, FileStore $files): int
    {
        $row = $db->transaction(static function () use ($db, $clock): mixed {
            $db->statement("set local statement_timeout to '30min'");

            return $db->selectOne('select roster_tidy(?) as told', [$clock->now()->format(\DateTimeInterface::ATOM)]);
        });
        $told = is_object($row) && is_string($row->told ?? null)
            ? json_decode($row->told, true, flags: JSON_THROW_ON_ERROR)
            : [];
        /** @var array<string, int> $told */
        $told = array_filter(is_array($told) ? $told : [], is_int(...));
        $told['logs'] = self::logs($house->settings()->retention->logs);
        // Of recordings that were counted already.
        $files->sweep();
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

    /** @return int how many days of the application's own log went */
    private static function logs(int $days): int
    {
        $gone = 0;
        $files = glob(storage_path('logs/roster-*.log'));
        foreach ($files === false ? [] : $files as $file) {
            $isOld = preg_match('/roster-(\d{4}-\d\d-\d\d)\.log$/D', $file, $found) === 1
                && $found[1] < gmdate('Y-m-d', time() - $days * 86_400);
            $gone += $isOld && @unlink($file) ? 1 : 0;
        }

        return $gone;
    }
}
