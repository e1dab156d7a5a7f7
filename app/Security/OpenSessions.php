<?php

declare(strict_types=1);

namespace App\Security;

/** Which sessions of a technician are open, wherever sessions are kept. */
interface OpenSessions
{
    /**
     * @param  int  $since  seconds since 1970: those that asked for nothing since then are left out
     * @return list<array{id: string, address: string, browser: string, at: int}> latest first; the id as the browser
     *     holds it
     */
    public function of(string $technicianId, int $since): array;

    /**
     * Whoever holds one of these is signed out, also where a request of theirs is under way.
     *
     * @param  list<string>  $ids
     * @return int how many were open
     */
    public function end(string $technicianId, array $ids): int;
}
