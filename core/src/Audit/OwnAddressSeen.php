<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Places\OwnAddress;

/** Where somebody said they work, by a link of their own. */
final readonly class OwnAddressSeen
{
    /**
     * @param  string  $user  their id, or their key where they have none
     * @param  string  $on  a date
     * @param  array{street: string, unit: string, city: string, subdivision: string, postcode: string,
     *     country: string}  $address
     */
    public function __construct(public string $user, public string $on, private array $address)
    {
    }

    public function address(): OwnAddress
    {
        return new OwnAddress(...$this->address);
    }
}
