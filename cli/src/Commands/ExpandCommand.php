<?php

declare(strict_types=1);

namespace Jaunty\CommandLine\Commands;

use Jaunty\CommandLine\Arguments;
use Jaunty\CommandLine\Command;
use Jaunty\CommandLine\Dates;
use Jaunty\CommandLine\Files;
use Jaunty\CommandLine\Misuse;
use Jaunty\CommandLine\Report;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Identity\NameBasedUuid;
use Jaunty\Core\Templates\Answers;
use Jaunty\Core\Templates\Circumstances;
use Jaunty\Core\Templates\Expansion;
use Jaunty\Core\Templates\Slug;
use Jaunty\Core\Templates\Template;
use Jaunty\Core\Templates\UnusableAnswers;

/** What a template makes of a customer's answers. */
final class ExpandCommand implements Command
{
    /** Ids are made from the customer's name, so that the same answers give the same book. */
    private const PARENT = '6f1d2f3e-5f0a-5a57-9d53-0d2b6a1c7e11';

    public function usage(): string
    {
        return 'TEMPLATE ANSWERS [--today DATE]';
    }

    public function about(): string
    {
        return 'what a template makes of answers; --format=json gives the book';
    }

    public function options(): array
    {
        return ['today'];
    }

    public function run(Arguments $arguments): Report
    {
        $template = Template::fromJson(Files::text($arguments->file(0, 'a template')));
        $given = Files::json($file = $arguments->file(1, 'answers'));
        if (! is_array($given)) {
            throw new Misuse("{$file}: wants a JSON object of answers by slot");
        }
        $named = array_filter($given, is_string(...), ARRAY_FILTER_USE_KEY);
        try {
            $answers = Answers::check($template, $named, new Circumstances(Dates::parse($arguments->option('today'))));
        } catch (UnusableAnswers $fault) {
            throw new Misuse("{$file}: " . implode("\n  ", array_map(
                static fn (string $slot, string $why): string => "{$slot}: {$why}",
                array_keys($fault->faults),
                $fault->faults,
            )));
        }
        $name = $named['name'] ?? $template->key;
        $book = Expansion::of(
            $template,
            $answers,
            NameBasedUuid::of(self::PARENT, Slug::of(is_string($name) ? $name : '')),
            'taking-on',
        )->book;
        $text = "{$book->tenant->name}\n";
        foreach ($answers->readAs as $slot => $readAs) {
            $text .= "  {$slot}: read as {$readAs}\n";
        }
        foreach ($book->objects() as $object) {
            $text .= '  ' . str_pad((string) Reference::of($object), 34) . $object->label() . "\n";
        }

        return new Report($text, BookFormat::toValue($book));
    }
}
