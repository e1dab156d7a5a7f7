<?php

declare(strict_types=1);

namespace Jaunty\Core\Places;

use Jaunty\Core\Calls\AllCalls\CallBack;
use Jaunty\Core\Calls\AllCalls\Explorer;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\Year\ProofTable;
use Jaunty\Core\Calls\Year\Survey;
use Jaunty\Core\Sentences\CallSentence;
use LogicException;

/** What meets help services that call a shown number back and wait, in one kind of time of a year. */
final readonly class CalledBack
{
    /**
     * @param  string  $number  in E.164
     * @param  string  $kind  of time, as schedules say it: `open`, `closed`, `always`
     * @param  int  $seconds  of the year in which it holds
     * @param  string  $outside  the first number outside that rings; empty for none
     * @param  string  $heard  what speaks before a person's device rings, as the book refers to it; empty for nothing
     * @param  string  $target  where the call ends if nobody answers
     * @param  string  $sentence  a call at the first instant of this kind, as the call line reads it
     */
    private function __construct(
        public string $number,
        public string $kind,
        public int $seconds,
        public bool $ringsAPerson,
        public string $outside,
        public string $heard,
        public Outcome $outcome,
        public string $target,
        public string $sentence,
    ) {
    }

    /**
     * @param  list<string>  $numbers  in E.164
     * @return list<self> by number, the most usual kind of time first; none for a number that is not in the book
     */
    public static function of(Survey $survey, array $numbers): array
    {
        $found = [];
        foreach ($numbers as $number) {
            foreach ($survey->runsOf($number) as $run) {
                $back = $survey->once(
                    $run,
                    "called back {$number}",
                    static fn (Explorer $explored): CallBack => CallBack::of($explored, $run->start),
                );
                $found[] = new self(
                    $number,
                    ProofTable::kindOf($survey, $run),
                    array_sum(array_map(
                        static fn (array $when): int => $when[1] - $when[0],
                        $survey->periods->when(...$run->classes),
                    )),
                    $back->ringsAPerson,
                    $back->outside,
                    $back->heard,
                    $run->facts->passive ?? Outcome::Loop,
                    $run->facts->passiveTarget,
                    CallSentence::write(
                        ['to' => $number, 'at' => gmdate('Y-m-d\TH:i:s\Z', $survey->firstInstant($run))],
                        $survey->book,
                    ) ?? throw new LogicException("No sentence for a call to {$number}"),
                );
            }
        }
        usort($found, static fn (self $one, self $other): int => [$one->number, -$one->seconds, $one->kind]
            <=> [$other->number, -$other->seconds, $other->kind]);

        return $found;
    }
}
