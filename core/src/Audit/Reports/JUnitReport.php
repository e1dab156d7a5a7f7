<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Reports;

use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;

/** Findings as the XML that test runners write and pipelines read: a suite for each book, a case for each rule. */
final class JUnitReport
{
    /**
     * @param  list<Rule>  $rules  that were run
     * @param  list<Audited>  $audited
     * @param  Severity  $least  what is lighter passes, and is told in the case's output
     */
    public static function of(array $rules, array $audited, Severity $least): string
    {
        $xml = new \DOMDocument('1.0', 'UTF-8');
        $xml->formatOutput = true;
        $suites = $xml->appendChild($xml->createElement('testsuites'));
        foreach ($audited as $each) {
            $suite = $xml->createElement('testsuite');
            $suites->appendChild($suite);
            $failed = 0;
            foreach ($rules as $rule) {
                $about = $rule->about();
                $found = array_filter($each->lines, static fn (ReportLine $line): bool => $line->rule === $about->id);
                $case = $xml->createElement('testcase');
                $case->setAttribute('classname', $about->area());
                $case->setAttribute('name', $about->id);
                $case->setAttribute('time', '0');
                $suite->appendChild($case);
                $said = implode(
                    "\n",
                    array_map(static fn (ReportLine $line): string => "{$line->title}. {$line->detail}", $found),
                );
                if ($found !== [] && $about->severity->weight() >= $least->weight()) {
                    $failed++;
                    $failure = $xml->createElement('failure');
                    $failure->setAttribute('type', $about->severity->value);
                    $failure->setAttribute('message', $about->what());
                    $failure->appendChild($xml->createTextNode($said));
                    $case->appendChild($failure);
                } elseif ($found !== []) {
                    $case->appendChild($xml->createElement('system-out'))->appendChild($xml->createTextNode($said));
                }
            }
            foreach (
                [
                    'name' => $each->name, 'tests' => (string) count($rules), 'failures' => (string) $failed,
                    'errors' => '0', 'skipped' => '0', 'time' => '0',
                ] as $name => $value
            ) {
                $suite->setAttribute($name, $value);
            }
        }

        return (string) $xml->saveXML();
    }
}
