<?php

declare(strict_types=1);

namespace Tests\Served;

use PHPUnit\Framework\TestCase;

/** What is backed up comes back: into an empty cluster, compared row by row. */
final class BackupTest extends TestCase
{
    private const ROOT = __DIR__ . '/../..';

    private string $folder;

    private string $instance;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir() . '/backup-' . bin2hex(random_bytes(5));
        $this->instance = 'restored-' . bin2hex(random_bytes(4));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        exec('rm -rf ' . escapeshellarg($this->folder) . ' ' . escapeshellarg(
            (string) realpath(self::ROOT . '/var') . "/{$this->instance}",
        ));
    }

    public function test_a_backup_restored_into_an_empty_cluster_holds_the_same(): void
    {
        $this->done("bin/backup {$this->folder}/one --of proof");
        self::assertSame('0600', substr(sprintf('%o', (int) fileperms("{$this->folder}/one")), -4));

        $this->done("bin/restore {$this->folder}/one --of {$this->instance}");
        $this->done("bin/backup {$this->folder}/two --of {$this->instance}");

        $rows = $this->rows('one');
        self::assertGreaterThan(200, count($rows));
        self::assertSame($rows, $this->rows('two'));
        self::assertFileEquals("{$this->folder}/one.d/key", "{$this->folder}/two.d/key");

        [$code, $said] = $this->ran("bin/restore {$this->folder}/one --of {$this->instance}");
        self::assertSame(1, $code);
        self::assertStringContainsString('--replace', $said);
        // Somebody was purged since: the older backup does not bring them back.
        $this->done('bash -c ' . escapeshellarg(implode('; ', [
            'ROOT=$(pwd)', '. bin/lib/house.sh', '. bin/lib/keeping.sh', 'find_places',
            "choose_instance {$this->instance}", 'with_database',
            "in_database psql -qXd roster -c \"insert into purged_customers select id, now(), now() from tenants "
                . "where key = 'osier-basketworks'\"",
            'end_database',
        ])));
        self::assertStringContainsString(
            'Purged again: 1.',
            $this->done("bin/restore {$this->folder}/one --replace --of {$this->instance}"),
        );
        $this->done("bin/backup {$this->folder}/three --of {$this->instance}");
        self::assertNotSame([], preg_grep('/osier-basketworks/', $rows) ?: []);
        self::assertSame([], preg_grep('/osier-basketworks/', $this->rows('three')) ?: []);
    }

    public function test_a_damaged_or_foreign_file_and_a_running_house_are_refused_and_nothing_is_changed(): void
    {
        $this->done("bin/backup {$this->folder}/one --of proof");
        file_put_contents("{$this->folder}/cut", substr((string) file_get_contents("{$this->folder}/one"), 0, 9_000));
        file_put_contents(
            "{$this->folder}/flipped",
            strtr((string) file_get_contents("{$this->folder}/one"), 'eE', 'Ee'),
        );

        foreach (['cut' => 'no backup', 'flipped' => '(no backup|damaged)'] as $file => $why) {
            [$code, $said] = $this->ran("bin/restore {$this->folder}/{$file} --of {$this->instance}");
            self::assertSame(1, $code);
            self::assertMatchesRegularExpression("/{$why}/", $said);
        }
        [$code, $said] = $this->ran("bin/restore {$this->folder}/one --replace --of proof");
        self::assertSame(1, $code);
        self::assertStringContainsString('is running', $said);
        self::assertDirectoryDoesNotExist(self::ROOT . "/var/{$this->instance}");
    }

    /** @return list<string> every line of the dump as SQL, in no particular order */
    private function rows(string $file): array
    {
        $into = "{$this->folder}/{$file}.d";
        mkdir($into);
        $this->done("tar -C {$into} -xf {$this->folder}/{$file}");
        $sql = $this->done("/usr/lib/postgresql/15/bin/pg_restore -f - {$into}/roster.dump");
        $lines = array_filter(
            explode("\n", $sql),
            static fn (string $line): bool => preg_match('/^(--|\\\\(un)?restrict|\s*$)/', $line) !== 1,
        );
        sort($lines);

        return array_values($lines);
    }

    private function done(string $command): string
    {
        [$code, $said] = $this->ran($command);
        self::assertSame(0, $code, "{$command}: {$said}");

        return $said;
    }

    /** @return array{int, string} */
    private function ran(string $command): array
    {
        // Not in the name of this run's keeper: nothing that is begun here is the tests' own.
        exec('cd ' . escapeshellarg(self::ROOT) . " && env -u JAUNTY_KEEPER {$command} 2>&1", $output, $code);

        return [$code, implode("\n", $output)];
    }
}
