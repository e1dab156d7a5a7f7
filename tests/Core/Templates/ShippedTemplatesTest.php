<?php

declare(strict_types=1);

namespace Tests\Core\Templates;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Calls\Year\WeekStrip;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Templates\Answers;
use Jaunty\Core\Templates\Circumstances;
use Jaunty\Core\Templates\Expansion;
use Jaunty\Core\Templates\Sample;
use Jaunty\Core\Templates\Slot;
use Jaunty\Core\Templates\Template;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The shipped templates with the answers their questions give as examples: what callers get of what is made. */
final class ShippedTemplatesTest extends TestCase
{
    private const TENANT = '7f2a1f4e-0a43-4be0-9c3b-3f5a2d3c1b00';

    private const TUESDAY = '2026-12-01T10:00';

    private const SATURDAY_NIGHT = '2026-12-05T20:00';

    private const CHRISTMAS = '2026-12-25T11:00';

    public function test_each_can_be_seen_before_anything_is_answered(): void
    {
        $files = (array) glob(__DIR__ . '/../../../templates/*.json');
        self::assertNotSame([], $files);
        foreach ($files as $file) {
            $template = Template::fromJson((string) file_get_contents((string) $file));
            $book = Sample::of($template, new Circumstances(LocalDate::parse('2026-12-01')))->book;
            self::assertNotNull($book->tenant->mainNumber, $template->key);
            self::assertNotNull(WeekStrip::ofMain($book, 1_796_083_200), $template->key);
        }
    }

    /** @param array<string, mixed> $script */
    #[DataProvider('calls')]
    public function test_callers_get_what_the_template_promises(
        string $template,
        array $script,
        string $outcome,
        string $target,
    ): void {
        $book = $this->expand($template)->book;
        $trace = Trace::of($book, Script::read($script + ['to' => '+19025550150', 'from' => '+19025550199'], $book));

        self::assertSame([$outcome, $target], [$trace->outcome->value, $trace->target]);
    }

