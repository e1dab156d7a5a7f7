<?php

declare(strict_types=1);

namespace App\Security;

use App\Models\Technician;
use Illuminate\Contracts\Hashing\Hasher;
use Illuminate\Database\ConnectionInterface;

/** A technician's second factor: begun, confirmed by a first code, then asked for at each sign-in. */
final readonly class SecondFactor
{
    private const RECOVERY_CODES = 8;

    public function __construct(private Hasher $hasher, private ConnectionInterface $db)
    {
    }

    /** @return string the new secret; not asked for until it is confirmed */
    public function begin(Technician $technician): string
    {
        $secret = Totp::newSecret();
        $technician->forceFill(
            ['totp_secret' => $secret, 'totp_confirmed_at' => null, 'totp_last_step' => null, 'recovery_codes' => null],
        )->save();

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

    /**
     * Whether the code is one of now, or an unused recovery code. Either is used up by being taken, by whoever is
     * first.
     */
    public function take(Technician $technician, string $code): bool
    {
        $code = strtolower(trim($code));
        $step = $technician->totp_secret === null
            ? null
            : Totp::check($technician->totp_secret, str_replace(' ', '', $code), time(), $technician->totp_last_step);
        if ($step !== null) {
            return Technician::query()->whereKey($technician->id)->where(
                static fn ($query) => $query->whereNull('totp_last_step')->orWhere('totp_last_step', '<', $step),
            )->update(['totp_last_step' => $step]) === 1;
        }

        /** @var bool $isTaken */
        $isTaken = $this->db->transaction(function () use ($technician, $code): bool {
            $codes = Technician::query()->whereKey($technician->id)
                ->lockForUpdate()
                ->first(['id', 'recovery_codes'])->recovery_codes
                ?? [];
            foreach ($codes as $index => $hash) {
                if ($this->hasher->check($code, $hash)) {
                    unset($codes[$index]);
                    Technician::query()->whereKey($technician->id)
                        ->update(['recovery_codes' => json_encode(array_values($codes), JSON_THROW_ON_ERROR)]);

                    return true;
                }
            }

            return false;
        });

        return $isTaken;
    }

    public function switchOff(Technician $technician): void
    {
        $technician->forceFill(
            ['totp_secret' => null, 'totp_confirmed_at' => null, 'totp_last_step' => null, 'recovery_codes' => null],
        )->save();
    }
}
