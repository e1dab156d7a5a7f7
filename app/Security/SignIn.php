<?php

declare(strict_types=1);

namespace App\Security;

use App\Activity\ActivityLog;
use App\Models\Technician;
use Illuminate\Cache\RateLimiter;
use Illuminate\Contracts\Hashing\Hasher;

/** Checks who signs in: password, then code where the second factor is on. Tries are counted by name and by address. */
final readonly class SignIn
{
    private const TRIES_BY_NAME = 8;

    private const TRIES_BY_ADDRESS = 30;

    private const WINDOW_SECONDS = 300;

    /** Checked where there is no such technician, so that the answer takes as long. */
    private const NOBODY = '$argon2id$v=19$m=19456,t=2,p=1$L1F5aUVncmM2S1VMamQyUQ$'
        . 'JP27nMOVHyxtrqVqgymDpHPzFMRCNO8wZ+f0RT3FDvQ';

    public function __construct(
        private RateLimiter $limiter,
        private Hasher $hasher,
        private SecondFactor $secondFactor,
        private ActivityLog $log,
    ) {
    }

    /**
     * @throws SignInRefused
     */
    public function check(string $signIn, string $password, ?string $code, string $address): Technician
    {
        $signIn = mb_strtolower(trim($signIn));
        $keys = ["sign-in:{$signIn}" => self::TRIES_BY_NAME, "sign-in-from:{$address}" => self::TRIES_BY_ADDRESS];
        foreach ($keys as $key => $most) {
            // Counted before it is looked at, so that tries made at once do not slip through together.
            if (
                $this->limiter->tooManyAttempts($key, $most) || $this->limiter->hit($key, self::WINDOW_SECONDS) > $most
            ) {
                $this->log->note(null, 'was shut out after too many tries', [
                    'signIn' => $signIn,
                    'address' => $address,
                ]);
                throw SignInRefused::tooManyTries($this->limiter->availableIn($key));
            }
        }
        $technician = Technician::query()->where('sign_in', $signIn)->first();
        if (
            ! $this->hasher->check($password, $technician->password ?? self::NOBODY)
            || $technician === null
            || $technician->closed_at !== null
        ) {
            $this->log->note($technician?->id, 'failed to sign in', ['signIn' => $signIn, 'address' => $address]);
            throw SignInRefused::wrong();
        }
        if ($technician->usesSecondFactor()) {
            if ($code === null || $code === '') {
                // The password was right: asking for the code is no failed try.
                array_map($this->limiter->decrement(...), array_keys($keys));
                throw SignInRefused::codeNeeded();
            }
            if (! $this->secondFactor->take($technician, $code)) {
                $this->log->note($technician->id, 'failed at the second factor', ['address' => $address]);
                throw SignInRefused::wrongCode();
            }
        }
        $this->limiter->clear("sign-in:{$signIn}");
        $this->limiter->decrement("sign-in-from:{$address}");
        if ($this->hasher->needsRehash($technician->password)) {
            $technician->forceFill(['password' => $password])->save();
        }
        $this->log->note($technician->id, 'signed in', ['address' => $address]);

        return $technician;
    }
}
