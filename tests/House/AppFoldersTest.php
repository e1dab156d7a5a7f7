<?php

declare(strict_types=1);

namespace Tests\House;

use PHPUnit\Framework\TestCase;

/** The folders of app lie in storeys: from none of them one comes back to it by way of others. */
final class AppFoldersTest extends TestCase
{
    private const APP = __DIR__ . '/../../app';

    public function test_no_folder_of_app_needs_itself_by_way_of_others(): void
    {
        $needs = self::needs();
        self::assertGreaterThan(10, count($needs));
        $low = [];
        // Whoever needs only what is lower is taken away; what is left at the end goes in a circle.
        while (
            (
                $free = array_filter($needs, static fn (array $of): bool => array_diff(array_keys($of), $low) === [])
            ) !== []
        ) {
            $low = [...$low, ...array_keys($free)];
            $needs = array_diff_key($needs, $free);
        }
        $circle = [];
        foreach ($needs as $folder => $of) {
            foreach (array_intersect_key($of, $needs) as $other => $because) {
                $circle[] = "{$folder} needs {$other}: {$because}";
            }
        }

        self::assertSame([], $circle);
    }

    /**
     * Controllers parse, ask a desk and answer by a resource: whose rows are shown, and which, is no affair of theirs.
     */
    public function test_no_controller_asks_the_database_or_opens_a_scope(): void
    {
        $files = glob(self::APP . '/Http/Controllers/*.php') ?: [];
        self::assertGreaterThan(20, count($files));
        $found = [];
        foreach ($files as $file) {
            $asks = '/::query\(|\bDB::|Illuminate\\\\Database|App\\\\Access\\\\Scope\b/';
            if (preg_match($asks, (string) file_get_contents($file), $what) === 1) {
                $found[] = basename($file) . ": {$what[0]}";
            }
        }

        self::assertSame([], $found);
    }

    /** @return array<string, array<string, string>> folders by folder, with one of the classes it is for */
    private static function needs(): array
    {
        $needs = [];
        /** @var \SplFileInfo $file */
        foreach (
            new \RecursiveIteratorIterator(
                new \RecursiveDirectoryIterator(self::APP, \FilesystemIterator::SKIP_DOTS),
            ) as $file
        ) {
            $path = substr($file->getPathname(), strlen(self::APP) + 1);
            $folder = explode('/', $path)[0];
            if ($file->getExtension() !== 'php' || $folder === $path) {
                continue;
            }
            $needs[$folder] ??= [];
            preg_match_all(
                '/(?:^use |\\\\)App\\\\(\w+)\\\\(\w+)/m',
                (string) file_get_contents($file->getPathname()),
                $found,
                PREG_SET_ORDER,
            );
            foreach ($found as [, $other, $class]) {
                if ($other !== $folder) {
                    $needs[$folder][$other] ??= "{$path} uses {$class}";
                }
            }
        }

        return $needs;
    }
}
