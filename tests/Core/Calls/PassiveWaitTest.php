<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Calls\Year\Survey;
use PHPUnit\Framework\TestCase;

final class PassiveWaitTest extends TestCase
{
    private const FROM = 1_796_083_200; // 2026-12-01T00:00:00Z

    /** What the ways explored say a caller waits for whom nobody answers is what a test call of theirs takes. */
    public function test_the_wait_read_off_the_ways_is_that_of_the_call(): void
    {
        $compared = 0;
        foreach (CaseBooksTest::books() as $name => [$json]) {
            $book = BookFormat::fromJson($json);
            $survey = Survey::of($book, self::FROM);
            foreach ($survey->runs as $run) {
                $trace = Trace::of($book, Script::read(
                    ['to' => $run->number, 'at' => gmdate('Y-m-d\TH:i:s\Z', $survey->firstInstant($run))],
                    $book,
                ));
                // How often a call was passed on is no part of a state: only a trace ends for it.
                if (
                    $run->facts->passive !== null
                    && $run->passiveSeconds() !== null
                    && $trace->outcome !== Outcome::Overrun
                ) {
                    self::assertSame(
                        [$trace->outcome, $trace->target, $trace->seconds],
                        [$run->facts->passive, $run->facts->passiveTarget, $run->passiveSeconds()],
                        "{$name}: {$run->number}",
                    );
                    $compared++;
                }
            }
        }
        self::assertGreaterThan(100, $compared);
    }
}
