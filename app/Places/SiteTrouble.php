<?php

declare(strict_types=1);

namespace App\Places;

use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;
use Jaunty\Core\Numbering\E164;

/** Why something cannot be said of a site. */
final class SiteTrouble extends \DomainException
{
    private function __construct(
        string $message,
        public readonly ?string $field = null,
        public readonly int $status = 422,
    ) {
        parent::__construct($message);
    }

    public static function unknown(string $key): self
    {
        return new self("There is no site {$key} in the book.", status: 404);
    }

    public static function unknownPerson(string $key): self
    {
        return new self("There is nobody {$key} in the book as it is entered.", status: 404);
    }

    public static function notEntered(Site $site): self
    {
        return new self("{$site->name} is not entered yet: enter your draft first.", status: 409);
    }

    /** @param array<string> $missing parts of the address */
    public static function incomplete(array $missing): self
    {
        $named = implode(', ', array_map(
            static fn (string $part): string => $part === 'city' ? 'town' : $part,
            $missing,
        ));

        return new self("The carrier can be asked once the address is complete: {$named} missing.", 'address');
    }

    public static function toCome(\DateTimeImmutable $now): self
    {
        return new self("That is still to come: it is {$now->format('j F, H:i')} there.", 'at');
    }

    public static function longAgo(int $days): self
    {
        return new self("That is more than {$days} days ago: do it again.", 'at');
    }

    public static function noFloor(Site $site, string $floor): self
    {
        return new self("{$site->name} has no floor \"{$floor}\". Nothing was kept.", 'floor');
    }

    /** @param string $why a file cannot be kept, whatever is in it */
    public static function file(string $why): self
    {
        return new self($why, 'plan');
    }

    public static function noPlan(): self
    {
        return new self('This is no PNG, JPEG or GIF picture by what is in it. Nothing was kept.', 'plan');
    }

    public static function widePlan(int $width, int $height, int $most): self
    {
        return new self("A picture of {$width} by {$height} dots is too large to be drawn: {$most} a side is the most. "
            . 'Nothing was kept.', 'plan');
    }

    public static function nothingMeasured(): self
    {
        return new self('One figure at least is wanted: how much the line carries, or how well.', 'down');
    }

    public static function notYet(): self
    {
        return new self('Nothing was in the book then.', 'at');
    }

    public static function notThere(Site $site): self
    {
        return new self("Nobody of that name had a place at {$site->name} then.", 'caller');
    }

    /** @param string $why it cannot be read, with what was typed */
    public static function noNumber(string $why): self
    {
        return new self(ucfirst($why) . '.', 'numberShown');
    }

    /** @param list<string> $expected in E.164 */
    public static function showsAnother(User $caller, array $expected): self
    {
        $by = $expected === []
            ? 'no number is shown'
            : implode(' or ', array_map(
                static fn (string $number): string => E164::parse($number)->display(),
                $expected,
            )) . ' is shown';

        return new self(
            "By the book {$by} of {$caller->label()}: a call that shows another has failed.",
            'numberShown',
        );
    }
}
