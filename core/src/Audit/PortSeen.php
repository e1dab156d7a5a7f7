<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

/** A port that the carrier has an order for and that is not done. */
final readonly class PortSeen
{
    /**
     * @param  list<string>  $numbers  in E.164
     * @param  string  $name  whom the losing carrier's bill is for, as the order says it; so are the next two
     * @param  string  $day  a date: the one asked for, or the one it is on
     * @param  ?string  $rejected  why the losing carrier turned it down; null where it did not
     */
    public function __construct(
        public array $numbers,
        public string $name,
        public string $street,
        public string $postcode,
        public string $day,
        public ?string $rejected,
    ) {
    }
}
