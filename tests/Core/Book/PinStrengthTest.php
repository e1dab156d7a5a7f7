<?php

declare(strict_types=1);

namespace Tests\Core\Book;

use Jaunty\Core\Book\PinStrength;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PinStrengthTest extends TestCase
{
    #[DataProvider('pins')]
    public function test_what_is_guessed_first_is_weak(string $pin, ?string $extension, PinStrength $strength): void
    {
        self::assertSame($strength, PinStrength::of($pin, $extension));
    }

    /** @return iterable<string, array{string, ?string, PinStrength}> */
    public static function pins(): iterable
    {
        yield 'six digits without a pattern' => ['740913', '201', PinStrength::Set];
        yield 'short' => ['74091', null, PinStrength::Weak];
        yield 'one digit over' => ['777777', null, PinStrength::Weak];
        yield 'two digits over' => ['717717', null, PinStrength::Weak];
        yield 'a row up' => ['456789', null, PinStrength::Weak];
        yield 'a row down' => ['987654', null, PinStrength::Weak];
        yield 'a piece twice' => ['374374', null, PinStrength::Weak];
        yield 'a birthday' => ['19840617', null, PinStrength::Weak];
        yield 'the extension in it' => ['920174', '201', PinStrength::Weak];
        yield 'another extension in it' => ['920174', '301', PinStrength::Set];
    }
}
