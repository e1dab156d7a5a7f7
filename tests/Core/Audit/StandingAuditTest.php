<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\RuleBook;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Calls\CaseFiles;
use Tests\Core\EditedFiles;

/** What is kept over an edit must not be told from an audit from nothing, whatever is edited. */
final class StandingAuditTest extends TestCase
{
    #[DataProvider('files')]
    public function test_the_audit_after_edits_is_as_if_made_from_nothing(string $json, int $seed, int $edits): void
    {
        $standing = Auditor::whole()->standing(new Inspection(BookFormat::fromJson($json), Samples::NOW));
        foreach (EditedFiles::from($json, $seed, $edits) as $what => $book) {
            $standing = $standing->changedTo($book);

            self::assertSame(self::said(self::anew($book)), self::said($standing->findings), $what);
        }
    }

    /** @return iterable<string, array{string, int, int}> */
    public static function files(): iterable
    {
        foreach (['bench-book', 'every-field'] as $name) {
            yield $name => [(string) file_get_contents(dirname(__DIR__, 2) . "/data/{$name}.json"), 1, 40];
        }
        foreach (CaseFiles::all() as $name => [$json]) {
            if (crc32($name) % 6 === 1) {
                yield $name => [$json, crc32($name), 3];
            }
        }
    }

    /** @return iterable<string, array{Rule}> */
    public static function rules(): iterable
    {
        foreach (RuleBook::all() as $rule) {
            yield $rule->about()->id => [$rule];
        }
    }

    /** Each rule sees the very edit it is about, to and fro, and any other in its sample. */
    #[DataProvider('rules')]
    public function test_a_rule_sees_every_edit_of_its_sample(Rule $rule): void
    {
        $samples = RuleCase::of($rule);
        $standing = Auditor::whole()->standing(new Inspection($samples->good, Samples::NOW));
        $edited = EditedFiles::from(BookFormat::toJson($samples->bad), crc32($rule->about()->id), 3);
        foreach ([$samples->bad, $samples->good, $samples->bad, ...iterator_to_array($edited, false)] as $book) {
            $standing = $standing->changedTo($book);

            self::assertSame(self::said(self::anew($book)), self::said($standing->findings));
        }
    }

    public function test_only_rules_that_read_what_was_edited_run_again(): void
    {
        $value = BookFormat::toValue(
            BookFormat::fromJson((string) file_get_contents(dirname(__DIR__, 2) . '/data/bench-book.json')),
        );
        // All but the one that tells of failures, which reads no book.
        $rules = count(RuleBook::all()) - 1;
        $standing = Auditor::whole()->standing(new Inspection(BookFormat::fromValue($value), Samples::NOW));
        self::assertSame($rules, $standing->rulesRun);

        self::assertSame($standing, $standing->changedTo(BookFormat::fromValue($value)), 'nothing was edited');
        $mailbox = $standing->changedTo(
            BookFormat::fromValue(array_replace_recursive($value, ['mailboxes' => [['name' => 'Of another name']]])),
        );
        self::assertGreaterThan(0, $mailbox->rulesRun);
        self::assertLessThan($rules / 3, $mailbox->rulesRun);
        self::assertSame(
            $rules,
            $standing->changedTo(
                BookFormat::fromValue(array_replace_recursive($value, ['tenant' => ['region' => 'US']])),
            )->rulesRun,
        );
    }

    /** @return list<Finding> */
    private static function anew(Book $book): array
    {
        return Auditor::of($book, Samples::NOW);
    }

    /**
     * @param  list<Finding>  $findings
     * @return list<string>
     */
    private static function said(array $findings): array
    {
        return array_map(
            static fn (Finding $finding): string => json_encode(
                [
                    $finding->fingerprint(), $finding->state(), $finding->title(), $finding->detail(), $finding->path,
                    $finding->count, $finding->call, $finding->fix?->label, $finding->fix?->changes->toArray(),
                ],
                JSON_THROW_ON_ERROR,
            ),
            $findings,
        );
    }
}
