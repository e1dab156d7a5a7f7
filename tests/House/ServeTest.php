<?php

declare(strict_types=1);

namespace Tests\House;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What bin/serve reads and writes before anything runs: the settings file, and units for systemd. */
final class ServeTest extends TestCase
{
    private const ROOT = __DIR__ . '/../..';

    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir() . '/roster-serve-' . bin2hex(random_bytes(4));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        exec('rm -rf ' . escapeshellarg($this->folder));
    }

    public function test_the_sample_is_good_as_it_is_and_names_every_setting(): void
    {
        [$code, $said] = $this->read((string) file_get_contents(self::ROOT . '/config/settings.sample.env'));
        self::assertSame(0, $code, $said);

        preg_match_all('/^SET_(\w+)=/m', $said, $known);
        preg_match_all(
            '/^#?([A-Z][A-Z0-9_]+)=/m',
            (string) file_get_contents(self::ROOT . '/config/settings.sample.env'),
            $told,
        );
        self::assertEqualsCanonicalizing($known[1], $told[1]);
    }

    /** @param list<string> $expected */
    #[DataProvider('spoiled')]
    public function test_what_cannot_be_used_is_said_by_line(string $text, array $expected): void
    {
        [$code, $said] = $this->read($text);

        self::assertSame(2, $code);
        self::assertSame($expected, explode("\n", str_replace("{$this->folder}/", '', $said)));
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function spoiled(): iterable
    {
        $address = "ROSTER_ADDRESS=https://roster.example\n";
        yield 'nothing at all' => [
            '', ['s.env: ROSTER_ADDRESS is what people type, such as https://roster.example.com'],
        ];
        yield 'an address without http' => [
            'ROSTER_ADDRESS=roster.example',
            ['s.env, line 1: ROSTER_ADDRESS is what people type, such as https://roster.example.com'],
        ];
        yield 'a name spelt otherwise' => [
            "{$address}MIAL_HOST=a", ['s.env, line 2: MIAL_HOST is no setting; MAIL_HOST is'],
        ];
        yield 'a demo of a real house' => ["{$address}ROSTER_DEMO=true", ['s.env, line 2: ROSTER_DEMO is no setting']];
        yield 'a clock that stands' => [
            "{$address}ROSTER_FIXED_NOW=2026-01-01", ['s.env, line 2: ROSTER_FIXED_NOW is no setting'],
        ];
        yield 'a line that is none' => ["{$address}hello", ['s.env, line 2: this is no NAME=value']];
        yield 'twice' => [
            "{$address}\nMAIL_PORT=25\nMAIL_PORT=26", ['s.env, line 4: MAIL_PORT is said on line 3 already'],
        ];
        yield 'no number' => [
            "{$address}ROSTER_WORKERS=many",
            ['s.env, line 2: ROSTER_WORKERS wants a whole number from 0 to 200, not "many"'],
        ];
        yield 'a word nobody knows' => [
            "{$address}MAIL_SCHEME=pigeon", ['s.env, line 2: MAIL_SCHEME is smtp or smtps, not "pigeon"'],
        ];
        yield 'a proxy by name' => [
            "{$address}ROSTER_TRUSTED_PROXIES=proxy.example",
            ['s.env, line 2: ROSTER_TRUSTED_PROXIES "proxy.example" is no address of a proxy'],
        ];
        yield 'a database without its passwords' => ["{$address}DB_HOST=db.example", [
            's.env: DB_PASSWORD is wanted where DB_HOST names a database of yours',
            's.env: DB_OWNER_PASSWORD_FILE is wanted where DB_HOST names a database of yours',
        ]];
        yield 'a place to listen that is none' => [
            "{$address}ROSTER_LISTEN=8420",
            ['s.env, line 2: ROSTER_LISTEN is an address and a port, such as 127.0.0.1:8420'],
        ];
        yield 'several machines, by halves' => [
            "{$address}DB_POOLED=yes\nREDIS_URL=10.0.0.5\nDB_DIRECT=5432\nROSTER_FILES=folder\n"
                . "FILES_FOLDER=files\nROSTER_WORKERS=0\nROSTER_WEB_PROCESSES=0",
            [
                's.env, line 2: DB_POOLED wants DB_HOST and DB_PORT of the pool',
                's.env, line 4: DB_DIRECT is a host and a port, such as db.example.com:5432',
                's.env, line 6: FILES_FOLDER is a whole path, such as /srv/roster',
                's.env, line 3: REDIS_URL is an address such as redis://:password@10.0.0.5:6379/0',
                's.env, line 7: ROSTER_WORKERS and ROSTER_WEB_PROCESSES are none: nothing would run here',
            ],
        ];
    }

    public function test_values_come_through_a_shell_as_they_were_written(): void
    {
        $password = 'a "b" $c `d` \'e\' \\f #g';
        [, $said] = $this->read("ROSTER_ADDRESS=https://roster.example\nMAIL_PASSWORD={$password}\n");
        exec('bash -c ' . escapeshellarg($said . "\nprintf '%s' \"\$SET_MAIL_PASSWORD\""), $back);

        self::assertSame($password, implode("\n", $back));
    }

    /** systemd's own reader has the last word on units. */
    public function test_units_say_what_the_keeper_would_do_and_systemd_reads_them(): void
    {
        $entries = [
            ['name' => 'database', 'command' => ['/bin/true', '-D', '/x/cl uster'], 'user' => 'www-data',
                'signal' => 'INT', 'ready' => ['command' => ['/bin/true', '-q']]],
            ['name' => 'migrate', 'once' => true, 'command' => ['sh', '-c', 'echo "$0" 100%', 'a b'],
                'env' => ['ROSTER_HOME' => '/x/y z']],
            ['name' => 'worker', 'command' => ['php', '/x/artisan', 'queue:work'], 'user' => 'www-data',
                'pause' => 0.5],
            ['name' => 'rotation', 'command' => ['sh', '-c', 'sleep 1']],
            ['name' => 'web', 'command' => ['/bin/true'], 'ready' => ['http' => 'http://127.0.0.1:1/up']],
        ];
        file_put_contents("{$this->folder}/spec.json", json_encode(['entries' => $entries], JSON_THROW_ON_ERROR));
        exec(
            'php ' . self::ROOT . "/bin/lib/units.php {$this->folder}/spec.json {$this->folder}/units real 2>&1",
            $said,
            $code,
        );
        self::assertSame(0, $code, implode("\n", $said));

        $files = array_map(basename(...), (array) glob("{$this->folder}/units/*"));
        sort($files);
        self::assertSame([
            'jaunty-roster-real-database.service', 'jaunty-roster-real-migrate.service',
            'jaunty-roster-real-web.service', 'jaunty-roster-real-worker.service', 'jaunty-roster-real.target',
        ], $files);
        $worker = (string) file_get_contents("{$this->folder}/units/jaunty-roster-real-worker.service");
        self::assertStringContainsString("Restart=always\nRestartSec=1\nUser=www-data\n", $worker);
        self::assertStringContainsString('Requires=jaunty-roster-real-migrate.service', $worker);
        self::assertStringContainsString(
            'ExecStart="/usr/bin/sh" "-c" "echo \"$$0\" 100%%" "a b"',
            str_replace('"/bin/sh"', '"/usr/bin/sh"', (string) file_get_contents(
                "{$this->folder}/units/jaunty-roster-real-migrate.service",
            )),
        );
        exec("systemd-analyze verify --man=no {$this->folder}/units/*.service 2>&1", $verdict, $code);
        self::assertSame(0, $code, implode("\n", $verdict));
        self::assertSame([], array_values(preg_grep('/jaunty-roster/', $verdict) ?: []));
    }

    /** @return array{int, string} */
    private function read(string $text): array
    {
        file_put_contents("{$this->folder}/s.env", $text);
        exec('php ' . self::ROOT . "/bin/lib/settings.php {$this->folder}/s.env 2>&1", $said, $code);

        return [$code, implode("\n", $said)];
    }
}
