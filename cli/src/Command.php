<?php

declare(strict_types=1);

namespace Jaunty\CommandLine;

interface Command
{
    /** How it is called, for the help. */
    public function usage(): string;

    /** What it does, in a sentence. */
    public function about(): string;

    /** @return list<string> options it takes besides --format */
    public function options(): array;

    /** @throws Misuse */
    public function run(Arguments $arguments): Report;
}
