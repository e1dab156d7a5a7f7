<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Resources\NumbersResource;
use PHPUnit\Framework\TestCase;

/** Numbers that are no object's come to the screens in groups: those calls go to, and those of somebody's phones. */
final class NumbersResourceTest extends TestCase
{
    public function test_it_groups_destinations_and_phones(): void
    {
        $objects = json_encode([
            ['members' => [['who' => 'outside:+19025550177'], ['who' => 'outside:+1']]],
            ['legs' => [['item' => 'mobile', 'number' => '+442079460958'], ['item' => 'desk', 'number' => null]]],
        ], JSON_THROW_ON_ERROR);
        $grouped = ['+19025550177' => '+1 902 555 0177', '+442079460958' => '+44 20 7946 0958'];

        self::assertSame($grouped, NumbersResource::inJson($objects));
        self::assertSame($grouped, NumbersResource::inJson(str_replace('":', '": ', $objects)));
    }
}
