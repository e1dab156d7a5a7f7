<?php

declare(strict_types=1);

namespace App\Push;

use Illuminate\Bus\Queueable;
use Illuminate\Container\Container;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;

/** One slice of a push: a few seconds of steps, then again until it has ended. Safe to run twice and to kill. */
final class CarryOnPush implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    /** Names whom the job acts for: row-level security holds for it as it does for them. */
    public function __construct(
        public readonly string $tenantId,
        public readonly string $technicianId,
        public readonly string $pushId,
    ) {
        $this->afterCommit = true;
    }

    public function handle(PushRunner $runner): void
    {
        $wait = $runner->carryOn($this->tenantId, $this->technicianId, $this->pushId);
        if ($wait !== null) {
            self::dispatch($this->tenantId, $this->technicianId, $this->pushId)->delay($wait);
        }
    }

    /** It was tried as often as jobs are: nobody waits for it any more. */
    public function failed(): void
    {
        Container::getInstance()->make(PushRunner::class)
            ->giveUp($this->tenantId, $this->technicianId, $this->pushId);
    }
}
