<?php

declare(strict_types=1);

namespace App\Console;

use App\Access\Scope;
use App\Fleet\AuditRuns;
use App\Push\CarryOnPush;
use Illuminate\Console\Command;
use Illuminate\Contracts\Queue\Factory as Queues;
use Illuminate\Database\ConnectionInterface;

/**
 * Pushes and audits that are under way and that nobody works on: the machine went between writing them down and putting
 * them in the queue, or the queue lost them. What is taken up twice is done once.
 */
final class TakeUp extends Command
{
    protected $signature = 'roster:take-up';

    protected $description = 'Put pushes and audits in the queue again that nobody works on';

    /** A queue that holds nothing lost them; one that is full may come to them yet. */
    private const SECONDS_IF_EMPTY = 20;

    private const SECONDS = 600;

    public function handle(ConnectionInterface $db, Queues $queues, Scope $scope, AuditRuns $runs): int
    {
        $isEmpty = $queues->connection()->size() === 0;
        /** @var list<object{what: string, tenant: ?string, technician: string, id: string}&\stdClass> $lying */
        $lying = $db->select('select * from roster_left_lying(?)', [$isEmpty ? self::SECONDS_IF_EMPTY : self::SECONDS]);
        foreach ($lying as $each) {
            if ($each->what === 'push' && $each->tenant !== null) {
                CarryOnPush::dispatch($each->tenant, $each->technician, $each->id);
            } else {
                $scope->technician($each->technician, static fn () => $runs->takeUp($each->id));
            }
        }
        $this->line(count($lying) . ' taken up');

        return self::SUCCESS;
    }
}
