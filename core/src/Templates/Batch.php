<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

/** People by the number: rooms of a hotel, desks of an office. */
final readonly class Batch
{
    public const MOST = 1000;

    /** Where the number goes in a name; one without it has it behind. */
    private const PLACE = '#';

    /**
     * @param  string  $last  first + (count - 1) x step, as long as the first
     * @param  list<array{name: string, extension: string}>  $rows
     */
    private function __construct(public string $last, public array $rows)
    {
    }

    /**
     * @param  string  $first  the first extension, as people type it
     * @param  string  $name  what each is called: `Room`, or `Room #, north wing`
     *
     * @throws UnusableBatch naming the field
     */
    public static function read(string $first, string $count, string $step, string $name): self
    {
        $first = trim($first);
        if (preg_match('/^[0-9]{1,10}$/D', $first) !== 1) {
            throw new UnusableBatch('first', "\"{$first}\" is no extension; digits only, such as 200.");
        }
        $howMany = self::whole($count, 'count', 'how many there are', self::MOST);
        $each = self::whole($step, 'step', 'by how much each is further on', 1000);
        $last = (string) ((int) $first + ($howMany - 1) * $each);
        if (strlen($last) > strlen($first)) {
            throw new UnusableBatch(
                'count',
                "The last would be {$last}, which is longer than {$first}: begin lower, or make fewer.",
            );
        }
        $called = trim($name) === '' ? 'Extension' : trim($name);
        $rows = [];
        for ($at = 0; $at < $howMany; $at++) {
            $extension = self::padded((int) $first + $at * $each, $first);
            $rows[] = [
                'name' => str_contains($called, self::PLACE)
                    ? str_replace(self::PLACE, $extension, $called)
                    : "{$called} {$extension}",
                'extension' => $extension,
            ];
        }

        return new self(self::padded((int) $last, $first), $rows);
    }

    /** Extensions are text: a leading zero is part of one. */
    private static function padded(int $number, string $like): string
    {
        return str_pad((string) $number, strlen($like), '0', STR_PAD_LEFT);
    }

    private static function whole(string $typed, string $field, string $what, int $most): int
    {
        $typed = trim($typed);
        if (preg_match('/^[1-9][0-9]{0,5}$/D', $typed) !== 1 || (int) $typed > $most) {
            throw new UnusableBatch($field, "\"{$typed}\" is not {$what}: a whole number from 1 to {$most}.");
        }

        return (int) $typed;
    }
}
