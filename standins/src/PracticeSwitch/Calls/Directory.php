<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/**
 * Dial by name on the letters of ITU-T E.161: three tries of ten seconds, a list of whoever fits, and a key to choose.
 */
final readonly class Directory
{
    private const TRIES = 3;

    private const TRY_SECONDS = 10;

    private const LETTERS = [
        '2' => 'abc', '3' => 'def', '4' => 'ghi', '5' => 'jkl', '6' => 'mno', '7' => 'pqrs', '8' => 'tuv',
        '9' => 'wxyz', '0' => ' ',
    ];

    public function __construct(private Holdings $holdings, private Keys $keys, private Journal $journal)
    {
    }

    /** @return array{?Place, int} who was found, and the second */
    public function ask(int $now, Place $asked, ?Place $keypad): array
    {
        $spec = $keypad === null
            ? new Part(['whose' => 'every', 'by' => 'any', 'how' => 'start'])
            : $this->holdings->at($keypad)->part('names') ?? new Part([]);
        for ($try = 0; $try < self::TRIES; $try++) {
            $this->journal->note($now, $asked, 'asks for a name');
            $typed = '';
            $over = $now + self::TRY_SECONDS;
            while (($pressed = $this->keys->take($now, $over, $now)) !== null) {
                $this->journal->forgetStates();
                $now = $pressed[1];
                if ($pressed[0] === '#') {
                    $over = $now;
                    break;
                }
                $typed .= $pressed[0];
            }
            $now = $over;
            $found = $typed === '' ? [] : $this->matches($spec, $keypad, $typed);
            if (count($found) === 1) {
                return [$found[0], $now];
            }
            if (count($found) > 1) {
                $choice = $this->keys->take($now, $now + self::TRY_SECONDS, $now);
                $now = $choice === null ? $now + self::TRY_SECONDS : $choice[1];
                $chosen = $choice === null ? null : $found[(int) $choice[0] - 1] ?? null;
                if ($chosen !== null) {
                    return [$chosen, $now];
                }
            }
        }

        return [null, $now];
    }

    /** @return list<Place> */
    private function matches(Part $spec, ?Place $keypad, string $typed): array
    {
        $found = [];
        foreach ($this->listed($spec, $keypad) as $person) {
            $body = $this->holdings->at($person);
            $given = self::digits($body->text('given') ?? '');
            $family = self::digits($body->text('family') ?? '');
            $names = match ($spec->text('by')) {
                'family' => [$family, "{$family}0{$given}"],
                'any' => [$given, $family, "{$given}0{$family}", "{$family}0{$given}"],
                default => [$given, "{$given}0{$family}"],
            };
            foreach ($names as $name) {
                if (! str_starts_with($name, '0') && ! str_ends_with($name, '0') && $name !== '' && (
                    $spec->text('how') === 'full' ? $name === $typed : str_starts_with($name, $typed)
                )) {
                    $found[] = $person;
                    break;
                }
            }
        }

        return $found;
    }

    /** @return list<Place> */
    private function listed(Part $spec, ?Place $keypad): array
    {
        $crews = [];
        foreach ($spec->texts('bands') ?? [] as $band) {
            foreach ($this->holdings->in('bands', $band)->parts('crew') as $member) {
                $crews[] = $member->place('who')?->id;
            }
        }
        $premises = $keypad === null ? null : $this->holdings->premisesOf($keypad);
        $listed = [];
        foreach ($this->holdings->all('persons') as $id => $body) {
            $isMeant = match ($spec->text('whose')) {
                'every' => true,
                'house' => $premises !== null && $body->text('at_premises') === $premises,
                'bands' => in_array($id, $crews, true),
                default => false,
            };
            if ($isMeant && ($body->part('book')?->yes('printed', true) ?? true)) {
                $listed[] = Place::person($id);
            }
        }

        // Read by family name, given name and short number.
        usort($listed, fn (Place $a, Place $b): int => $this->readAs($a) <=> $this->readAs($b));

        return $listed;
    }

    /** @return list<string> */
    private function readAs(Place $person): array
    {
        return array_map(
            fn (string $field): string => $this->holdings->at($person)->text($field) ?? '',
            ['family', 'given', 'short'],
        );
    }

    private static function digits(string $name): string
    {
        $digits = '';
        foreach (str_split(strtolower((string) iconv('UTF-8', 'ASCII//TRANSLIT', $name))) as $letter) {
            foreach (self::LETTERS as $digit => $letters) {
                $digits .= $letter !== '' && str_contains($letters, $letter) ? (string) $digit : '';
            }
        }

        return $digits;
    }
}
