<?php

declare(strict_types=1);

namespace App\Settings;

use App\House\House;
use App\House\Settings;
use App\Models\Technician;
use Illuminate\Console\Scheduling\Schedule;
use Illuminate\Database\QueryException;

/** What runs by itself, at the times that leads settled, on the reseller's own clock. */
final readonly class Nights
{
    public function __construct(private House $house)
    {
    }

    public function plan(Schedule $schedule): void
    {
        try {
            $settings = $this->house->settings();
            $by = $settings->nightlyAs === null
                ? null
                : Technician::query()->whereNull('closed_at')->find($settings->nightlyAs);
        } catch (QueryException) {
            // Commands that make the database are commands too: there is no night before there is a house.
            return;
        }
        if ($by !== null) {
            $schedule->command('roster:audit', ['--nightly', "--as={$by->sign_in}"])
                ->dailyAt($settings->nightlyAt)
                ->timezone($settings->zone)
                ->onOneServer();
        }
        $schedule->command('roster:numbers', $by === null ? [] : ["--as={$by->sign_in}"])
            ->dailyAt(Settings::NUMBERS_AT)
            ->timezone($settings->zone)
            ->onOneServer();
        $schedule->command('roster:take-up')->everyMinute()->onOneServer();
        $schedule->command('roster:tidy')
            ->dailyAt(Settings::TIDIED_AT)
            ->timezone($settings->zone)
            ->onOneServer();
        $schedule->command('roster:digest')
            ->dailyAt($settings->lettersAt)
            ->timezone($settings->zone)
            ->onOneServer();
    }
}
