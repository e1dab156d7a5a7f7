<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Fleet\RosterDesk;
use Jaunty\Core\Audit\Severity;

/**
 * The Roster's lines, as the contract has them.
 *
 * @phpstan-import-type Row from RosterDesk
 */
final class RosterResource
{
    /**
     * @param  list<Row>  $rows
     * @param  array<string, mixed>  $more  that stands beside the lines
     */
    public static function json(array $rows, array $more = []): string
    {
        $told = json_encode($more, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
        $beside = $more === [] ? '' : ',' . substr($told, 1, -1);

        return '{"customers":[' . implode(',', array_map(self::line(...), $rows)) . ']' . $beside . '}';
    }

    /**
     * A line in JSON. The week is stored as it is sent, and most of the line: it is not taken apart on the way.
     *
     * @param  Row  $row
     */
    private static function line(object $row): string
    {
        $line = json_encode([
            'key' => $row->key,
            'name' => $row->name,
            'stage' => $row->stage,
            'zone' => $row->zone,
            'mainNumber' => $row->main_number,
            'leadsTo' => $row->main_leads_to,
            'objects' => $row->objects ?? 0,
            'revision' => $row->head_revision,
            'differences' => $row->differences,
            'liveReadAt' => $row->live_read_at,
            'pushedRevision' => $row->pushed_revision,
            'pushedAt' => $row->pushed_at,
            'place' => $row->place,
            'region' => $row->region,
            'findings' => self::findings($row->findings, $row->drift_findings),
            'callersNotice' => $row->callers_notice,
            'next' => $row->next_on === null ? null : ['on' => $row->next_on, 'what' => $row->next_what],
            'lookedAfterBy' => $row->initials,
        ], JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);

        return substr($line, 0, -1) . ',"strip":' . ($row->strip ?? 'null') . '}';
    }

    /**
     * Of the book, and of drift as last read.
     *
     * @return array<string, int> by weight
     */
    private static function findings(?string ...$counted): array
    {
        $sum = array_fill_keys(array_column(Severity::cases(), 'value'), 0);
        foreach ($counted as $json) {
            foreach ((array) json_decode($json ?? '{}', true) as $weight => $count) {
                $sum[$weight] += is_int($count) ? $count : 0;
            }
        }

        return $sum;
    }
}
