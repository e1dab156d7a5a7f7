<?php

declare(strict_types=1);

namespace App\Switching;

use Jaunty\Core\Book\Reference;

/** Which object of the book is which record on the switch, both ways. */
final readonly class Bindings
{
    /**
     * @param  array<string, Bound>  $byReference
     * @param  array<string, Reference>  $byExternalId
     */
    private function __construct(private array $byReference, private array $byExternalId)
    {
    }

    public static function none(): self
    {
        return new self([], []);
    }

    /** @param iterable<array{Reference, Bound}> $pairs the later holding */
    public static function fromPairs(iterable $pairs): self
    {
        [$byReference, $byExternalId] = [[], []];
        foreach ($pairs as [$object, $bound]) {
            $byReference[(string) $object] = $bound;
            $byExternalId[$bound->externalId] = $object;
        }

        return new self($byReference, $byExternalId);
    }

    public function with(Reference $object, Bound $bound): self
    {
        return new self(
            [(string) $object => $bound] + $this->byReference,
            [$bound->externalId => $object] + $this->byExternalId,
        );
    }

    /** @param iterable<array{Reference, Bound}> $pairs the later holding */
    public function withAll(iterable $pairs): self
    {
        $more = self::fromPairs($pairs);

        return new self($more->byReference + $this->byReference, $more->byExternalId + $this->byExternalId);
    }

    public function of(Reference $object): ?Bound
    {
        return $this->byReference[(string) $object] ?? null;
    }

    public function called(string $externalId): ?Reference
    {
        return $this->byExternalId[$externalId] ?? null;
    }

    /** @return array<string, Bound> by reference */
    public function all(): array
    {
        return $this->byReference;
    }
}
