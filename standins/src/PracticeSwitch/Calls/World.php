<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

use Standins\Shared\Refusal;

/**
 * What nobody configures: who picks up, who is talking, what is out. Of whom nothing is said is there and does not pick
 * up.
 */
final readonly class World
{
    private const MOODS = [
        'person' => ['picks_up', 'talking', 'full', 'dark', 'hush', 'off', 'rung'],
        'dial' => ['picks_up', 'box', 'off', 'full'],
        'ringer' => ['dark'],
        'premises' => ['dark'],
        'switch' => ['dark'],
        'band' => ['shut', 'brimful'],
        'pipe' => ['full'],
        'party' => ['taken'],
        'table' => ['full'],
        'bay' => ['taken'],
    ];

    /**
     * @param  array<string, string>  $moods  by word and id
     * @param  array<string, list<string>>  $turns  slots of a crew, in the order they are taken, by band
     */
    private function __construct(private array $moods, private array $turns)
    {
    }

    /** @throws Refusal 422 naming what cannot be so */
    public static function read(mixed $moods, mixed $turns): self
    {
        $read = [];
        foreach (is_array($moods) ? $moods : [] as $word => $ids) {
            foreach (is_array($ids) ? $ids : [] as $id => $mood) {
                if (! is_string($mood) || ! in_array($mood, self::MOODS[$word] ?? [], true)) {
                    throw new Refusal(
                        422,
                        'wants one of ' . implode(', ', self::MOODS[$word] ?? array_keys(self::MOODS)),
                        "moods.{$word}",
                    );
                }
                $read["{$word} {$id}"] = $mood;
            }
        }
        $orders = [];
        foreach (is_array($turns) ? $turns : [] as $band => $slots) {
            $orders[(string) $band] = array_values(array_filter(is_array($slots) ? $slots : [], is_string(...)));
        }

        return new self($read, $orders);
    }

    /** @param list<string> $talking persons who are on a call, unless something else is said of them */
    public function withTalking(array $talking): self
    {
        $moods = $this->moods;
        foreach ($talking as $person) {
            $moods["person {$person}"] ??= 'talking';
        }

        return new self($moods, $this->turns);
    }

    public function is(Place $of, string $mood): bool
    {
        return ($this->moods["{$of->word} {$of->id}"] ?? null) === $mood;
    }

    /** @return list<string> */
    public function turns(string $band): array
    {
        return $this->turns[$band] ?? [];
    }
}
