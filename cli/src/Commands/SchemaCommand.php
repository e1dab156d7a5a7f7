<?php

declare(strict_types=1);

namespace Jaunty\CommandLine\Commands;

use Jaunty\CommandLine\Arguments;
use Jaunty\CommandLine\Command;
use Jaunty\CommandLine\Misuse;
use Jaunty\CommandLine\Report;
use Jaunty\Core\Book\Fields\Schema;

/**
 * The fields of the tenant book as JSON Schema; `docs/tenant-book.schema.json` and `contract/objects.json` are this.
 */
final class SchemaCommand implements Command
{
    public function usage(): string
    {
        return '[--of file|objects]';
    }

    public function about(): string
    {
        return 'the JSON Schema of a tenant book as somebody writes it (file), or of its objects as the product '
            . 'answers with them (objects)';
    }

    public function options(): array
    {
        return ['of'];
    }

    public function run(Arguments $arguments): Report
    {
        $of = $arguments->option('of') ?? 'file';
        $schema = match ($of) {
            'file' => Schema::ofFile(),
            'objects' => Schema::ofObjects(),
            default => throw new Misuse("--of is file or objects, not {$of}"),
        };

        return new Report(
            json_encode(
                $schema,
                JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
            )
                . "\n",
            $schema,
        );
    }
}
