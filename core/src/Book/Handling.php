<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** What a user's calls do in one state of the user's schedule (design 09, H). */
final readonly class Handling
{
    private const CONDITIONS = ['always', 'doNotDisturb', 'unreachable', 'onACall', 'busy', 'noAnswer'];

    /**
     * @param  ?list<string>  $legs  items of the user's legs, in ring order; null for all of them
     * @param  array<string, ?Treatment>  $treatments  by condition
     */
    private function __construct(public ?array $legs, public RingStyle $ring, public array $treatments)
    {
    }

    public static function read(Node $node): self
    {
        $node->allow('legs', 'ring', ...self::CONDITIONS);
        $treatments = [];
        foreach (self::CONDITIONS as $condition) {
            $treatments[$condition] = Treatment::read($node, $condition);
        }

        return new self(
            legs: self::readLegs($node),
            ring: $node->choice('ring', RingStyle::class, RingStyle::Together),
            treatments: $treatments,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'legs' => $this->legs ?? 'all',
            'ring' => $this->ring->value,
            ...array_map(static fn (?Treatment $treatment): string|array|null => $treatment?->toValue(), $this->treatments),
        ];
    }

    /** @return list<Link> */
    public function links(string $path): array
    {
        $links = [];
        foreach ($this->treatments as $condition => $treatment) {
            array_push($links, ...Links::treatment("{$path}/{$condition}", $treatment));
        }

        return $links;
    }

    /** @return ?list<string> */
    private static function readLegs(Node $node): ?array
    {
        if ($node->isNullOrMissing('legs') || $node->isText('legs')) {
            $word = $node->text('legs', 'all');

            return $word === 'all' ? null : throw UnusableBook::malformed($node->at('legs'), 'all, or a list of legs', $word);
        }

        return $node->texts('legs');
    }
}
