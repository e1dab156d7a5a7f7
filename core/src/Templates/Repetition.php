<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

/** Objects that a template makes for each row of an answer. */
final readonly class Repetition
{
    /**
     * @param  array<string, mixed>  $over  each, as, where
     * @param  list<MadeObject|Repetition>  $objects
     */
    public function __construct(public array $over, public array $objects, public ?Condition $when)
    {
    }
}
