<?php

declare(strict_types=1);

namespace App\Console;

use App\Access\Scope;
use App\Models\Ability;
use App\Models\Push;
use App\Models\PushStatus;
use App\Models\PushStep;
use App\Models\StepStatus;
use App\Models\Technician;
use App\Models\TenantRow;
use App\Push\PushDesk;
use App\Push\PushRunner;
use App\Push\PushUnderWay;
use Illuminate\Support\Sleep;

/** Pushes a customer's book and works through it here, whether a worker runs or not. */
final class PushCustomer extends CustomerCommand
{
    protected $signature = 'roster:push {customer : key} {--as= : the technician in whose name}';

    protected $description = 'Push a customer\'s book to the switch and wait for the end; ends '
        . 'with 1 where it was stopped';

    public function __construct(
        private readonly Scope $scope,
        private readonly PushDesk $pushes,
        private readonly PushRunner $runner,
    ) {
        parent::__construct();
    }

    protected function work(Technician $technician): int
    {
        $key = $this->argument('customer');
        try {
            $push = $this->scope->tenant(
                $technician->id,
                is_string($key) ? $key : '',
                Ability::Push,
                fn (TenantRow $tenant): Push => $this->pushes->ask($tenant, $technician->id, null),
            );
        } catch (PushUnderWay $fault) {
            $this->error($fault->getMessage());

            return self::UNDONE;
        }
        while (($wait = $this->runner->carryOn($push->tenant_id, $technician->id, $push->id)) !== null) {
            Sleep::for($wait)->seconds();
        }
        [$ended, $done] = $this->scope->tenant(
            $technician->id,
            $push->tenant_id,
            Ability::Read,
            static fn (): array => [
                Push::query()->where('tenant_id', $push->tenant_id)->whereKey($push->id)->firstOrFail(),
                PushStep::query()->where('tenant_id', $push->tenant_id)
                    ->where('push_id', $push->id)
                    ->where('status', StepStatus::Done)
                    ->count(),
            ],
        );
        $this->line(
            $ended->status === PushStatus::Done
            ? "revision {$ended->revision} is on the switch; {$done} steps"
            : "stopped after {$done} steps: {$ended->reason}",
        );

        return $ended->status === PushStatus::Done ? self::SUCCESS : self::FOUND;
    }
}
