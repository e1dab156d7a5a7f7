<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/**
 * Where calls go under one condition: one destination for outside callers and one for inside callers; either may be
 * unset.
 */
final readonly class Treatment
{
    private function __construct(public ?Destination $outside, public ?Destination $inside)
    {
    }

    public static function read(Node $node, string $field): ?self
    {
        if ($node->isNullOrMissing($field)) {
            return null;
        }
        if ($node->isText($field)) {
            $both = $node->destination($field);

            return new self($both, $both);
        }
        $sides = $node->object($field);
        $sides->allow('outside', 'inside');
        $treatment = new self($sides->destination('outside'), $sides->destination('inside'));

        return $treatment->outside === null && $treatment->inside === null ? null : $treatment;
    }

    /** @return string|array{outside: ?string, inside: ?string} a single destination where both sides agree */
    public function toValue(): string|array
    {
        $outside = $this->outside === null ? null : (string) $this->outside;
        $inside = $this->inside === null ? null : (string) $this->inside;

        return $outside !== null && $outside === $inside ? $outside : ['outside' => $outside, 'inside' => $inside];
    }

    /** @return list<Link> */
    public function links(string $path): array
    {
        $toOutside = $this->outside?->object;
        $toInside = $this->inside?->object;
        if ($toOutside !== null && $toInside !== null && $toOutside->equals($toInside)) {
            return [new Link($path, $toOutside)];
        }
        $links = [];
        if ($toOutside !== null) {
            $links[] = new Link("{$path}/outside", $toOutside);
        }
        if ($toInside !== null) {
            $links[] = new Link("{$path}/inside", $toInside);
        }

        return $links;
    }
}
