<?php

declare(strict_types=1);

namespace Tests\Core\Places;

use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Calls\Year\Survey;
use Jaunty\Core\Places\CalledBack;
use Jaunty\Core\Sentences\CallSentence;
use PHPUnit\Framework\TestCase;
use Tests\Core\Calls\CaseBooksTest;

final class CalledBackTest extends TestCase
{
    private const FROM = 1_796_083_200; // 2026-12-01T00:00:00Z

    /** The call its sentence makes, listened to, is the one that was told: to the same end, if nobody answers. */
    public function test_what_is_told_of_a_kind_of_time_is_what_a_call_of_it_does(): void
    {
        $compared = 0;
        foreach (CaseBooksTest::books() as $name => [$json]) {
            $book = BookFormat::fromJson($json);
            $numbers = array_map(static fn (Number $number): string => $number->key, $book->all(Number::class));
            $backs = CalledBack::of(Survey::of($book, self::FROM), $numbers);
            self::assertEqualsCanonicalizing(
                array_unique($numbers),
                array_values(array_unique(array_column($backs, 'number'))),
                "{$name}: every number is told of",
            );
            foreach ($backs as $back) {
                $script = CallSentence::read($back->sentence, $book, self::FROM);
                $trace = Trace::of($book, Script::read($script, $book));
                if ($trace->outcome !== Outcome::Overrun && $back->outcome !== Outcome::Loop) {
                    self::assertSame(
                        [$trace->outcome, $trace->target],
                        [$back->outcome, $back->target],
                        "{$name}: {$back->sentence}",
                    );
                    $compared++;
                }
            }
        }
        self::assertGreaterThan(100, $compared);
    }
}