    /** @return iterable<string, array{string, array<string, mixed>, string, string}> */
    public static function calls(): iterable
    {
        $keys = static fn (string $keys): array => array_map(
            static fn (string $key): array => ['key' => $key],
            str_split($keys),
        );
        yield 'office, open: reception' => [
            'one-site-office', ['at' => self::TUESDAY, 'world' => ['user:joss-arden' => 'answers']], 'answered',
            'user:joss-arden',
        ];
        yield 'office, open, nobody: a message' => [
            'one-site-office', ['at' => self::TUESDAY], 'messageIn', 'mailbox:reception',
        ];
        yield 'office, whoever is not of reception is not rung' => [
            'one-site-office', ['at' => self::TUESDAY, 'world' => ['user:petra-lunn' => 'answers']], 'messageIn',
            'mailbox:reception',
        ];
        yield 'office, closed: a message' => [
            'one-site-office', ['at' => self::SATURDAY_NIGHT, 'world' => ['user:joss-arden' => 'answers']], 'messageIn',
            'mailbox:reception',
        ];
        yield 'office, a holiday: a message' => [
            'one-site-office', ['at' => self::CHRISTMAS, 'world' => ['user:joss-arden' => 'answers']], 'messageIn',
            'mailbox:reception',
        ];
        yield 'practice, open: a team by its key' => [
            'practice-out-of-hours',
            ['at' => self::TUESDAY, 'keys' => $keys('1'), 'world' => ['user:orla-reed' => 'answers']], 'answered',
            'user:orla-reed',
        ];
        yield 'practice, open: an extension' => [
            'practice-out-of-hours',
            ['at' => self::TUESDAY, 'keys' => $keys('202'), 'world' => ['user:brin-ash' => 'answers']], 'answered',
            'user:brin-ash',
        ];
        yield 'practice, open, silence: reception' => [
            'practice-out-of-hours', ['at' => self::TUESDAY, 'world' => ['user:brin-ash' => 'answers']], 'answered',
            'user:brin-ash',
        ];
        yield 'practice, closed: 1 reaches the second on call' => [
            'practice-out-of-hours',
            ['at' => self::SATURDAY_NIGHT, 'keys' => $keys('1'), 'world' => [
                'outside:+19025550178' => 'mailbox',
                'outside:+19025550179' => 'answers',
            ]],
            'answered', 'outside:+19025550179',
        ];
        yield 'practice, closed, nobody on call answers: a message' => [
            'practice-out-of-hours', ['at' => self::SATURDAY_NIGHT, 'keys' => $keys('1')], 'messageIn',
            'mailbox:reception',
        ];
        yield 'practice, closed, silence: a message' => [
            'practice-out-of-hours', ['at' => self::SATURDAY_NIGHT], 'messageIn', 'mailbox:reception',
        ];
        yield 'shop, open: the counter' => [
            'shop-with-queue', ['at' => self::TUESDAY, 'world' => ['user:maren-toll' => 'answers']], 'answered',
            'user:maren-toll',
        ];
        yield 'shop, all talking: a message after the longest wait' => [
            'shop-with-queue',
            [
                'at' => self::TUESDAY,
                'world' => ['user:boyd-osei' => 'onACall', 'user:maren-toll' => 'busy', 'user:wynn-abel' => 'onACall'],
            ],
            'messageIn', 'mailbox:counter',
        ];
        yield 'shop, waiting: 9 leaves a message' => [
            'shop-with-queue', ['at' => self::TUESDAY, 'keys' => [['key' => '9', 'at' => 40]]], 'messageIn',
            'mailbox:counter',
        ];
        yield 'shop, the queue is full' => [
            'shop-with-queue',
            ['at' => self::TUESDAY, 'world' => ['group:counter' => 'full', 'user:maren-toll' => 'answers']],
            'messageIn', 'mailbox:counter',
        ];
        yield 'sites, open: the site\'s own people' => [
            'several-sites-night-cover',
            ['to' => '+19025550151', 'at' => self::TUESDAY, 'world' => [
                'user:petra-lunn' => 'answers',
                'user:ines-marsh' => 'answers',
            ]],
            'answered', 'user:petra-lunn',
        ];
        yield 'sites, one open on Saturday' => [
            'several-sites-night-cover',
            ['to' => '+19025550151', 'at' => '2026-12-05T11:00', 'world' => ['user:petra-lunn' => 'answers']],
            'answered', 'user:petra-lunn',
        ];
        yield 'sites, the other closed on Saturday: who is on call' => [
            'several-sites-night-cover', ['at' => '2026-12-05T11:00', 'world' => ['outside:+19025550178' => 'answers']],
            'answered', 'outside:+19025550178',
        ];
        yield 'sites, nobody on call: a message' => [
            'several-sites-night-cover', ['at' => self::SATURDAY_NIGHT], 'messageIn', 'mailbox:night',
        ];
    }

    #[DataProvider('templates')]
    public function test_applied_twice_it_makes_the_same_objects(string $template): void
    {
        self::assertSame(BookFormat::toJson($this->expand($template)->book), BookFormat::toJson(
            $this->expand($template)->book,
        ));
    }

    #[DataProvider('templates')]
    public function test_every_object_has_an_origin_and_every_extension_one_holder(string $template): void
    {
        $expansion = $this->expand($template);
        $expansion->book->checkExtensions();

        self::assertCount(count($expansion->book->objects()), array_unique($expansion->origins));
    }

    /** At lunch on a Tuesday, and at night. */
    #[DataProvider('breaks')]
    public function test_callers_in_a_break_get_what_was_said_of_breaks(
        string $template,
        string $breaks,
        string $lunch,
        string $night,
    ): void {
        $closed = $template === 'one-site-office'
            ? ['whenClosed' => 'mobile', 'closedMobile' => '902 555 0178']
            : [];
        $book = $this->expand($template, ['breaks' => $breaks] + $closed)->book;
        $ends = static fn (string $at): string => Trace::of($book, Script::read([
            'at' => $at, 'to' => '+19025550150', 'from' => '+19025550199',
            'world' => ['outside:+19025550178' => 'answers'] + array_fill_keys(array_map(
                static fn (User $user): string => (string) Reference::of($user),
                array_filter($book->all(User::class), static fn (User $user): bool => $user->extension !== null),
            ), 'answers'),
        ], $book))->target;

        self::assertSame([$lunch, $night], [$ends('2026-12-01T12:40'), $ends('2026-12-01T20:00')]);
    }

