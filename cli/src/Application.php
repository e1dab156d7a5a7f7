<?php

declare(strict_types=1);

namespace Jaunty\CommandLine;

use Jaunty\CommandLine\Commands\AuditCommand;
use Jaunty\CommandLine\Commands\CallCommand;
use Jaunty\CommandLine\Commands\CheckCommand;
use Jaunty\CommandLine\Commands\ConvertCommand;
use Jaunty\CommandLine\Commands\DiffCommand;
use Jaunty\CommandLine\Commands\ExpandCommand;
use Jaunty\CommandLine\Commands\HoursCommand;
use Jaunty\CommandLine\Commands\MapCommand;
use Jaunty\CommandLine\Commands\RouteCommand;
use Jaunty\CommandLine\Commands\RulesCommand;
use Jaunty\CommandLine\Commands\SchemaCommand;
use Jaunty\CommandLine\Commands\StripCommand;
use Jaunty\Core\CoreException;

/** `bin/roster COMMAND ...`: exit 0 where nothing was found, 1 where something was, 2 for input that cannot be used. */
final class Application
{
    private const NOTHING_FOUND = 0;

    private const FOUND = 1;

    private const UNUSABLE = 2;

    /** @param list<string> $arguments */
    public function run(array $arguments): int
    {
        $name = array_shift($arguments) ?? 'help';
        $commands = self::commands();
        if (in_array($name, ['help', '--help', '-h'], true)) {
            echo self::help($commands);

            return self::NOTHING_FOUND;
        }
        try {
            $command = $commands[$name]
                ?? throw new Misuse("there is no command {$name}; `bin/roster help` lists them");
            $typed = Arguments::parse($arguments, ['format', ...$command->options()]);
            $format = $typed->option('format') ?? 'text';
            $report = $command->run($typed);
            echo match ($format) {
                'text' => $report->text,
                'json' => json_encode(
                    $report->value,
                    JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
                )
                    . "\n",
                default => ($report->also[$format] ?? throw new Misuse(
                    '--format is ' . implode(', ', ['text', ...array_keys($report->also)]) . " or json, not {$format}",
                ))(),
            };

            return $report->found ? self::FOUND : self::NOTHING_FOUND;
        } catch (Misuse | CoreException $fault) {
            fwrite(STDERR, "roster: {$fault->getMessage()}\n");

            return self::UNUSABLE;
        }
    }

    /** @return array<string, Command> */
    private static function commands(): array
    {
        return [
            'call' => new CallCommand(),
            'map' => new MapCommand(),
            'strip' => new StripCommand(),
            'hours' => new HoursCommand(),
            'route' => new RouteCommand(),
            'diff' => new DiffCommand(),
            'audit' => new AuditCommand(),
            'check' => new CheckCommand(),
            'expand' => new ExpandCommand(),
            'convert' => new ConvertCommand(),
            'rules' => new RulesCommand(),
            'schema' => new SchemaCommand(),
        ];
    }

    /** @param array<string, Command> $commands */
    private static function help(array $commands): string
    {
        $text = "bin/roster computes on tenant books, from files alone (- reads what is piped in).\n\n";
        foreach ($commands as $name => $command) {
            $text .= "  bin/roster {$name} {$command->usage()}\n      {$command->about()}\n";
        }

        return $text . "\n--format=json prints the same for programs. Exit code 0: nothing found; 1: something found; "
            . "2: unusable input, with where and why.\n";
    }
}
