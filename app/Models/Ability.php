<?php

declare(strict_types=1);

namespace App\Models;

/** What a grant lets a technician do for a customer. */
enum Ability: string
{
    case Read = 'read';
    case Edit = 'edit';
    case Push = 'push';
    /** Orders what costs, and reads; of a customer's book it changes nothing. */
    case Bill = 'bill';

    public function covers(self $wanted): bool
    {
        return in_array($wanted, $this->includes(), true);
    }

    /** @return non-empty-list<self> */
    public function includes(): array
    {
        return match ($this) {
            self::Read => [self::Read],
            self::Edit => [self::Read, self::Edit],
            self::Push => [self::Read, self::Edit, self::Push],
            self::Bill => [self::Read, self::Bill],
        };
    }

    public function inWords(): string
    {
        return match ($this) {
            self::Read => 'look at',
            self::Edit => 'change the book of',
            self::Push => 'push to the switch for',
            self::Bill => 'order what costs for',
        };
    }
}
