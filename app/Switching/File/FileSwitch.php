<?php

declare(strict_types=1);

namespace App\Switching\File;

use App\Switching\SwitchConnector;
use App\Switching\Switches;
use App\Switching\SwitchMaker;
use App\Switching\SwitchTrouble;
use App\Switching\Table\TableConnector;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Prompts\SoundFormat;
use Jaunty\Core\Provisioning\Capabilities;

/**
 * A smaller platform that is known by its exports alone: a directory with a JSON file for each customer, read and
 * written. It has no queues, menus of two levels, no PINs that could be told to it, and writes no calls down. Settings:
 * `directory`.
 */
final readonly class FileSwitch implements SwitchMaker
{
    private const MENU_LEVELS = 2;

    private const LONGEST_PROMPT_SECONDS = 120;

    public function make(string $name, array $settings): SwitchConnector
    {
        $dialect = new FileDialect();
        $fields = [];
        foreach ([Kind::Tenant, ...$dialect->held()] as $kind) {
            $fields[$kind->value] = array_keys($dialect->of($kind));
        }

        return new TableConnector(
            $name,
            Switches::title($name),
            $dialect,
            new FileRecords(self::directory($settings, $name)),
            new Capabilities(
                $fields,
                menuLevels: self::MENU_LEVELS,
                lacks: [
                    'group/queue' => 'it has no queues', 'chain' => 'it rings nobody in turn but in groups',
                    'line' => 'it has no lines without a person', 'schedule/periods' => 'its weeks are all alike',
                ],
                // Every number comes in the same way.
                needless: ['number/trunk'],
                takesSecrets: false,
                keepsCalls: false,
            ),
            SoundFormat::telephone(self::LONGEST_PROMPT_SECONDS),
        );
    }

    public function wants(): array
    {
        return ['directory'];
    }

    public function reach(array $settings): void
    {
        $directory = self::directory($settings, '');
        if (! is_dir($directory) && ! @mkdir($directory, 0o750, true) || ! is_writable($directory)) {
            throw SwitchTrouble::unreachable("{$directory} cannot be written to by the web server's user");
        }
    }

    /** @param array<string, mixed> $settings */
    private static function directory(array $settings, string $name): string
    {
        $directory = $settings['directory'] ?? null;

        return is_string($directory) && $directory !== '' ? $directory : storage_path("app/{$name}");
    }
}
