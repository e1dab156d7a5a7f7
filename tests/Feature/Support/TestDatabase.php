<?php

declare(strict_types=1);

namespace Tests\Feature\Support;

/**
 * A database of each test process's own, copied once from the migrated template. Tests share it: each makes its own
 * customers.
 */
final class TestDatabase
{
    private static string $of = '';

    /** @var array<string, true> by name */
    private static array $made = [];

    /** For tests that fill a whole house: what they leave is in nobody's way. */
    public static function apart(string $of): void
    {
        self::$of = "_{$of}";
    }

    public static function together(): void
    {
        self::$of = '';
    }

    public static function name(): string
    {
        $token = getenv('TEST_TOKEN');
        $name = 'roster_test_' . (is_string($token) && $token !== '' ? $token : '0') . self::$of;
        if (! isset(self::$made[$name])) {
            $pdo = self::owner('postgres');
            $pdo->exec("drop database if exists {$name} with (force)");
            $pdo->exec("create database {$name} template roster_template strategy file_copy");
            self::$made[$name] = true;
        }

        return $name;
    }

    /** A connection of the owner of the tables, who may see and change everything. */
    public static function owner(?string $database = null): \PDO
    {
        $settings = parse_ini_file(getenv('ROSTER_HOME') . '/app.env', scanner_mode: INI_SCANNER_RAW);
        if ($settings === false) {
            throw new \RuntimeException('the test instance has no settings');
        }

        return new \PDO(
            "pgsql:host=127.0.0.1;port={$settings['DB_PORT']};dbname=" . ($database ?? self::name()),
            'roster_owner',
            trim((string) file_get_contents($settings['DB_OWNER_PASSWORD_FILE'])),
            [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION, \PDO::ATTR_DEFAULT_FETCH_MODE => \PDO::FETCH_ASSOC],
        );
    }
}
