<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\RuleBook;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Audit\Thresholds;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Fields\Fields;
use Jaunty\Core\Book\Promise;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Calls\OneCall\TraceStep;
use Jaunty\Core\Change\FieldPath;
use Jaunty\Core\Words\Language;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class RulesTest extends TestCase
{
    /** @return iterable<string, array{Rule}> */
    public static function rules(): iterable
    {
        foreach (RuleBook::all() as $rule) {
            yield $rule->about()->id => [$rule];
        }
    }

    #[DataProvider('rules')]
    public function test_finds_it_in_the_bad_sample_only(Rule $rule): void
    {
        $samples = RuleCase::of($rule);

        self::assertSame([], self::titles(self::found($rule, $samples->good())));
        $found = self::found($rule, $samples->bad());
        self::assertNotSame([], $found);
        foreach ($found as $finding) {
            self::assertSame($rule->about()->id, $finding->about->id);
            self::assertDoesNotMatchRegularExpression(
                '/\b(user|group|menu|number|mailbox|schedule|attendant|outside):\S|[.]$/',
                $finding->title(),
            );
            self::assertMatchesRegularExpression('/^[\p{Lu}0-9+"].*[.]$/u', $finding->detail());
        }
    }

    /**
     * To the letter: what it is about, what it says, where one looks, what it counts, which call shows it and what
     * mends it.
     */
    #[DataProvider('rules')]
    public function test_it_finds_what_its_page_says(Rule $rule): void
    {
        $case = RuleCase::of($rule);

        self::assertSame(
            $case->finds,
            array_map(RuleCase::written(...), self::found($rule, $case->bad())),
            RuleCase::file($rule),
        );
    }

    /** @return iterable<string, array{Rule, Inspection, list<mixed>}> what lies at the edges of what a rule counts */
    public static function cases(): iterable
    {
        foreach (RuleBook::all() as $rule) {
            foreach (RuleCase::of($rule)->cases as $name => [$inspection, $finds]) {
                yield "{$rule->about()->id}: {$name}" => [$rule, $inspection, $finds];
            }
        }
    }

    /** @param list<mixed> $finds */
    #[DataProvider('cases')]
    public function test_it_finds_in_a_case_what_its_page_says(Rule $rule, Inspection $inspection, array $finds): void
    {
        self::assertSame($finds, array_map(RuleCase::written(...), self::found($rule, $inspection)), RuleCase::file(
            $rule,
        ));
    }

    /**
     * Where its class lies and what it is called is its id; the area's own word may stand in the class and not in the
     * id.
     */
    #[DataProvider('rules')]
    public function test_an_id_follows_from_area_and_class(Rule $rule): void
    {
        $class = explode('\\', $rule::class);
        [$area, $name] = array_slice($class, -2);
        $noun = rtrim($area, 's');
        $kebab = static fn (string $words): string => strtolower(
            (string) preg_replace('/(?<=[a-z])(?=[A-Z0-9])|(?<=[0-9])(?=[A-Z])|(?<=[A-Z])(?=[A-Z][a-z])/', '-', $words),
        );
        $may = array_map(static fn (string $each): string => strtolower($area) . '.' . $kebab($each), [
            $name,
            (string) preg_replace("/^{$noun}(?=[A-Z])/", '', $name),
            (string) preg_replace("/(?<=[a-z]){$noun}$/", '', $name),
        ]);

        self::assertContains($rule->about()->id, $may);
    }

    /** @return iterable<string, array{Rule, Finding}> each finding of a bad sample that points at a field */
    public static function pointing(): iterable
    {
        yield from self::withA(static fn (Finding $finding): bool => $finding->path !== null);
    }

    /**
     * The field to look at first is one that the object has: a waiver lapses when it changes, and the screen opens it.
     */
    #[DataProvider('pointing')]
    public function test_it_points_at_a_field_that_its_object_has(Rule $rule, Finding $finding): void
    {
        self::assertNotNull(
            Fields::of($finding->objects[0]::class)->at((string) $finding->path),
            "{$rule->about()->id}: {$finding->path} is no field",
        );
        $fields = $finding->objects[0]->toArray();
        $steps = explode('/', (string) $finding->path);

        self::assertArrayHasKey($steps[0], $fields);
        array_pop($steps);
        self::assertTrue(
            $steps === [] || is_array(FieldPath::get($fields, implode('/', $steps))),
            "{$rule->about()->id}: {$finding->path} leads nowhere",
        );
    }

    /** @return iterable<string, array{Rule, Finding}> each finding of a bad sample that brings a fix */
    public static function fixes(): iterable
    {
        yield from self::withA(static fn (Finding $finding): bool => $finding->fix !== null);
    }

    /** Whoever presses the button must not be worse off: the finding goes, and nothing as heavy comes. */
    #[DataProvider('fixes')]
    public function test_a_fix_takes_the_finding_away_and_brings_nothing_heavier(Rule $rule, Finding $finding): void
    {
        $bad = RuleCase::of($rule)->bad;
        $fix = $finding->fix;
        self::assertNotNull($fix);
        $auditor = Auditor::whole();
        $before = self::fingerprints($auditor->audit(new Inspection($bad, Samples::NOW)));
        $after = $auditor->audit(new Inspection($fix->applyTo($bad), Samples::NOW));

        self::assertNotContains($finding->fingerprint(), self::fingerprints($after));
        foreach ($after as $left) {
            self::assertTrue(
                in_array($left->fingerprint(), $before, true)
                    || $left->severity()->weight() < $finding->severity()->weight(),
                "{$fix->label} brings: {$left->title()}",
            );
        }
    }

    /** @return iterable<string, array{Rule, Finding}> each finding of a bad sample that brings a call */
    public static function calls(): iterable
    {
        yield from self::withA(static fn (Finding $finding): bool => $finding->call !== null);
    }

    /**
     * The call a finding shows goes through what it is about; where it is about drift, it goes otherwise on the switch.
     */
    #[DataProvider('calls')]
    public function test_the_call_it_shows_is_about_it(Rule $rule, Finding $finding): void
    {
        $samples = RuleCase::of($rule);
        $trace = Trace::of($samples->bad, Script::read($finding->call, $samples->bad));
        $live = $samples->live();
        if ($live !== null) {
            self::assertNotEquals($trace, Trace::of($live, Script::read($finding->call, $live)));

            return;
        }
        $met = [$trace->target, ...array_map(static fn (TraceStep $step): string => $step->object, $trace->steps)];
        if ($finding->objects[0] instanceof Promise) {
            // A promise holds no calls: the one that shows it broken is its own.
            self::assertSame($finding->objects[0]->call, $finding->call);

            return;
        }
        $about = array_map(
            static fn (BookObject $object): string => (string) Reference::of($object),
            $finding->objects,
        );
        self::assertNotSame([], array_intersect($about, $met), implode(' ', $met));
    }

    /**
     * @param  callable(Finding): bool  $has
     * @return iterable<string, array{Rule, Finding}>
     */
    private static function withA(callable $has): iterable
    {
        foreach (RuleBook::all() as $rule) {
            $samples = RuleCase::of($rule);
            foreach (array_filter(self::found($rule, $samples->bad()), $has) as $place => $finding) {
                yield "{$rule->about()->id} {$place}" => [$rule, $finding];
            }
        }
    }

    #[DataProvider('rules')]
    public function test_it_is_said_in_every_language(Rule $rule): void
    {
        foreach (self::found($rule, RuleCase::of($rule)->bad()) as $finding) {
            foreach (array_diff(array_keys(Language::all()), [Language::ENGLISH]) as $tag) {
                $said = [$finding->title(Language::of($tag)), $finding->detail(Language::of($tag))];

                self::assertNotContains('', $said);
                self::assertDoesNotMatchRegularExpression('/[{}]/', implode(' ', $said), $finding->about->id);
                self::assertNotSame([$finding->title(), $finding->detail()], $said);
            }
        }
    }

    /** A waiver hangs on it: new names and another order of the book must not bring a waived finding back. */
    #[DataProvider('rules')]
    public function test_a_fingerprint_survives_renaming_and_reordering(Rule $rule): void
    {
        $samples = RuleCase::of($rule);
        $value = BookFormat::toValue($samples->bad);
        foreach ($value as $field => $objects) {
            if (is_array($objects) && array_is_list($objects) && $field !== 'numbers') {
                $value[$field] = array_reverse(array_map(self::renamed(...), $objects));
            }
        }
        $one = self::fingerprints(self::found($rule, $samples->bad()));
        $other = self::fingerprints(self::found($rule, $samples->like(BookFormat::fromValue($value))));
        sort($one);
        sort($other);

        self::assertSame($one, $other);
    }

    public function test_every_rule_has_an_id_of_its_own_and_says_what_it_rests_on(): void
    {
        $abouts = array_map(static fn (Rule $rule): About => $rule->about(), RuleBook::all());

        self::assertSame([], array_diff_assoc(array_column($abouts, 'id'), array_unique(array_column($abouts, 'id'))));
        foreach ($abouts as $about) {
            self::assertMatchesRegularExpression('/^[a-z]+\.[a-z0-9]+(-[a-z0-9]+)*$/', $about->id);
            foreach ([$about->what(), $about->why(), $about->remedy()] as $said) {
                self::assertMatchesRegularExpression('/^\p{Lu}.*\.$/u', $said, $about->id);
            }
            self::assertNotSame('', $about->source);
        }
    }

    public function test_every_rule_class_is_in_the_rule_book(): void
    {
        $written = [];
        foreach ((array) glob(dirname(__DIR__, 3) . '/core/src/Audit/Rules/*/*.php') as $file) {
            if (str_contains((string) file_get_contents((string) $file), 'implements Rule')) {
                $written[] = basename((string) $file, '.php');
            }
        }
        $listed = array_map(
            static fn (Rule $rule): string => substr((string) strrchr($rule::class, '\\'), 1),
            RuleBook::all(),
        );
        sort($written);
        sort($listed);

        self::assertSame($written, $listed);
    }

    /** That a call ends nowhere is said once: by the rule that knows why, where there is one. */
    public function test_what_another_finding_explains_is_not_said_again(): void
    {
        $ids = array_map(static fn (Rule $rule): string => $rule->about()->id, RuleBook::all());
        $found = static fn (Book $book): array => array_map(
            static fn (Finding $finding): string => $finding->about->id,
            Auditor::whole()->audit(new Inspection($book, Samples::NOW)),
        );
        foreach (RuleBook::all() as $rule) {
            self::assertSame([], array_diff($rule->about()->explains, $ids), $rule->about()->id);
            if ($rule->about()->explains !== []) {
                self::assertContains($rule->about()->id, $found(RuleCase::of($rule)->bad));
                self::assertSame(
                    [],
                    array_intersect($found(RuleCase::of($rule)->bad), $rule->about()->explains),
                    $rule->about()->id,
                );
            }
        }
        self::assertContains(
            'flow.dead-end',
            $found(RuleCase::of(new \Jaunty\Core\Audit\Rules\Flow\DeadEnd())->bad),
            'where nobody explains it',
        );
    }

    /**
     * What a rule counts as too much can be set, and it says so: whatever it does not name may be set to anything, and
     * it finds the same.
     */
    #[DataProvider('rules')]
    public function test_a_rule_minds_no_threshold_that_it_does_not_name(Rule $rule): void
    {
        $case = RuleCase::of($rule);
        $others = array_filter(
            Threshold::cases(),
            static fn (Threshold $threshold): bool => ! in_array($threshold, $rule->about()->thresholds, true),
        );
        foreach ([0, 1] as $end) {
            $set = array_combine(
                array_column($others, 'value'),
                array_map(static fn (Threshold $threshold): int => $threshold->range()[$end], $others),
            );

            self::assertSame($case->finds, array_map(RuleCase::written(...), self::found($rule, $case->bad(
                (new Thresholds())->with($set),
            ))));
        }
    }

    /** A threshold set so that nothing can pass it silences the rules that ask for it, in either direction. */
    public function test_every_threshold_is_asked_for_and_what_is_set_counts(): void
    {
        foreach (Threshold::cases() as $threshold) {
            $rules = array_filter(
                RuleBook::all(),
                static fn (Rule $rule): bool => in_array($threshold, $rule->about()->thresholds, true),
            );
            self::assertNotSame([], $rules, $threshold->value);
            [$least, $most] = $threshold->range();
            self::assertTrue($least <= $threshold->standard() && $threshold->standard() <= $most);
            foreach ($rules as $rule) {
                $found = static fn (int $set): array => self::titles((new Auditor([$rule]))->audit(new Inspection(
                    RuleCase::of($rule)->bad,
                    Samples::NOW,
                    surroundings: RuleCase::of($rule)->bad()->surroundings,
                    thresholds: (new Thresholds())->with([$threshold->value => $set]),
                )));
                self::assertNotSame(
                    $found($least),
                    $found($most),
                    "{$rule->about()->id} does not mind {$threshold->value}",
                );
            }
        }
    }

    public function test_a_rule_of_one_country_is_silent_elsewhere(): void
    {
        $about = new About('trial.only-there', \Jaunty\Core\Audit\Severity::Note, countries: ['US']);

        self::assertTrue($about->holdsIn('US'));
        self::assertFalse($about->holdsIn('CA'));
        self::assertFalse($about->holdsIn(null));
    }

    private static function renamed(mixed $object): mixed
    {
        return is_array($object) && isset($object['name']) && is_string($object['name'])
            ? ['name' => "New {$object['name']}"] + $object
            : $object;
    }

    /** @return list<Finding> */
    private static function found(Rule $rule, Inspection $inspection): array
    {
        return (new Auditor([$rule]))->audit($inspection);
    }

    /**
     * @param  list<Finding>  $findings
     * @return list<string>
     */
    private static function fingerprints(array $findings): array
    {
        return array_map(static fn (Finding $finding): string => $finding->fingerprint(), $findings);
    }

    /**
     * @param  list<Finding>  $findings
     * @return list<string>
     */
    private static function titles(array $findings): array
    {
        return array_map(static fn (Finding $finding): string => $finding->title(), $findings);
    }
}
