<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Year;

use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Hours\HoursState;

/** Every end calls to each number can come to, by the kinds of time there are, worst first. */
final readonly class ProofTable
{
    /** The worse for a caller, the earlier. */
    private const WORST = ['lost', 'released', 'outside', 'mailbox', 'person'];

    /**
     * @param list<array{number: string, label: string, seconds: int, run: int, ends: list<array{end: string,
     *     sort: string, target: string}>}> $cells
     */
    private function __construct(public array $cells)
    {
    }

    public static function of(Survey $survey): self
    {
        $cells = [];
        foreach ($survey->runs as $place => $run) {
            $ends = array_map(static function (string $end): array {
                [$outcome, $target] = explode(' ', $end, 2);

                return ['end' => $end, 'sort' => Outcome::from($outcome)->sort($target), 'target' => $target];
            }, $run->facts->ends);
            usort(
                $ends,
                static fn (array $one, array $other): int => [
                    array_search($one['sort'], self::WORST, true),
                    $one['end'],
                ] <=> [array_search($other['sort'], self::WORST, true), $other['end']],
            );
            $seconds = array_sum(
                array_map(
                    static fn (array $when): int => $when[1] - $when[0],
                    $survey->periods->when(...$run->classes),
                ),
            );
            $cells[] = [
                'number' => $run->number, 'label' => self::kindOf($survey, $run), 'seconds' => $seconds,
                'run' => $place, 'ends' => $ends,
            ];
        }

        return new self($cells);
    }

    /** What schedules say in a run, as few words as tell it: `open`, `closed`, or by name where several are asked. */
    public static function kindOf(Survey $survey, Run $run): string
    {
        $asked = array_filter(
            $run->explored->asked,
            static fn (string $slot): bool => str_starts_with($slot, 'schedule:'),
            ARRAY_FILTER_USE_KEY,
        );
        if ($asked === []) {
            return 'always';
        }
        $said = [];
        foreach ($asked as $slot => $state) {
            $schedule = $survey->book->find(Reference::parse(explode(' ', $slot, 2)[0]));
            $item = explode(':', $state, 2)[1] ?? '';
            $words = $item === '' || HoursState::of($state)->value === $state
                ? HoursState::of($state)->value
                : str_replace('-', ' ', $item);
            $said[] = count($asked) === 1 ? $words : "{$schedule?->label()} {$words}";
        }
        sort($said);

        return implode(', ', array_unique($said));
    }
}
