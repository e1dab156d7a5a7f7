<?php

declare(strict_types=1);

namespace App\Demo;

/** A fault planted in the demo: what it is, the rule that finds it, and a call that shows it. */
final readonly class DemoFault
{
    /**
     * @param  string  $rule  id of the rule that must find it
     * @param  string  $call  a sentence for the call line, or digits for the dial tester
     * @param  string  $comesTo  `outcome target`, as the model has it with the fault; of digits where they end and by
     *     which route
     * @param  bool  $isDialled  whether it is digits that somebody inside dials
     */
    public function __construct(
        public string $what,
        public string $rule,
        public string $call,
        public string $comesTo,
        public bool $isDialled = false,
    ) {
    }
}
