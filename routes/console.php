<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Schedule;

// The switch is quiet then, and the letter is there before anybody sits down.
$nightlyAs = config('roster.nightly_as');
if (is_string($nightlyAs) && $nightlyAs !== '') {
    Schedule::command('roster:audit', ['--nightly', "--as={$nightlyAs}"])->dailyAt('03:10');
}
Schedule::command('roster:digest')->dailyAt('06:30');
