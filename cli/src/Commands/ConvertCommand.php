<?php

declare(strict_types=1);

namespace Jaunty\CommandLine\Commands;

use Jaunty\CommandLine\Arguments;
use Jaunty\CommandLine\Command;
use Jaunty\CommandLine\Files;
use Jaunty\CommandLine\Report;
use Jaunty\Core\Book\BookFormat;

/** A book written anew: defaults left out, objects in the order of the format's page. */
final class ConvertCommand implements Command
{
    public function usage(): string
    {
        return 'BOOK';
    }

    public function about(): string
    {
        return 'the book written anew: defaults left out, kinds in the order of the format';
    }

    public function options(): array
    {
        return [];
    }

    public function run(Arguments $arguments): Report
    {
        $book = Files::book($arguments->file(0, 'a book'));

        return new Report(BookFormat::toJson($book), BookFormat::toValue($book));
    }
}
