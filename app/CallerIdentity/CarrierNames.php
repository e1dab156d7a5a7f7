<?php

declare(strict_types=1);

namespace App\CallerIdentity;

use App\Models\RegistrationState;
use App\Stock\CarrierTrouble;
use App\Stock\CarrierWire;

/** Has the carrier tell the network what a number is called and what its texts are for, and call others with a code. */
final readonly class CarrierNames
{
    public function __construct(private CarrierWire $wire)
    {
    }

    /**
     * @param  'name'|'texting'  $kind
     * @param  array<string, string>  $said  name; or sender and purpose
     *
     * @throws CarrierTrouble
     */
    public function register(string $number, string $kind, array $said): RegistrationThere
    {
        return self::there($this->wire->put('/registrations/' . ltrim($number, '+') . "/{$kind}", $said));
    }

    /**
     * @return list<RegistrationThere> of every number of the reseller's
     *
     * @throws CarrierTrouble
     */
    public function all(): array
    {
        $rows = $this->wire->get('/registrations')['registrations'] ?? null;

        return array_map(
            self::there(...),
            array_values(is_array($rows) ? $rows : throw new CarrierTrouble('it gave no list of registrations')),
        );
    }

    /**
     * Calls a number and speaks a code.
     *
     * @throws CarrierTrouble
     */
    public function call(string $number): void
    {
        $this->wire->post('/codes', ['msisdn' => ltrim($number, '+')]);
    }

    /** @throws CarrierTrouble */
    public function isRight(string $number, string $code): bool
    {
        $answer = $this->wire->post('/codes/check', ['msisdn' => ltrim($number, '+'), 'code' => $code]);

        return is_bool($answer['right'] ?? null) ? $answer['right'] : throw new CarrierTrouble('it gave no verdict');
    }

    private static function there(mixed $row): RegistrationThere
    {
        $text = static fn (string $of): string => is_array($row) && is_string($row[$of] ?? null)
            ? $row[$of]
            : throw new CarrierTrouble("a registration has no {$of}");
        $kind = $text('kind');

        return new RegistrationThere(
            "+{$text('msisdn')}",
            $kind === 'name' || $kind === 'texting' ? $kind : throw new CarrierTrouble("nobody here knows {$kind}"),
            RegistrationState::tryFrom($text('stage'))
                ?? throw new CarrierTrouble("a registration is {$text('stage')}, which nobody here knows"),
            $text('remark'),
        );
    }
}
