<?php

declare(strict_types=1);

namespace Tests\Core\Places;

use Jaunty\Core\Places\StreetAndFloor;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class StreetAndFloorTest extends TestCase
{
    /** @param ?array{string, string, bool} $parts */
    #[DataProvider('streets')]
    public function test_a_street_and_what_was_typed_into_it(string $typed, ?array $parts): void
    {
        $split = StreetAndFloor::of($typed);

        self::assertSame($parts, $split === null ? null : [$split->street, $split->floor, $split->isFloor]);
    }

    /** @return iterable<string, array{string, ?array{string, string, bool}}> */
    public static function streets(): iterable
    {
        yield 'after it' => ['14 Ardent Road, 3rd floor', ['14 Ardent Road', '3rd floor', true]];
        yield 'before it' => ['Floor 2 - 14 Ardent Road', ['14 Ardent Road', 'Floor 2', true]];
        yield 'in the middle' => ['4 Quay End (ground floor), rear', ['4 Quay End, rear', 'ground floor', true]];
        yield 'in French' => ['14, rue du Quai, 2e étage', ['14, rue du Quai', '2e étage', true]];
        yield 'a suite' => ['6 Juniper Lane Suite 200', ['6 Juniper Lane', 'Suite 200', false]];
        yield 'both' => ['6 Juniper Lane, suite B, level 4', ['6 Juniper Lane, suite B', 'level 4', true]];
        yield 'nothing else' => ['2nd Floor', ['', '2nd Floor', true]];
        yield 'a street of that name' => ['12 Level Road', null];
        yield 'another' => ['3 Unit Lane', null];
        yield 'flooring is none' => ['9 Flooring Court', null];
        yield 'empty' => ['', null];
    }
}
