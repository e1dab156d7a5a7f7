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

    /** More than all the tests take; who is not done by then goes round for ever. */
    private const SECONDS = 6;

    private const AT_ONCE = 2;

    private const CLASSES = [
        Codec::class, G711::class, Levels::class, SoundFormat::class, SpokenKeys::class, WavFile::class,
    ];

    public function test_sound_that_is_read_otherwise_is_noticed(): void
    {
        [$all, $chosen] = [0, []];
        foreach (self::CLASSES as $class) {
            foreach (Mutants::texts($class) as $what => [$text]) {
                $all++;
                if (getenv('DEEP') === 'yes' || $all % self::EVERY === 0) {
                    $chosen[$what] = [$class, $text];
                }
            }
        }
        $alive = self::notNoticed($chosen);

        self::assertGreaterThan(60, $all);
        // Of a few one more may live than of all.
        $mayLive = max(2, (int) floor((1 - self::SHARE) * count($chosen)));
        self::assertLessThanOrEqual(
            $mayLive,
            count($alive),
            sprintf("%d of %d are not noticed:\n%s", count($alive), count($chosen), implode("\n", $alive)),
        );
    }

    /**
     * @param  array<string, array{class-string, string}>  $mutants  by what was done, some at once
     * @return list<string> those that no test minds
     */
    private static function notNoticed(array $mutants): array
    {
        $alive = [];
        foreach (array_chunk($mutants, self::AT_ONCE, true) as $some) {
            $runs = array_map(static fn (array $mutant): array => self::begin(...$mutant), $some);
            foreach ($runs as $what => [$run, $file]) {
                if (proc_close($run) === 0) {
                    $alive[] = $what;
                }
                unlink($file);
            }
        }

        return $alive;
    }

    /**
     * @param  class-string  $class
     * @return array{resource, string} the run, and the file it reads
     */
    private static function begin(string $class, string $text): array
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'mutant');
        file_put_contents($file, $text);
        $run = proc_open(
            [
                'timeout', (string) self::SECONDS, PHP_BINARY, 'vendor/bin/phpunit', '--bootstrap',
                '../tests/Core/Prompts/mutant.php', '--stop-on-failure', '--stop-on-error', '--no-output',
                '--do-not-cache-result', '--filter', 'Prompts.(WavFileTest|SpokenKeysTest)',
            ],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
            dirname(__DIR__, 3) . '/core',
            ['MUTANT_CLASS' => $class, 'MUTANT_FILE' => $file] + getenv(),
        );

        return [is_resource($run) ? $run : throw new \RuntimeException('no process'), $file];
    }
}
