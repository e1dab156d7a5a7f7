<?php

declare(strict_types=1);

namespace App\Security;

use App\Models\Activity;
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
    private const NOBODY = '$2y$12$C6UzMDM.H6dfI/f/IKcEeO6Yj1iK3kYk3Y4uF7mUQ8mPzSxw5bq9K';

    public function __construct(private RateLimiter $limiter, private Hasher $hasher, private SecondFactor $secondFactor)
    {
    }

    /**
     * @throws SignInRefused
     */
    public function check(string $signIn, string $password, ?string $code, string $address): Technician
    {
        $signIn = mb_strtolower(trim($signIn));
        $keys = ["sign-in:{$signIn}" => self::TRIES_BY_NAME, "sign-in-from:{$address}" => self::TRIES_BY_ADDRESS];
        foreach ($keys as $key => $most) {
            if ($this->limiter->tooManyAttempts($key, $most)) {
                throw SignInRefused::tooManyTries($this->limiter->availableIn($key));
            }
        }
        $technician = Technician::query()->where('sign_in', $signIn)->first();
        if (! $this->hasher->check($password, $technician->password ?? self::NOBODY) || $technician === null) {
            $this->count($keys);
            throw SignInRefused::wrong();
        }
        if ($technician->usesSecondFactor()) {
            if ($code === null || $code === '') {
                throw SignInRefused::codeNeeded();
            }
            if (! $this->secondFactor->take($technician, $code)) {
                $this->count($keys);
                throw SignInRefused::wrongCode();
            }
        }
        $this->limiter->clear("sign-in:{$signIn}");
        Activity::query()->insert(['technician_id' => $technician->id, 'what' => 'signed in', 'detail' => '{}']);

        return $technician;
    }

    /** @param array<string, int> $keys */
    private function count(array $keys): void
    {
        foreach (array_keys($keys) as $key) {
            $this->limiter->hit($key, self::WINDOW_SECONDS);
        }
    }
}
