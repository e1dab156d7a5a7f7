<?php

declare(strict_types=1);

namespace Jaunty\CommandLine\Commands;

use Jaunty\CommandLine\Arguments;
use Jaunty\CommandLine\Command;
use Jaunty\CommandLine\Files;
use Jaunty\CommandLine\Report;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\UnusableBook;

/** Whether a file is a book: its fields, types and references. */
final class CheckCommand implements Command
{
    public function usage(): string
    {
        return 'BOOK';
    }

    public function about(): string
    {
        return 'whether a file is a tenant book: fields, types, references; and whether an extension has one holder';
    }

    public function options(): array
    {
        return [];
    }

    public function run(Arguments $arguments): Report
    {
        $book = Files::book($arguments->file(0, 'a book'));
        $counts = [];
        foreach (Kind::listed() as $kind) {
            $counts[$kind->field()] = count($book->ofKind($kind));
        }
        $counts = array_filter($counts, static fn (int $count): bool => $count > 0);
        $findings = [];
        try {
            $book->checkExtensions();
        } catch (UnusableBook $fault) {
            $findings[] = $fault->getMessage();
        }
        $text = "{$book->tenant->name}: " . ($counts === [] ? 'no objects' : implode(
            ', ',
            array_map(static fn (string $kind, int $count): string => "{$kind} {$count}", array_keys($counts), $counts),
        )) . "\n"
            . implode('', array_map(static fn (string $finding): string => "{$finding}\n", $findings));

        return new Report(
            $text,
            ['tenant' => $book->tenant->key, 'counts' => (object) $counts, 'findings' => $findings],
            $findings !== [],
        );
    }
}
