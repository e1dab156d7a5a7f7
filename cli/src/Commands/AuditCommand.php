<?php

declare(strict_types=1);

namespace Jaunty\CommandLine\Commands;

use Jaunty\CommandLine\Arguments;
use Jaunty\CommandLine\Command;
use Jaunty\CommandLine\Dates;
use Jaunty\CommandLine\Files;
use Jaunty\CommandLine\Misuse;
use Jaunty\CommandLine\Report;
use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Mending;
use Jaunty\Core\Audit\Reports\Audited;
use Jaunty\Core\Audit\Reports\CsvReport;
use Jaunty\Core\Audit\Reports\JUnitReport;
use Jaunty\Core\Audit\Reports\ReportLine;
use Jaunty\Core\Audit\Reports\SarifReport;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\RuleBook;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Audit\Thresholds;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Hours\ZoneClock;
use Jaunty\Core\Words\Language;
use Jaunty\Core\Words\UnknownLanguage;

/** What is wrong with books, for people and for pipelines. */
final class AuditCommand implements Command
{
    public function usage(): string
    {
        return 'BOOK... [--at DATE] [--rule ID]... [--threshold NAME=VALUE]... [--fail-on '
            . 'blocker|error|warning|note] [--fix FILE] [--language TAG]';
    }

    public function about(): string
    {
        return 'what is wrong with each book, heaviest first; --fix writes the change set that mends what can be '
            . 'mended; --format=sarif, junit and csv as well; --language fr-CA says what is found in French';
    }

    public function options(): array
    {
        return ['at', 'rule', 'threshold', 'fail-on', 'fix', 'language'];
    }

    public function run(Arguments $arguments): Report
    {
        $arguments->file(0, 'a book, or several');
        $rules = self::rules($arguments->options('rule'));
        $least = Severity::tryFrom($arguments->option('fail-on') ?? Severity::Note->value)
            ?? throw new Misuse("--fail-on is blocker, error, warning or note, not {$arguments->option('fail-on')}");
        $auditor = new Auditor($rules);
        $thresholds = self::thresholds($arguments->options('threshold'));
        $in = self::language($arguments->option('language'));
        $found = [];
        foreach ($arguments->files as $file) {
            $book = Files::book($file);
            $found[$file] = $auditor->audit(
                new Inspection($book, self::instant($arguments, $book), thresholds: $thresholds),
            );
        }
        $fixed = $arguments->option('fix') === null ? '' : self::fix($arguments, $auditor, $thresholds);
        $isHeavy = static fn (Finding $finding): bool => $finding->severity()->weight() >= $least->weight();
        $audited = array_map(
            static fn (string $file, array $findings): Audited => new Audited(
                $file,
                array_map(static fn (Finding $each): ReportLine => ReportLine::of($each, $in), $findings),
            ),
            array_keys($found),
            $found,
        );

        return new Report(
            implode('', array_map(
                static fn (string $file, array $of): string => self::text($file, $of, $in),
                array_keys($found),
                $found,
            ))
            . $fixed,
            array_map(
                static fn (string $file, array $of): array => self::value($file, $of, $in),
                array_keys($found),
                $found,
            ),
            array_filter(array_merge(...array_values($found)), $isHeavy) !== [],
            [
                'csv' => static fn (): string => CsvReport::of($audited),
                'sarif' => static fn (): string => json_encode(
                    SarifReport::of($rules, $audited),
                    JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
                )
                    . "\n",
                'junit' => static fn (): string => JUnitReport::of($rules, $audited, $least),
            ],
        );
    }

    /**
     * @param  list<string>  $wanted
     * @return list<Rule>
     */
    private static function rules(array $wanted): array
    {
        $all = RuleBook::all();
        foreach ($wanted as $id) {
            if (array_filter($all, static fn (Rule $rule): bool => self::isMeant($rule, $id)) === []) {
                throw new Misuse("--rule: there is no rule {$id}; `bin/roster rules` lists them");
            }
        }

        return $wanted === []
            ? $all
            : array_values(array_filter(
                $all,
                static fn (Rule $rule): bool => array_filter(
                    $wanted,
                    static fn (string $id): bool => self::isMeant($rule, $id),
                ) !== [],
            ));
    }

