<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\House\Settings;
use App\Log\Entry;
use App\Log\Extract;
use App\Models\Technician;
use App\Models\TenantRow;
use Jaunty\Core\Words\Language;

/** The log as the contract has it, and as a file. */
final class ActivityResource
{
    /**
     * @param  list<Entry>  $entries
     * @param  array{whats: list<string>, people: list<Technician>}  $choices
     * @return array<string, mixed>
     */
    public static function page(array $entries, ?int $next, array $choices): array
    {
        return [
            'entries' => array_map(self::of(...), $entries),
            'next' => $next,
            'whats' => $choices['whats'],
            'people' => array_map(static fn (Technician $each): array => [
                'code' => $each->sign_in, 'name' => $each->name . ($each->closed_at === null ? '' : ' (switched off)'),
            ], $choices['people']),
        ];
    }

    /**
     * @param  list<Entry>  $entries
     * @return array<string, mixed>
     */
    public static function extract(TenantRow $tenant, array $entries, Settings $house): array
    {
        return [
            'customer' => $tenant->name, 'zone' => $tenant->zone, 'reseller' => $house->reseller,
            'languages' => array_values(array_filter(array_map(
                static fn (string $tag, string $name): array => ['tag' => $tag, 'name' => $name],
                array_keys(Language::all()),
                array_values(Language::all()),
            ), static fn (array $each): bool => in_array($each['tag'], $house->languages, true))),
            'entries' => array_map(static fn (Entry $entry): array => [
                'at' => self::at($entry), 'who' => $entry->who ?? '', 'what' => Extract::message($entry),
                'revision' => is_int($entry->detail['revision'] ?? null) ? $entry->detail['revision'] : null,
            ], $entries),
        ];
    }

    /** @param list<Entry> $entries */
    public static function csv(array $entries, string $zone): string
    {
        $file = fopen('php://temp', 'w+b');
        if ($file === false) {
            throw new \RuntimeException('no temporary file');
        }
        fputcsv($file, ['no', 'at', 'who', 'sign-in', 'customer', 'what', 'told', 'changes'], escape: '');
        foreach ($entries as $entry) {
            fputcsv($file, array_map(self::cell(...), [
                (string) $entry->id,
                $entry->at->setTimezone(new \DateTimeZone($zone))->format('Y-m-d H:i:s P'),
                $entry->who ?? '', $entry->signIn ?? '', $entry->customer ?? '', $entry->what,
                implode('; ', array_map(
                    static fn (array $each): string => "{$each['name']}: {$each['said']}",
                    $entry->told(),
                )),
                implode('; ', array_map(static fn (array $each): string => trim(
                    "{$each['object']} {$each['path']}",
                ) . ($each['op'] === 'set' ? '' : " {$each['op']}")
                    . ': ' . Entry::said($each['before']) . ' -> ' . Entry::said($each['after']), $entry->changes)),
            ]), escape: '');
        }
        rewind($file);

        return (string) stream_get_contents($file);
    }

    /** @return array<string, mixed> */
    private static function of(Entry $entry): array
    {
        return [
            'id' => $entry->id, 'at' => self::at($entry), 'who' => $entry->who, 'customer' => $entry->customer,
            'customerName' => $entry->customerName, 'what' => $entry->what, 'told' => $entry->told(),
            'changes' => array_map(static fn (array $each): array => [
                'object' => $each['object'], 'path' => $each['path'], 'op' => $each['op'],
                'before' => $each['before'] === null ? null : Entry::said($each['before']),
                'after' => $each['after'] === null ? null : Entry::said($each['after']),
            ], $entry->changes),
            'count' => $entry->count,
        ];
    }

    private static function at(Entry $entry): string
    {
        return $entry->at->format('Y-m-d\TH:i:s\Z');
    }

    /** A spreadsheet takes what begins like a sum for one. */
    private static function cell(string $text): string
    {
        return preg_match('/^[=+\-@\t\r]/', $text) === 1 ? "'{$text}" : $text;
    }
}
