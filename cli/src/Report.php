<?php

declare(strict_types=1);

namespace Jaunty\CommandLine;

/** What a command found: as text, and as a value for --format=json. */
final readonly class Report
{
    /**
     * @param  bool  $found  whether there is something to look at, which makes the exit code 1
     * @param  array<string, \Closure(): string>  $also  written only when asked for, by format
     */
    public function __construct(
        public string $text,
        public mixed $value,
        public bool $found = false,
        public array $also = [],
    ) {
    }
}
