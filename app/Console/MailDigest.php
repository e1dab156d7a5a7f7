<?php

declare(strict_types=1);

namespace App\Console;

use App\Audit\Digest;
use App\Models\Technician;
use Illuminate\Console\Command;

/** Mails every technician who wants it what is new at their customers. */
final class MailDigest extends Command
{
    protected $signature = 'roster:digest';

    protected $description = 'Mail technicians who want it what is new at their customers since yesterday';

    public function handle(Digest $digest): int
    {
        foreach (Technician::query()->where('digest', true)->orderBy('sign_in')->get() as $technician) {
            $told = $digest->sendTo($technician);
            $this->line(
                "{$technician->sign_in}: " . ($told === 0 ? 'nothing new, no letter' : "a letter about {$told}"),
            );
        }

        return self::SUCCESS;
    }
}
