<?php

declare(strict_types=1);

namespace App\Console;

use App\Access\AccessDenied;
use App\Access\CustomerNotFound;
use App\Models\Technician;
use App\Push\GateShut;
use App\Push\PushUnderWay;
use App\Switching\NoSwitch;
use App\Switching\SwitchTrouble;
use Illuminate\Console\Command;

/**
 * A command about customers, run by hand or by cron in some technician's name: what they are granted holds here too.
 * Ends with 0 where all is well, 1 where something was found, 2 where it could not be done.
 */
abstract class CustomerCommand extends Command
{
    protected const FOUND = 1;

    protected const UNDONE = 2;

    final public function handle(): int
    {
        $signIn = $this->option('as');
        $technician = is_string($signIn) ? Technician::query()->where('sign_in', $signIn)->first() : null;
        if ($technician === null) {
            $this->error(
                is_string($signIn)
                ? "There is no technician who signs in as {$signIn}."
                : 'Say in whose name: --as=SIGN-IN.',
            );

            return self::UNDONE;
        }
        try {
            return $this->work($technician);
        } catch (CustomerNotFound | AccessDenied | SwitchTrouble | NoSwitch | GateShut | PushUnderWay $fault) {
            $this->error($fault->getMessage());

            return self::UNDONE;
        }
    }

    abstract protected function work(Technician $technician): int;
}
