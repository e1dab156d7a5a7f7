<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/** Plays a keypad's recording and listens, turn by turn. */
final readonly class Keypad
{
    public function __construct(private Holdings $holdings, private Keys $keys, private Journal $journal)
    {
    }

    /** @param list<string> $behind */
    public static function state(Place $keypad, int $turn, int $slips, int $returns, array $behind): string
    {
        return "keypad {$keypad->id} turn {$turn} slips {$slips} returns {$returns} behind " . implode(' ', $behind);
    }

    /** @param list<string> $behind keypads to go back to */
    public function listen(Place $keypad, int $now, array $behind, int $returns): Heard
    {
        $body = $this->holdings->at($keypad);
        $slips = 0;
        $lead = 0;
        $turn = 1;
        while ($turn <= $body->number('turns', 3)) {
            $state = self::state($keypad, $turn, $slips, $returns, $behind);
            if ($this->journal->hasBeenIn($state)) {
                return new Heard('circles', $now);
            }
            $this->journal->isIn($state);
            $this->journal->note($now, $keypad, "turn {$turn}");
            $said = $now + $lead + $this->holdings->length($body->text('say'));
            $lead = 0;
            $over = $said + ($body->seconds('patience') ?? 0);
            $pressed = $this->keys->take($now, $over, $said);
            if ($pressed === null) {
                $now = $over;
                $turn++;
                continue;
            }
            $this->journal->forgetStates();
            [$word, $place, $now] = $this->understand($keypad, $body, $pressed[0], $pressed[1]);
            $this->journal->note($now, $keypad, "{$word} {$pressed[0]}");
            if ($word === 'wrong') {
                $slips++;
                if ($slips >= $body->number('slips', 3)) {
                    return new Heard('wrong', $now);
                }
                $lead = $this->holdings->length($body->text('say_wrong'));
            } elseif ($place?->acts('again') === true || ($place?->acts('back') === true && $behind === [])) {
                $turn++;
            } else {
                return new Heard($word, $now, $place);
            }
        }

        return new Heard('silence', $now);
    }

    /** @return array{string, ?Place, int} key, short or wrong; where it leads; and the second it is acted upon */
    private function understand(Place $keypad, Part $body, string $first, int $second): array
    {
        $buttons = [];
        foreach ($body->parts('buttons') as $button) {
            $buttons[$button->text('slot') ?? ''] = [$button->place('to')];
        }
        $shorts = $this->shorts($keypad, $body->part('shorts') ?? new Part([]));
        $begins = array_filter(
            array_keys($shorts),
            static fn (int|string $short): bool => str_starts_with((string) $short, $first),
        );
        if ($begins === []) {
            return isset($buttons[$first]) ? ['key', $buttons[$first][0], $second] : ['wrong', null, $second];
        }
        $spec = $body->part('shorts') ?? new Part([]);
        $most = $spec->count('hi') ?? $this->holdings->account()->number('short_len', 3);
        $pause = $spec->seconds('pause') ?? 3;
        $digits = $first;
        $acts = $second;
        $ended = false;
        while (strlen($digits) < $most && ! $ended) {
            $next = $this->keys->take($acts, $acts + $pause, $acts);
            $acts = $next === null ? $acts + $pause : $next[1];
            $ended = $next === null || $next[0] === '#';
            $digits .= $ended ? '' : $next[0];
        }
        if (strlen($digits) === 1 && isset($buttons[$digits])) {
            return ['key', $buttons[$digits][0], $acts];
        }
        $whom = strlen($digits) >= $spec->number('lo', 1) ? $shorts[$digits] ?? null : null;

        return $whom === null ? ['wrong', null, $acts] : ['short', $whom, $acts];
    }

    /** @return array<string, Place> whom a caller may dial here */
    private function shorts(Place $keypad, Part $spec): array
    {
        $whose = $spec->text('whose') ?? 'none';
        $premises = $this->holdings->premisesOf($keypad);
        $open = [];
        foreach ($whose === 'none' ? [] : $this->holdings->shorts() as $short => $places) {
            foreach ($places as $place) {
                if ($whose === 'every' || ($premises !== null && $this->holdings->premisesOf($place) === $premises)) {
                    $open[(string) $short] ??= $place;
                }
            }
        }

        return $open;
    }
}