    /** @return iterable<string, array{string, string, string, string}> */
    public static function breaks(): iterable
    {
        $mobile = 'outside:+19025550178';
        yield 'office, as while closed: the mobile' => ['one-site-office', 'closed', $mobile, $mobile];
        yield 'office, a message at lunch alone' => ['one-site-office', 'message', 'mailbox:reception', $mobile];
        yield 'office, as while open' => ['one-site-office', 'ring as while open', 'user:ines-marsh', $mobile];
        yield 'shop, as while closed' => ['shop-with-queue', 'closed', 'mailbox:counter', 'mailbox:counter'];
        yield 'shop, as while open' => ['shop-with-queue', 'open', 'user:boyd-osei', 'mailbox:counter'];
    }

    public function test_a_postcode_is_written_as_the_country_of_the_holidays_writes_it(): void
    {
        $book = $this->expand('one-site-office', ['postcode' => 'b0x1x0', 'region' => 'CA-NS'])->book;

        self::assertSame('B0X 1X0', $book->all(Site::class)[0]->address['postcode'] ?? null);
    }

    public function test_breaks_are_asked_about_only_where_there_are_some(): void
    {
        $asked = fn (string $hours): array => Answers::read(
            $this->template('shop-with-queue'),
            ['hours' => $hours],
            new Circumstances(LocalDate::parse('2026-12-01')),
        )->asked;

        self::assertContains('breaks', $asked('Mon-Fri 8-5, lunch 12-1'));
        self::assertNotContains('breaks', $asked('Mon-Fri 8-5'));
        self::assertNotContains('breaks', $asked('xx'));
    }

    #[DataProvider('templates')]
    public function test_a_row_added_in_front_changes_no_other_row_s_objects(string $template): void
    {
        $before = $this->ids($this->expand($template)->book);
        [$heads, $rows] = explode("\n", $this->examples($template)['users'] ?? '', 2);
        $more = $this->ids($this->expand($template, ['users' => "{$heads}\nAda Wren\t251\n{$rows}"])->book);

        self::assertSame($before, array_intersect_key($more, $before));
        self::assertArrayHasKey('user:ada-wren', $more);
    }

    /** @return iterable<string, array{string}> */
    public static function templates(): iterable
    {
        foreach (
            ['one-site-office', 'practice-out-of-hours', 'shop-with-queue', 'several-sites-night-cover'] as $template
        ) {
            yield $template => [$template];
        }
    }

    /** @return array<string, string> ids by reference */
    private function ids(Book $book): array
    {
        $ids = [];
        foreach ($book->objects() as $object) {
            $ids["{$object->kind()->value}:{$object->key()}"] = (string) $object->id();
        }

        return $ids;
    }

    /** @param array<string, string> $answers */
    private function expand(string $template, array $answers = []): Expansion
    {
        $read = $this->template($template);

        return Expansion::of(
            $read,
            Answers::check($read, $answers + $this->examples($template), new Circumstances(
                LocalDate::parse('2026-12-01'),
            )),
            self::TENANT,
            'taking-on',
        );
    }

    /** @return array<string, string> */
    private function examples(string $template): array
    {
        return array_filter(
            array_column(
                array_map(
                    static fn (Slot $slot): array => [$slot->key, $slot->example],
                    $this->template($template)->slots,
                ),
                1,
                0,
            ),
            is_string(...),
        );
    }

    private function template(string $key): Template
    {
        return Template::fromJson((string) file_get_contents(__DIR__ . "/../../../templates/{$key}.json"));
    }
}
