<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Reports;

/** Findings as comma-separated values (RFC 4180), a line each, for spreadsheets. */
final class CsvReport
{
    private const HEAD = ['book', 'severity', 'rule', 'title', 'detail', 'object', 'field', 'places', 'fingerprint'];

    /** @param list<Audited> $audited */
    public static function of(array $audited): string
    {
        $text = self::line(self::HEAD);
        foreach ($audited as $each) {
            foreach ($each->lines as $line) {
                $text .= self::line([
                    $each->name, $line->severity->value, $line->rule, $line->title, $line->detail, $line->objects[0],
                    (string) $line->path, (string) $line->count, $line->fingerprint,
                ]);
            }
        }

        return $text;
    }

    /** @param list<string> $cells */
    private static function line(array $cells): string
    {
        return implode(',', array_map(self::cell(...), $cells)) . "\r\n";
    }

    /** A spreadsheet would compute what begins like a formula: an apostrophe in front keeps it text. */
    private static function cell(string $text): string
    {
        $safe = preg_match('/^[=+\-@\t\r]/', $text) === 1 ? "'{$text}" : $text;

        return preg_match('/[",\r\n]/', $safe) === 1 ? '"' . str_replace('"', '""', $safe) . '"' : $safe;
    }
}
