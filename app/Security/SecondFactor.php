<?php

declare(strict_types=1);

namespace App\Security;

use App\Models\Technician;
use Illuminate\Contracts\Hashing\Hasher;

/** A technician's second factor: begun, confirmed by a first code, then asked for at each sign-in. */
final readonly class SecondFactor
{
    private const RECOVERY_CODES = 8;

    public function __construct(private Hasher $hasher)
    {
    }

    /** @return string the new secret; not asked for until it is confirmed */
    public function begin(Technician $technician): string
    {
        $secret = Totp::newSecret();
        $technician->forceFill(['totp_secret' => $secret, 'totp_confirmed_at' => null, 'totp_last_step' => null, 'recovery_codes' => null])->save();

        return $secret;
    }

    /** @return ?list<string> recovery codes, shown once; null where the code is wrong */
    public function confirm(Technician $technician, string $code): ?array
    {
        if ($technician->totp_secret === null || $technician->usesSecondFactor()) {
            return null;
        }
        $step = Totp::check($technician->totp_secret, $code, time(), null);
        if ($step === null) {
            return null;
        }
        $codes = [];
        for ($i = 0; $i < self::RECOVERY_CODES; $i++) {
            $codes[] = implode('-', str_split(bin2hex(random_bytes(5)), 5));
        }
        $technician->forceFill([
            'totp_confirmed_at' => new \DateTimeImmutable(),
            'totp_last_step' => $step,
            'recovery_codes' => array_map($this->hasher->make(...), $codes),
        ])->save();

        return $codes;
    }

    /** Whether the code is one of now, or an unused recovery code. Either is used up by being taken. */
    public function take(Technician $technician, string $code): bool
    {
        $code = strtolower(trim($code));
        $step = $technician->totp_secret === null ? null : Totp::check($technician->totp_secret, str_replace(' ', '', $code), time(), $technician->totp_last_step);
        if ($step !== null) {
            $technician->forceFill(['totp_last_step' => $step])->save();

            return true;
        }
        $codes = $technician->recovery_codes ?? [];
        foreach ($codes as $index => $hash) {
            if ($this->hasher->check($code, $hash)) {
                unset($codes[$index]);
                $technician->forceFill(['recovery_codes' => array_values($codes)])->save();

                return true;
            }
        }

        return false;
    }

    public function switchOff(Technician $technician): void
    {
        $technician->forceFill(['totp_secret' => null, 'totp_confirmed_at' => null, 'totp_last_step' => null, 'recovery_codes' => null])->save();
    }
}
