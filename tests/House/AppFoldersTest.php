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
