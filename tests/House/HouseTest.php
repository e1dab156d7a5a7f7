<?php

declare(strict_types=1);

namespace Tests\House;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * What is committed keeps its word: no addresses of this workplace, pins for every package, pages that lead somewhere.
 */
final class HouseTest extends TestCase
{
    private const ROOT = __DIR__ . '/../..';

    public function test_no_committed_file_names_where_packages_were_fetched(): void
    {
        $guilty = [];
        foreach ($this->committed() as $file) {
            $text = (string) file_get_contents(self::ROOT . "/{$file}");
            if (
                preg_match('/"(resolved|tarball|funding)"|registry=|packagist\.[a-z]|npm\w*\.(org|com)\b/', $text) === 1
                && ! str_ends_with($file, 'HouseTest.php')
            ) {
                $guilty[] = $file;
            }
        }

        self::assertSame([], $guilty);
    }

    #[DataProvider('composerFolders')]
    public function test_what_is_installed_is_what_is_pinned(string $folder): void
    {
        $pins = [];
        foreach (
            (array) file(self::ROOT . "/{$folder}composer.pins", FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) as $line
        ) {
            if (! str_starts_with((string) $line, '#')) {
                [$name, $version] = explode(':', (string) $line, 2);
                $pins[$name] = $version;
            }
        }
        $installed = json_decode(
            (string) file_get_contents(self::ROOT . "/{$folder}vendor/composer/installed.json"),
            true,
        );
        self::assertIsArray($installed);
        $found = array_column($installed['packages'], 'version', 'name');
        unset($found['jaunty/core']);
        ksort($pins);
        ksort($found);

        self::assertSame($pins, array_map(static fn (string $version): string => ltrim($version, 'v'), $found));
    }

    /** @return iterable<string, array{string}> */
    public static function composerFolders(): iterable
    {
        yield 'the application' => [''];
        yield 'core' => ['core/'];
    }

    public function test_every_npm_package_is_named_with_its_exact_version(): void
    {
        $package = json_decode((string) file_get_contents(self::ROOT . '/package.json'), true);
        self::assertIsArray($package);
        foreach (
            [...$package['dependencies'], ...$package['devDependencies'], ...$package['overrides']] as $name => $version
        ) {
            self::assertMatchesRegularExpression('/^\d+\.\d+\.\d+(-[0-9a-z.]+)?$/D', $version, $name);
        }
    }

    public function test_every_picture_and_page_that_is_linked_exists_and_every_picture_is_linked(): void
    {
        $linked = [];
        foreach (
            ['README.md', 'core/README.md', ...array_filter(
                $this->committed(),
                static fn (string $file): bool => str_starts_with($file, 'docs/') && str_ends_with($file, '.md'),
            )] as $page
        ) {
            preg_match_all('/\]\(([^)#]+)(?:#[^)]*)?\)/', (string) file_get_contents(self::ROOT . "/{$page}"), $found);
            foreach ($found[1] as $target) {
                $path = self::ROOT . '/' . dirname($page) . "/{$target}";
                self::assertFileExists($path, "{$page} links to {$target}");
                $linked[] = realpath($path);
            }
        }
        foreach ((array) glob(self::ROOT . '/docs/screenshots/*.png') as $picture) {
            self::assertContains(realpath((string) $picture), $linked, "{$picture} is linked from nowhere");
        }
    }

    public function test_every_path_the_readme_names_is_there(): void
    {
        preg_match_all(
            '/`((?:core|app|bin|docs|tests|database|templates)\/[A-Za-z0-9_\/.-]*)`/',
            (string) file_get_contents(self::ROOT . '/README.md'),
            $found,
        );

        self::assertNotEmpty($found[1]);
        foreach ($found[1] as $path) {
            self::assertFileExists(self::ROOT . "/{$path}");
        }
    }

    public function test_the_page_of_rules_is_what_the_rules_say(): void
    {
        exec(escapeshellarg(dirname(__DIR__, 2) . '/bin/roster') . ' rules', $lines, $code);

        self::assertSame(0, $code);
        self::assertSame(
            (string) file_get_contents(dirname(__DIR__, 2) . '/docs/rules.md'),
            implode("\n", $lines) . "\n",
            'bin/roster rules > docs/rules.md',
        );
    }

    public function test_the_schemas_are_what_the_fields_say(): void
    {
        foreach (['docs/tenant-book.schema.json' => 'file', 'contract/objects.json' => 'objects'] as $file => $of) {
            $lines = [];
            exec(escapeshellarg(self::ROOT . '/bin/roster') . " schema --of {$of}", $lines, $code);

            self::assertSame(0, $code);
            self::assertSame(
                (string) file_get_contents(self::ROOT . "/{$file}"),
                implode("\n", $lines) . "\n",
                "bin/roster schema --of {$of} > {$file}",
            );
        }
    }

    public function test_no_test_is_skipped(): void
    {
        foreach ($this->committed() as $file) {
            if (preg_match('/(Test\.php|\.test\.ts)$/', $file) === 1 && ! str_ends_with($file, 'HouseTest.php')) {
                self::assertDoesNotMatchRegularExpression(
                    '/markTestSkipped|markTestIncomplete|\b(it|describe|test)\.(skip|todo|only)\b/',
                    (string) file_get_contents(self::ROOT . "/{$file}"),
                    $file,
                );
            }
        }
    }

    /** @return list<string> files git tracks, pictures and lock files' integrity left out */
    private function committed(): array
    {
        // A checkout may belong to somebody else than who runs the tests.
        exec('git -c safe.directory="*" -C ' . escapeshellarg(self::ROOT) . ' ls-files', $files, $code);
        self::assertSame(0, $code);

        return array_values(array_filter(
            $files,
            static fn (string $file): bool => preg_match('/\.(png|svg|woff2?)$/', $file) !== 1
                && is_file(self::ROOT . "/{$file}"),
        ));
    }
}
