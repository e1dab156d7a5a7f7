<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

/** How far the carrier vouches for a call that goes out, by whose the number is that it shows. */
final readonly class Vouching
{
    /** @var array<string, true> */
    private array $ours;

    /** @var array<string, true> */
    private array $verified;

    /**
     * @param  list<string>  $ours  in E.164: numbers that the carrier gave the customer, by the reseller
     * @param  list<string>  $verified  in E.164: of other carriers, called with a code that was read back
     */
    public function __construct(array $ours, array $verified)
    {
        $this->ours = array_fill_keys($ours, true);
        $this->verified = array_fill_keys($verified, true);
    }

    /**
     * @return ?array{VouchLevel, string} with why, as the end of a sentence; null where no number of anybody's is shown
     */
    public function of(CallerId $callerId, Origin $origin): ?array
    {
        $shown = $callerId->shown;

        return match (true) {
            $shown === '' && $origin === Origin::LedFromOutside => [
                VouchLevel::Gateway,
                'it knows only where the call came in',
            ],
            ! str_starts_with($shown, '+') => null,
            isset($this->ours[$shown]) => [VouchLevel::Full, 'the number is the customer\'s'],
            isset($this->verified[$shown]) => [
                VouchLevel::Full,
                'whoever is called by that number read back the code they were told',
            ],
            default => [VouchLevel::Partial, 'it knows the customer, and not whether the number is theirs'],
        };
    }

    public function knows(string $number): bool
    {
        return isset($this->ours[$number]) || isset($this->verified[$number]);
    }
}
