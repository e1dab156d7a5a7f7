<?php

declare(strict_types=1);

namespace Tests\Core\Prompts;

use Jaunty\Core\Prompts\Codec;
use Jaunty\Core\Prompts\G711;
use Jaunty\Core\Prompts\Levels;
use Jaunty\Core\Prompts\SoundFormat;
use Jaunty\Core\Prompts\SpokenKeys;
use Jaunty\Core\Prompts\WavFile;
use PHPUnit\Framework\TestCase;
use Tests\Core\Audit\Mutants;

/**
 * Whether the tests of sound files and spoken keys prove them: with one operator turned round, some test has to fail.
 * Each takes a process of its own, so every run looks at some, and a deep one at all.
 */
final class PromptMutationTest extends TestCase
{
    private const SHARE = 0.9;

    private const EVERY = 12;

    private const SECONDS = 20;

    private const CLASSES = [
        Codec::class, G711::class, Levels::class, SoundFormat::class, SpokenKeys::class, WavFile::class,
    ];

    public function test_sound_that_is_read_otherwise_is_noticed(): void
    {
        [$killed, $all, $alive] = [0, 0, []];
        foreach (self::CLASSES as $class) {
            foreach (Mutants::texts($class) as $what => [$text]) {
                $all++;
                if (getenv('DEEP') !== 'yes' && $all % self::EVERY !== 0) {
                    continue;
                }
                if (self::isNoticed($class, $text)) {
                    $killed++;
                } else {
                    $alive[] = $what;
                }
            }
        }

        self::assertGreaterThan(60, $all);
        self::assertGreaterThanOrEqual(
            self::SHARE,
            $killed / ($killed + count($alive)),
            sprintf("%d of %d are noticed; not these:\n%s", $killed, $killed + count($alive), implode("\n", $alive)),
        );
    }

    private static function isNoticed(string $class, string $text): bool
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'mutant');
        file_put_contents($file, $text);
        try {
            $command = [
                'timeout', (string) self::SECONDS, PHP_BINARY, 'vendor/bin/phpunit', '--bootstrap',
                '../tests/Core/Prompts/mutant.php', '--stop-on-failure', '--stop-on-error', '--no-output',
                '--do-not-cache-result', '--filter', 'Prompts.(WavFileTest|SpokenKeysTest)',
            ];
            $run = proc_open(
                $command,
                [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
                $pipes,
                dirname(__DIR__, 3) . '/core',
                ['MUTANT_CLASS' => $class, 'MUTANT_FILE' => $file] + getenv(),
            );

            return is_resource($run) && proc_close($run) !== 0;
        } finally {
            unlink($file);
        }
    }
}
