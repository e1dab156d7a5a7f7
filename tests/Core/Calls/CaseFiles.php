<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

/** The worked cases: files of a book and pairs of script and trace (tests/data/calls/README.md). */
final class CaseFiles
{
    /**
     * @return \Generator<string, array{string, string, array<string, mixed>}> book, script and trace by file and number
     */
    public static function all(): \Generator
    {
        $folder = dirname(__DIR__, 2) . '/data/calls';
        foreach ([...(array) glob("{$folder}/*.txt"), ...(array) glob("{$folder}/random/*.txt")] as $file) {
            $sections = preg_split(
                '/^--- (book|script|trace)\s*$/m',
                (string) file_get_contents((string) $file),
                flags: PREG_SPLIT_DELIM_CAPTURE,
            );
            if ($sections === false) {
                throw new \RuntimeException("{$file} cannot be read");
            }
            for ($i = 3, $n = 1; isset($sections[$i + 3]); $i += 4, $n++) {
                yield basename((string) $file, '.txt') . " {$n}" => [
                    $sections[2],
                    trim($sections[$i + 1]),
                    (array) json_decode($sections[$i + 3], true, flags: JSON_THROW_ON_ERROR),
                ];
            }
        }
    }
}
