<?php

declare(strict_types=1);

namespace App\Audit;

use App\Models\FindingRow;
use Jaunty\Core\Audit\Reports\Audited;
use Jaunty\Core\Audit\Reports\CsvReport;
use Jaunty\Core\Audit\Reports\JUnitReport;
use Jaunty\Core\Audit\Reports\ReportLine;
use Jaunty\Core\Audit\Reports\SarifReport;
use Jaunty\Core\Audit\RuleBook;
use Jaunty\Core\Audit\Severity;

/** Findings as kept, written for other programs. In the technician's scope. */
final readonly class FindingReports
{
    /**
     * @param  string  $format  csv, json, sarif or junit
     * @param  list<array{customer: string, fingerprint: string}>  $wanted  in the order they are written, customer by
     *     customer
     * @return array{string, string} the type of the text, and the text
     */
    public function write(string $format, array $wanted): array
    {
        $audited = $this->audited($wanted);

        return match ($format) {
            'csv' => ['text/csv; charset=utf-8', CsvReport::of($audited)],
            'sarif' => ['application/sarif+json', self::json(SarifReport::of(RuleBook::all(), $audited))],
            'junit' => ['application/xml', JUnitReport::of(RuleBook::all(), $audited, Severity::Note)],
            default => ['application/json', self::json(array_map(
                static fn (Audited $each): array => ['customer' => $each->name, 'findings' => $each->lines],
                $audited,
            ))],
        };
    }

    /**
     * @param  list<array{customer: string, fingerprint: string}>  $wanted
     * @return list<Audited>
     */
    private function audited(array $wanted): array
    {
        $rows = [];
        foreach (
            FindingRow::query()->join('tenants', 'tenants.id', '=', 'findings.tenant_id')
            ->whereIn('fingerprint', array_column($wanted, 'fingerprint'))
            ->select(['findings.*', 'tenants.key as customer'])
            ->get() as $row
        ) {
            $rows[self::text($row->getAttribute('customer')) . " {$row->fingerprint}"] = $row;
        }
        $lines = [];
        foreach ($wanted as ['customer' => $customer, 'fingerprint' => $fingerprint]) {
            $row = $rows["{$customer} {$fingerprint}"] ?? null;
            if ($row !== null) {
                $lines[$customer][] = new ReportLine(
                    $row->rule,
                    Severity::from($row->severity),
                    $row->title,
                    $row->detail,
                    $row->objects === [] ? [$row->object] : $row->objects,
                    $row->path,
                    $row->count,
                    $row->fingerprint,
                );
            }
        }

        return array_map(
            static fn (string $customer, array $of): Audited => new Audited($customer, $of),
            array_map(strval(...), array_keys($lines)),
            array_values($lines),
        );
    }

    private static function text(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }

    private static function json(mixed $value): string
    {
        return json_encode(
            $value,
            JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
        )
            . "\n";
    }
}
