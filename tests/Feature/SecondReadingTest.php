<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Switching\Switches;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Core\Calls\CaseFiles;
use Tests\Core\RandomScripts;
use Tests\Feature\Support\SecondReading;

/**
 * The practice switch reads its own records by design 03 and shares no line with us. What it makes of a call is held
 * against the worked cases, and our own reading against it.
 */
final class SecondReadingTest extends FeatureTestCase
{
    private const CALLS = 15;

    private const CALLS_DEEP = 400;

    /** @param list<array{array<string, mixed>, array<string, mixed>}> $calls */
    #[DataProvider('books')]
    public function test_the_switch_reads_the_worked_cases_as_worked_out(string $json, array $calls): void
    {
        $book = BookFormat::fromJson($json);
        $switch = $this->onSwitch($book);
        // A switch of whole rings keeps 27 seconds as 30: then the case is what core makes of the book as it went
        // there.
        $isAsWorkedOut = self::content($switch->book) === self::content($book);
        foreach ($calls as [$script, $case]) {
            $said = $switch->place($script);
            $expected = $isAsWorkedOut
                ? $case
                : Trace::of($switch->book, Script::read($script, $switch->book))->toArray();

            self::assertSame(self::end($expected), self::end($said), self::told($script, $said));
            $steps = self::steps($isAsWorkedOut ? $case : ['steps' => []]);
            self::assertSame($steps, self::inOrder($steps, self::steps($said)), self::told($script, $said));
            self::assertSame(
                self::rings(Trace::of($switch->book, Script::read($script, $switch->book))->toArray()),
                self::rings($said),
                self::told($script, $said),
            );
        }
    }

    /** @param list<mixed> $calls */
    #[DataProvider('books')]
    public function test_both_readings_agree_on_any_call(string $json, array $calls, int $seed): void
    {
        $this->compare(BookFormat::fromJson($json), new RandomScripts($seed));
    }

    /** @param list<mixed> $calls */
    #[DataProvider('books')]
    public function test_both_readings_agree_on_a_book_put_together_as_nobody_would(
        string $json,
        array $calls,
        int $seed,
    ): void {
        $dice = new RandomScripts($seed);
        $this->compare(
            BookFormat::fromValue($dice->rerouted((array) json_decode($json, true, flags: JSON_THROW_ON_ERROR))),
            $dice,
        );
    }

    /** @return iterable<string, array{string, list<array{array<string, mixed>, array<string, mixed>}>, int}> */
    public static function books(): iterable
    {
        $files = [];
        foreach (CaseFiles::all() as $name => [$json, $script, $trace]) {
            $file = explode(' ', $name)[0];
            $files[$file] ??= [$json, [], count($files)];
            $files[$file][1][] = [(array) json_decode($script, true), $trace];
        }

        return $files;
    }

    private function compare(Book $book, RandomScripts $dice): void
    {
        $switch = $this->onSwitch($book);
        for ($left = getenv('DEEP') === 'yes' ? self::CALLS_DEEP : self::CALLS; $left > 0; $left--) {
            $script = $dice->of($switch->book);
            $said = $switch->place($script);
            $ours = Trace::of($switch->book, Script::read($script, $switch->book))->toArray();

            self::assertSame(self::end($ours), self::end($said), self::told($script, $said));
            self::assertSame(self::rings($ours), self::rings($said), self::told($script, $said));
        }
    }

    private function onSwitch(Book $book): SecondReading
    {
        return SecondReading::of($this->wire, $this->app->make(Switches::class)->standard(), $book, 'case');
    }

    /** @param array<string, mixed> $trace */
    private static function end(array $trace): string
    {
        return "{$trace['outcome']} {$trace['target']} {$trace['seconds']}";
    }

    /**
     * @param  array<string, mixed>  $trace
     * @return list<string>
     */
    private static function steps(array $trace): array
    {
        return array_map(
            static fn (array $step): string => ($step['at'] ?? $step[0]) . ' ' . ($step['object'] ?? $step[1]),
            $trace['steps'],
        );
    }

    /**
     * @param  array<string, mixed>  $trace
     * @return list<string> which legs rang and when; within a second as they were noted
     */
    private static function rings(array $trace): array
    {
        return self::steps(['steps' => array_values(array_filter(
            $trace['steps'],
            static fn (array $step): bool => str_starts_with($step['what'] ?? $step[2], 'rings'),
        ))]);
    }

    /**
     * @param  list<string>  $listed
     * @param  list<string>  $steps
     * @return list<string> those listed that stand among the steps in their order
     */
    private static function inOrder(array $listed, array $steps): array
    {
        $found = [];
        foreach ($steps as $step) {
            if ($step === ($listed[count($found)] ?? null)) {
                $found[] = $step;
            }
        }

        return $found;
    }

    /** @return array<string, array<string, mixed>> */
    private static function content(Book $book): array
    {
        return array_map(static fn (BookObject $object): array => $object->toArray(), $book->objects());
    }

    /**
     * @param  array<string, mixed>  $script
     * @param  array<string, mixed>  $said
     */
    private static function told(array $script, array $said): string
    {
        return json_encode($script, JSON_THROW_ON_ERROR) . "\nthe switch:\n" . implode("\n", self::steps($said));
    }
}