    private static function language(?string $tag): Language
    {
        try {
            return $tag === null ? Language::english() : Language::of($tag);
        } catch (UnknownLanguage $unknown) {
            throw new Misuse("--language: {$unknown->getMessage()}");
        }
    }

    /** A rule by its id, or every rule of an area: `groups`. */
    private static function isMeant(Rule $rule, string $id): bool
    {
        return in_array($id, [$rule->about()->id, $rule->about()->area()], true);
    }

    /** Noon of the day asked for, or now. */
    private static function instant(Arguments $arguments, Book $book): int
    {
        $at = $arguments->option('at');

        return $at === null ? time() : ZoneClock::of($book->tenant->zone)->midnight(Dates::parse($at, 'at')) + 43_200;
    }

    /** @param list<string> $wanted */
    private static function thresholds(array $wanted): Thresholds
    {
        $set = [];
        foreach ($wanted as $each) {
            [$name, $value] = explode('=', $each, 2) + [1 => ''];
            $threshold = Threshold::tryFrom($name) ?? throw new Misuse(
                "--threshold: there is no {$name}; they are "
                    . implode(', ', array_column(Threshold::cases(), 'value')),
            );
            [$least, $most] = $threshold->range();
            if (preg_match('/^-?\d{1,6}$/D', $value) !== 1 || (int) $value < $least || (int) $value > $most) {
                throw new Misuse("--threshold {$name}: {$least} to {$most} {$threshold->unit()}, not {$value}");
            }
            $set[$name] = (int) $value;
        }

        return new Thresholds($set);
    }

    private static function fix(Arguments $arguments, Auditor $auditor, Thresholds $thresholds): string
    {
        if (count($arguments->files) !== 1) {
            throw new Misuse('--fix mends one book at a time');
        }
        $book = Files::book($arguments->files[0]);
        $mended = Mending::of(
            $auditor->standing(new Inspection($book, self::instant($arguments, $book), thresholds: $thresholds)),
        );
        $file = (string) $arguments->option('fix');
        if (
            @file_put_contents(
                $file,
                json_encode(
                    $mended->changes->toArray(),
                    JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
                )
                    . "\n",
            ) === false
        ) {
            throw new Misuse("{$file}: cannot be written");
        }

        return count($mended->labels)
            . ' mended by '
            . count($mended->changes->operations)
            . " changes, written to {$file}\n";
    }

    /** @param list<Finding> $findings */
    private static function text(string $file, array $findings, Language $in): string
    {
        $text = "{$file}: " . ($findings === [] ? "nothing found\n" : count($findings) . (
            count($findings) === 1 ? " finding\n" : " findings\n"
        ));
        foreach ($findings as $finding) {
            $text .= sprintf(
                "  %-8s %s\n           %s\n           %s%s\n",
                $finding->severity()->value,
                $finding->title($in),
                $finding->detail($in),
                $finding->about->id,
                $finding->fix === null ? '' : "; can be mended: {$finding->fix->label}",
            );
        }

        return $text;
    }

    /**
     * @param  list<Finding>  $findings
     * @return array<string, mixed>
     */
    private static function value(string $file, array $findings, Language $in): array
    {
        return ['book' => $file, 'findings' => array_map(static fn (Finding $finding): array => [
            'rule' => $finding->about->id,
            'severity' => $finding->severity()->value,
            'title' => $finding->title($in),
            'detail' => $finding->detail($in),
            'objects' => array_map(
                static fn (BookObject $object): string => (string) Reference::of($object),
                $finding->objects,
            ),
            'item' => $finding->item,
            'path' => $finding->path,
            'count' => $finding->count,
            'fingerprint' => $finding->fingerprint(),
            'call' => $finding->call,
            'fix' => $finding->fix === null
                ? null
                : ['label' => $finding->fix->label, 'changes' => $finding->fix->changes->toArray()],
        ], $findings)];
    }
}
