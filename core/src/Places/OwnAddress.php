<?php

declare(strict_types=1);

namespace Jaunty\Core\Places;

use Jaunty\Core\Book\Evidence;
use Jaunty\Core\Book\User;

/** Where somebody works who is at none of the customer's sites, as they say it themselves. */
final readonly class OwnAddress
{
    /**
     * @param  string  $unit  flat or floor; empty for a house
     * @param  string  $subdivision  state or province; empty where there is none
     * @param  string  $country  its two letters
     */
    public function __construct(
        public string $street,
        public string $unit,
        public string $city,
        public string $subdivision,
        public string $postcode,
        public string $country,
    ) {
    }

    /** As the book has it: a line, the unit apart. */
    public function line(): string
    {
        return implode(', ', array_filter(
            [$this->street, $this->city, $this->subdivision, $this->postcode, $this->country],
            static fn (string $part): bool => $part !== '',
        ));
    }

    /** @return array<string, string> why it cannot be so, by part */
    public function doubts(): array
    {
        $split = StreetAndFloor::of($this->street);

        return [
            ...Evidence::addressDoubts(['postcode' => $this->postcode, 'country' => $this->country]),
            ...$split === null ? [] : ['street' => "\"{$split->floor}\" belongs in the line for flat or floor"],
            ...preg_match('/\d/', $this->street) === 1 || $this->unit !== ''
                ? []
                : ['street' => 'The number of the house is missing'],
        ];
    }

    public function isToldOf(User $user): bool
    {
        return $user->emergency['address'] === $this->line() && ($user->emergency['room'] ?? '') === $this->unit;
    }
}
