<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Where a hunt group sends calls that no member takes, case by case. A blank case goes where no answer goes. */
final readonly class Otherwise
{
    public const CASES = ['closed', 'holiday', 'closedByHand', 'nobodySignedIn', 'allUnreachable', 'allBusy', 'noAnswer', 'queueFull', 'exit'];

    /** @param array<string, ?Destination> $cases */
    private function __construct(private array $cases)
    {
    }

    public static function read(Node $node): self
    {
        $node->allow(...self::CASES);
        $cases = [];
        foreach (self::CASES as $case) {
            $cases[$case] = $node->destination($case);
        }

        return new self($cases);
    }

    public function of(string $case): ?Destination
    {
        return $this->cases[$case] ?? null;
    }

    /** @return array<string, ?string> */
    public function toArray(): array
    {
        return array_map(static fn (?Destination $destination): ?string => $destination === null ? null : (string) $destination, $this->cases);
    }

    /** @return list<Link> */
    public function links(): array
    {
        $links = [];
        foreach ($this->cases as $case => $destination) {
            array_push($links, ...Links::destination("otherwise/{$case}", $destination));
        }

        return $links;
    }
}
