<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Reports;

use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;

/** Findings as SARIF, the OASIS Static Analysis Results Interchange Format, version 2.1.0. */
final class SarifReport
{
    private const SCHEMA = 'https://docs.oasis-open.org/sarif/sarif/v2.1.0/errata01/os/schemas/sarif-schema-2.1.0.json';

    /**
     * @param  list<Rule>  $rules  that were run
     * @param  list<Audited>  $audited
     * @return array<string, mixed>
     */
    public static function of(array $rules, array $audited): array
    {
        $places = array_flip(array_map(static fn (Rule $rule): string => $rule->about()->id, $rules));
        $results = [];
        foreach ($audited as $each) {
            foreach ($each->lines as $line) {
                $results[] = self::result($line, $each->name, $places[$line->rule] ?? -1);
            }
        }

        return [
            '$schema' => self::SCHEMA,
            'version' => '2.1.0',
            'runs' => [[
                'tool' => ['driver' => ['name' => 'Jaunty Roster', 'rules' => array_map(self::rule(...), $rules)]],
                'results' => $results,
            ]],
        ];
    }

    /** @return array<string, mixed> a reportingDescriptor, section 3.49 */
    private static function rule(Rule $rule): array
    {
        $about = $rule->about();

        return [
            'id' => $about->id,
            'shortDescription' => ['text' => $about->what()],
            'fullDescription' => ['text' => $about->why()],
            'help' => ['text' => "{$about->remedy()} Rests on {$about->source}."],
            'defaultConfiguration' => ['level' => self::level($about->severity)],
        ];
    }

    /** @return array<string, mixed> a result, section 3.27 */
    private static function result(ReportLine $line, string $file, int $place): array
    {
        $locations = [];
        foreach ($line->objects as $index => $object) {
            $locations[] = [
                'fullyQualifiedName' => $object . ($index === 0 && $line->path !== null ? " {$line->path}" : ''),
                'kind' => 'object',
            ];
        }

        return [
            'ruleId' => $line->rule,
            'ruleIndex' => $place,
            'level' => self::level($line->severity),
            'message' => ['text' => "{$line->title}. {$line->detail}"],
            'locations' => [[
                'physicalLocation' => ['artifactLocation' => ['uri' => self::uri($file)]],
                'logicalLocations' => $locations,
            ]],
            'partialFingerprints' => ['finding/v1' => $line->fingerprint],
            'occurrenceCount' => $line->count,
        ];
    }

    /** SARIF knows no more than three levels; a blocker is its heaviest. */
    private static function level(Severity $severity): string
    {
        return match ($severity) {
            Severity::Blocker, Severity::Error => 'error',
            Severity::Warning => 'warning',
            Severity::Note => 'note',
        };
    }

    /** RFC 3986: what is no letter of a path is escaped. */
    private static function uri(string $file): string
    {
        return implode('/', array_map(rawurlencode(...), explode('/', $file)));
    }
}
