<?php

declare(strict_types=1);

namespace App\Watch;

/**
 * Checks as programs that watch read them.
 *
 * @see https://github.com/prometheus/OpenMetrics/blob/main/specification/OpenMetrics.md (text format 1.0.0)
 */
final class OpenMetrics
{
    public const TYPE = 'application/openmetrics-text; version=1.0.0; charset=utf-8';

    /** @param list<Check> $checks */
    public static function text(array $checks): string
    {
        $lines = [
            '# TYPE roster_health gauge',
            '# HELP roster_health 1 where it is well, 0 where it is not or nobody could look.',
        ];
        foreach ($checks as $check) {
            $lines[] = 'roster_health' . self::labels($check->name, $check->health->value) . ' '
                . ($check->health === Health::Well ? '1' : '0');
        }
        foreach ($checks as $check) {
            foreach ($check->figures as $name => $figure) {
                $metric = 'roster_' . strtr($check->name, [' ' => '_']) . "_{$name}";
                $unit = preg_match('/_(seconds|bytes)$/', $metric, $found) === 1 ? $found[1] : null;
                $lines[] = "# TYPE {$metric} gauge";
                if ($unit !== null) {
                    $lines[] = "# UNIT {$metric} {$unit}";
                }
                $lines[] = "{$metric} {$figure}";
            }
        }

        return implode("\n", [...$lines, '# EOF']) . "\n";
    }

    private static function labels(string $check, string $health): string
    {
        $escaped = strtr($check, ['\\' => '\\\\', '"' => '\\"', "\n" => '\\n']);

        return "{check=\"{$escaped}\",state=\"{$health}\"}";
    }
}
