<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

/** What one route had to say to digits. */
enum Verdict: string
{
    case Takes = 'takes';
    /** It would, but an earlier one does. */
    case TooLate = 'tooLate';
    case OtherDigits = 'otherDigits';
    case TooFew = 'tooFew';
    /** The digits fit as a whole, but their beginning does already, and is collected at once. */
    case CutShort = 'cutShort';
    case Class_ = 'class';
    case Blocked = 'blocked';
    case Closed = 'closed';
    /** It asks for a PIN, and a call that is led on has nobody to enter one. */
    case AsksPin = 'asksPin';
    case NoTrunk = 'noTrunk';

    public function words(): string
    {
        return match ($this) {
            self::Takes => 'takes it',
            self::TooLate => 'too late',
            self::OtherDigits => 'other digits',
            self::TooFew => 'too few',
            self::CutShort => 'cut short',
            self::Class_ => 'class',
            self::Blocked => 'blocked',
            self::Closed => 'closed',
            self::AsksPin => 'asks a PIN',
            self::NoTrunk => 'no trunk',
        };
    }
}
