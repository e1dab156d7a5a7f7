<?php

declare(strict_types=1);

namespace Jaunty\CommandLine\Commands;

use Jaunty\CommandLine\Arguments;
use Jaunty\CommandLine\Command;
use Jaunty\CommandLine\Files;
use Jaunty\CommandLine\Report;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Change\Operation;

/** What differs between two books, by field. */
final class DiffCommand implements Command
{
    public function usage(): string
    {
        return 'BEFORE AFTER';
    }

    public function about(): string
    {
        return 'what differs between two books, by field; as JSON, the change set that makes the second of the first';
    }

    public function options(): array
    {
        return [];
    }

    public function run(Arguments $arguments): Report
    {
        $changes = Diff::between(Files::book($arguments->file(0, 'two books')), Files::book($arguments->file(1, 'a second book')));
        $lines = array_map(static fn (Operation $operation): string => sprintf(
            "%-7s %s%s%s\n",
            $operation->kind->value,
            $operation->object,
            $operation->path === null ? '' : " {$operation->path}",
            $operation->path === null ? '' : ': ' . self::show($operation->before) . ' -> ' . self::show($operation->after),
        ), $changes->operations);

        return new Report($lines === [] ? "the same\n" : implode('', $lines), $changes->toArray(), ! $changes->isEmpty());
    }

    private static function show(mixed $value): string
    {
        return json_encode($value, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
    }
}
