<?php

declare(strict_types=1);

namespace App\Fleet;

/** Which lines of the Roster are wanted, and in which order. */
final readonly class RosterSought
{
    public const FINDINGS = ['any', 'blocker', 'error', 'warning', 'none'];

    public const DRIFT = ['any', 'some', 'noticed', 'none', 'unread', 'behind'];

    public const SORTS = ['name', 'stage', 'findings', 'differences', 'next', 'pushedAt', 'lookedAfterBy'];

    /**
     * @param  string  $stage  empty for any
     * @param  string  $findings  of FINDINGS: that or heavier
     * @param  string  $drift  of DRIFT
     * @param  string  $region  empty for all
     * @param  string  $who  initials; empty for anyone
     * @param  string  $words  in name, town, zone, where calls lead and the main number, however that is written
     * @param  string  $sort  of SORTS
     */
    public function __construct(
        public string $stage = '',
        public string $findings = 'any',
        public string $drift = 'any',
        public string $region = '',
        public string $who = '',
        public string $words = '',
        public string $sort = 'name',
        public bool $isDown = false,
    ) {
    }
}
