<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

/** Calls to one number in the period classes in which they can go the same ways. */
final readonly class Run
{
    /**
     * @param  string  $number  in E.164
     * @param  non-empty-list<int>  $classes  of periods
     */
    public function __construct(public string $number, public State $start, public Explorer $explored, public Facts $facts, public array $classes)
    {
    }
}
