<?php

declare(strict_types=1);

namespace Jaunty\CommandLine;

/** What was typed after a command: files and options. */
final readonly class Arguments
{
    /**
     * @param  list<string>  $files
     * @param  array<string, list<string>>  $options  by name, without dashes
     */
    private function __construct(public array $files, private array $options)
    {
    }

    /**
     * @param  list<string>  $typed
     * @param  list<string>  $known  options the command takes
     *
     * @throws Misuse
     */
    public static function parse(array $typed, array $known): self
    {
        $files = [];
        $options = [];
        while ($typed !== []) {
            $word = array_shift($typed);
            if (! str_starts_with($word, '--')) {
                $files[] = $word;

                continue;
            }
            [$name, $value] = explode('=', substr($word, 2), 2) + [1 => null];
            if (! in_array($name, $known, true)) {
                throw new Misuse("there is no option --{$name} here");
            }
            $options[$name][] = $value ?? array_shift($typed) ?? throw new Misuse("--{$name} wants a value");
        }

        return new self($files, $options);
    }

    public function option(string $name): ?string
    {
        return $this->options[$name][0] ?? null;
    }

    /** @return list<string> */
    public function options(string $name): array
    {
        return $this->options[$name] ?? [];
    }

    /** @throws Misuse */
    public function file(int $index, string $what): string
    {
        return $this->files[$index] ?? throw new Misuse("wants {$what}");
    }
}
