<?php

declare(strict_types=1);

namespace Tests\Outside;

use Jaunty\Core\Numbering\DigitAutomaton;
use Jaunty\Core\Numbering\DigitMap;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Digit maps of RFC 3435 section 2.1.5, dialled digit by digit; cases marked as our own are read by the same words. */
final class DigitMapsTest extends TestCase
{
    #[DataProvider('cases')]
    public function test_digits_are_collected_as_the_standard_has_it(string $map, string $input, string $result): void
    {
        self::assertSame($result, DigitAutomaton::of(DigitMap::parse($map, 'map'))->dial($input)->value);
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function cases(): iterable
    {
        /** @var array{cases: list<array{map: string, input: string, result: string}>} $data */
        $data = json_decode(
            (string) file_get_contents(dirname(__DIR__) . '/data/digit_maps.json'),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        foreach ($data['cases'] as ['map' => $map, 'input' => $input, 'result' => $result]) {
            yield "{$input} in {$map}" => [$map, $input, $result];
        }
    }
}
