<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * The worked cases of a call: small books, test calls, and the trace each must give (tests/data/calls/README.md says
 * how they compare).
 */
final class CasesTest extends TestCase
{
    /** @param array{outcome: string, target: string, seconds: int, steps: list<array{int, string}>} $expected */
    #[DataProvider('cases')]
    public function test_a_call_ends_as_worked_out_by_hand(string $book, string $script, array $expected): void
    {
        $book = BookFormat::fromJson($book);
        $trace = Trace::of($book, Script::read(json_decode($script, true), $book))->toArray();
        $said = implode("\n", array_map(
            static fn (array $step): string => "{$step['at']} {$step['object']} {$step['what']}",
            $trace['steps'],
        ));

        self::assertSame(
            "{$expected['outcome']} {$expected['target']} {$expected['seconds']}",
            "{$trace['outcome']} {$trace['target']} {$trace['seconds']}",
            "{$script}\n{$said}",
        );
        $at = 0;
        foreach ($expected['steps'] as [$second, $object]) {
            while (isset($trace['steps'][$at]) && (
                $trace['steps'][$at]['at'] !== $second || $trace['steps'][$at]['object'] !== $object
            )) {
                $at++;
            }
            self::assertArrayHasKey(
                $at,
                $trace['steps'],
                "no step {$second} {$object} in its place\n{$script}\n{$said}",
            );
            $at++;
        }
    }

    /** @return iterable<string, array{string, string, array<string, mixed>}> */
    public static function cases(): iterable
    {
        return CaseFiles::all();
    }
}
