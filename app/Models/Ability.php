<?php

declare(strict_types=1);

namespace App\Models;

/** What a grant lets a technician do for a customer; each includes the ones before it. */
enum Ability: string
{
    case Read = 'read';
    case Edit = 'edit';
    case Push = 'push';

    public function covers(self $wanted): bool
    {
        return $this->rank() >= $wanted->rank();
    }

    public function rank(): int
    {
        return match ($this) {
            self::Read => 0,
            self::Edit => 1,
            self::Push => 2,
        };
    }

    public function inWords(): string
    {
        return match ($this) {
            self::Read => 'look at',
            self::Edit => 'change the book of',
            self::Push => 'push to the switch for',
        };
    }
}
