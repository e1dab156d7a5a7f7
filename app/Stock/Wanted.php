<?php

declare(strict_types=1);

namespace App\Stock;

/** What kind of numbers are looked for at the carrier; what is empty does not matter. */
final readonly class Wanted
{
    /**
     * @param  string  $prefix  first digits, country code first, no plus
     * @param  string  $having  digits that stand in it anywhere
     * @param  string  $spelling  letters on the keypad that stand in it anywhere (ITU-T E.161)
     * @param  ?string  $country  ISO 3166-1
     * @param  int  $run  so many in a row
     * @param  int  $most  how many, or how many rows
     */
    public function __construct(
        public string $prefix = '',
        public string $having = '',
        public string $spelling = '',
        public string $town = '',
        public ?string $country = null,
        public ?bool $isTollFree = null,
        public int $run = 1,
        public int $most = 10,
    ) {
    }

    /** @return array<string, int|string> as the carrier is asked */
    public function asAsked(): array
    {
        return array_filter([
            'prefix' => $this->prefix, 'having' => $this->having, 'spelling' => $this->spelling,
            'town' => $this->town, 'land' => $this->country ?? '',
            'toll_free' => $this->isTollFree === null ? '' : (string) (int) $this->isTollFree,
        ], static fn (string $each): bool => $each !== '') + ['run' => $this->run, 'most' => $this->most];
    }
}
