<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\Ability;

/** Sets of abilities by the names people call them; a lead is one besides whatever they are granted. */
enum Role: string
{
    case Reader = 'reader';
    case Editor = 'editor';
    case Pusher = 'pusher';
    case Biller = 'biller';
    case Lead = 'lead';

    public static function ofGrant(Ability $ability): self
    {
        return match ($ability) {
            Ability::Read => self::Reader,
            Ability::Edit => self::Editor,
            Ability::Push => self::Pusher,
            Ability::Bill => self::Biller,
        };
    }
}
