<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Switching\Bindings;
use App\Switching\Bound;
use App\Switching\Practice\Translation;
use App\Switching\SwitchConnector;
use App\Switching\Switches;
use App\Switching\SwitchTrouble;
use App\Switching\Table\Fields\FieldCodec;
use Illuminate\Support\Facades\Http;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Fields\Field;
use Jaunty\Core\Book\Fields\Fields;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Tenant;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Provisioning\Planner;
use Jaunty\Core\Provisioning\StepKind;
use PHPUnit\Framework\Attributes\DataProvider;
use Standins\PracticeSwitch\Vocabulary;
use Tests\Core\Books;
use Tests\Core\Calls\CaseFiles;

/** The connector against the practice switch, without database: what goes there comes back the same. */
final class TranslationTest extends FeatureTestCase
{
    private const SEEDS = 25;

    /** Names, seals of secrets, and settings of that platform which are not the reseller's. */
    private const THEIRS_ALONE = [
        'accounts' => ['handle', 'tier'], 'premises' => ['lift_code'], 'lines' => ['digits', 'jitter_class'],
        'persons' => ['badge'],
        'bands' => ['wall_board'], 'greeters' => ['barge'], 'timetables' => ['hue'],
        'boxes' => ['lock_code', 'keep_days'], 'sets' => ['login', 'contrast'], 'tables' => ['lock_code', 'chime'],
        'pipes' => ['codec_order'], 'ways' => ['lock_code'],
    ];

    #[DataProvider('seeds')]
    public function test_any_book_built_on_the_switch_reads_back_as_it_was(int $seed): void
    {
        $book = $this->fitted(Books::random($seed), "random-{$seed}");

        $bindings = $this->build(null, $book, Bindings::none());

        self::assertSame([], $this->differences($book, $bindings));
    }

    #[DataProvider('seeds')]
    public function test_any_edit_of_it_arrives_and_nothing_else_changes(int $seed): void
    {
        $before = $this->fitted(Books::random($seed), "random-{$seed}");
        $bindings = $this->build(null, $before, Bindings::none());
        $after = $this->fitted($this->withNewValues($before, $seed), "random-{$seed}");

        $bindings = $this->build($this->connector()->open($before, $bindings)->read()?->live, $after, $bindings);

        self::assertSame([], $this->differences($after, $bindings));
    }

    /**
     * Each field of the book either stands on the switch or is declared to stay beside it: none is forgotten, and none
     * is invented.
     */
    #[DataProvider('kinds')]
    public function test_every_field_of_a_kind_has_its_place_on_the_switch_or_none_anywhere(Kind $kind): void
    {
        $fields = array_filter(
            Fields::of($kind->class())->named(),
            static fn (Field $field, string $name): bool => ! $field instanceof Id && $name !== 'key',
            ARRAY_FILTER_USE_BOTH,
        );
        $carried = array_keys(array_filter($fields, static fn (Field $field): bool => ! $field->isBeside));

        self::assertEqualsCanonicalizing($carried, array_keys(Translation::fields($kind)));
        self::assertSame($carried === [], Translation::collection($kind) === null);
    }

    /**
     * The practice switch is a stranger with words of its own: what we send it knows, and what only it knows we leave
     * alone.
     */
    #[DataProvider('kinds')]
    public function test_the_switch_knows_every_word_it_is_told(Kind $kind): void
    {
        $collection = Translation::collection($kind);
        $told = array_merge(
            ...array_map(
                static fn (FieldCodec $codec): array => $codec->theirs(),
                array_values(Translation::fields($kind)),
            ),
            ...[[]],
        );
        $known = $collection === null ? [] : array_keys(Vocabulary::collections()[$collection]);

        self::assertSame([], array_values(array_diff($told, $known)));
        self::assertSame([], array_values(array_diff($known, $told, self::THEIRS_ALONE[$collection ?? ''] ?? [])));
        self::assertSame($told, array_values(array_unique($told)), 'one word for two fields');
    }

    /** @return iterable<string, array{Kind}> */
    public static function kinds(): iterable
    {
        foreach (Kind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= self::SEEDS; $seed++) {
            yield "book {$seed}" => [$seed];
        }
    }

    /** Books of every kind, as the worked calls have them and one of sixty users. */
    #[DataProvider('whole')]
    public function test_a_book_of_every_kind_built_on_the_switch_reads_back_as_it_was(string $json, string $key): void
    {
        $book = $this->fitted(BookFormat::fromJson($json), $key);

        $bindings = $this->build(null, $book, Bindings::none());

        self::assertSame([], $this->differences($book, $bindings));
        self::assertTrue(Planner::plan($this->connector()->open($book, $bindings)->read()?->live, $book)->isEmpty());
    }

    /** @return iterable<string, array{string, string}> */
    public static function whole(): iterable
    {
        $seen = [];
        foreach (CaseFiles::all() as $name => [$json]) {
            $seen[$json] ??= count($seen);
            if ($seen[$json] % 4 === 0) {
                yield $name => [$json, "whole-{$seen[$json]}"];
                $seen[$json]++;
            }
        }
        yield 'sixty users' => [(string) file_get_contents(dirname(__DIR__) . '/data/bench-book.json'), 'whole-bench'];
        yield 'every field' => [
            (string) file_get_contents(dirname(__DIR__) . '/data/every-field.json'),
            'whole-fields',
        ];
    }

    /** A record of which nobody said anything is an object of which nobody said anything. */
    #[DataProvider('carried')]
    public function test_the_switch_s_defaults_are_no_drift(Kind $kind): void
    {
        $account = '/v1/accounts/' . $this->wire->byHand(
            'POST',
            '/v1/accounts',
            ['handle' => 'bare', 'title' => 'bare', 'clock' => 'America/Halifax'],
        )['id'];
        $fields = match ($kind) {
            Kind::Tenant => ['key' => 'bare', 'zone' => 'America/Halifax'],
            Kind::Number => ['key' => '+19025550150', 'label' => ''],
            Kind::Route => ['key' => 'bare', 'name' => '', 'digits' => 'x.'],
            Kind::User => ['key' => 'bare', 'extension' => '201'],
            default => ['key' => 'bare', 'name' => 'bare'],
        };
        $object = $kind->read(Node::of($fields));
        $book = Book::of(
            Tenant::read(Node::of(['key' => 'bare', 'zone' => 'America/Halifax'])),
            $kind === Kind::Tenant ? [] : [$object],
        );
        if ($kind !== Kind::Tenant) {
            $this->wire->byHand('POST', "{$account}/" . Translation::collection($kind), match ($kind) {
                Kind::Number => ['digits' => '19025550150'],
                Kind::User => ['short' => '201'],
                Kind::Route => [],
                default => ['caption' => 'bare'],
            });
        }

        $reading = $this->connector()->open($book, Bindings::none())->read();

        self::assertNotNull($reading);
        self::assertSame([], Diff::between($book, $reading->live)->toArray());
    }

    /** @return iterable<string, array{Kind}> */
    public static function carried(): iterable
    {
        foreach ([Kind::Tenant, ...Translation::carried()] as $kind) {
            yield $kind->value => [$kind];
        }
    }

    public function test_what_the_switch_has_no_place_for_never_differs(): void
    {
        $book = Books::small()->with(
            Books::object(Kind::Contact, ['key' => 'harbour-master', 'name' => 'Harbour master']),
        );
        $bindings = $this->build(null, $this->connector()->capabilities()->of($book), Bindings::none());
        $live = $this->connector()->open($book, $bindings)->read()->live ?? self::fail('nothing was built');
        $later = $book
            ->with(Tenant::read(Node::of(['state' => 'in-service', 'name' => 'Renamed'] + $book->tenant->toArray())))
            ->without(Reference::parse('contact:harbour-master'));

        self::assertSame([], Diff::between($book, $live)->toArray());
        self::assertSame(
            ['name'],
            array_column(
                Diff::between($later, $this->connector()->capabilities()->beside($live, $later))->toArray(),
                'path',
            ),
        );
    }

    public function test_records_made_by_hand_pair_by_number_extension_and_owner(): void
    {
        $account = '/v1/accounts/' . $this->wire->byHand(
            'POST',
            '/v1/accounts',
            ['handle' => 'inlet', 'title' => 'Inlet Property Care', 'clock' => 'America/Halifax'],
        )['id'];
        $person = $this->wire->byHand('POST', "{$account}/persons", ['given' => 'I.', 'short' => '201'])['id'];
        $this->wire->byHand('POST', "{$account}/boxes", ['caption' => 'Somebody', 'person' => $person]);
        $this->wire->byHand('POST', "{$account}/lines", ['digits' => '19025550150', 'caption' => 'Front']);
        $this->wire->byHand('POST', "{$account}/premises", ['caption' => 'Office']);

        $reading = $this->connector()->open(Books::small(), Bindings::none())->read();

        self::assertNotNull($reading);
        self::assertEqualsCanonicalizing(
            ['tenant:inlet', 'user:ines', 'mailbox:ines', 'number:+19025550150', 'site:office'],
            array_keys($reading->bindings->all()),
        );
    }

    public function test_two_that_could_be_meant_pair_with_neither(): void
    {
        $account = '/v1/accounts/' . $this->wire->byHand(
            'POST',
            '/v1/accounts',
            ['handle' => 'inlet', 'title' => 'Inlet', 'clock' => 'America/Halifax'],
        )['id'];
        $this->wire->byHand('POST', "{$account}/premises", ['caption' => 'Office']);
        $book = Books::small()->with(Books::object(Kind::Site, ['key' => 'annexe', 'name' => 'Office']));

        $reading = $this->connector()->open($book, Bindings::none())->read();

        self::assertNotNull($reading);
        self::assertNull($reading->bindings->of(Reference::parse('site:office')));
        self::assertNull($reading->bindings->of(Reference::parse('site:annexe')));
    }

    public function test_a_customer_the_switch_does_not_know_reads_as_nothing(): void
    {
        self::assertNull($this->connector()->open(Books::small(), Bindings::none())->read());
    }

    public function test_an_account_made_anew_by_hand_is_found_again_by_its_handle(): void
    {
        $this->wire->byHand(
            'POST',
            '/v1/accounts',
            ['handle' => 'inlet', 'title' => 'Inlet', 'clock' => 'America/Halifax'],
        );
        $lost = Bindings::none()->with(Reference::parse('tenant:inlet'), new Bound('a-gone', '7'));

        self::assertNotNull($this->connector()->open(Books::small(), $lost)->read());
    }

    /** @param array<string, string> $headers */
    #[DataProvider('answers')]
    public function test_trouble_is_told_apart_by_whether_trying_again_can_help(
        int $status,
        array $headers,
        bool $temporary,
        ?int $wait,
    ): void {
        $this->wire->interfere = static fn () => Http::response(['fault' => 'no'], $status, $headers);
        try {
            $this->connector()->open(Books::small(), Bindings::none())->read();
            self::fail('this was to fail');
        } catch (SwitchTrouble $trouble) {
            self::assertSame($temporary, $trouble->temporary);
            if ($wait !== null) {
                self::assertSame($wait, $trouble->waitSeconds);
            }
        }
    }

    /** @return iterable<string, array{int, array<string, string>, bool, ?int}> */
    public static function answers(): iterable
    {
        yield 'a fault of the switch' => [500, [], true, null];
        yield 'asked too often, with the time to wait' => [429, ['Retry-After' => '3'], true, 3];
        yield 'a token it does not take' => [401, [], false, null];
        yield 'a refusal' => [422, [], false, null];
    }

    private function connector(): SwitchConnector
    {
        return $this->app->make(Switches::class)->standard();
    }

    /** The book as the draft desk would have it: whole rings, a key and numbers of its own. */
    private function fitted(Book $book, string $key): Book
    {
        $tenant = Tenant::read(Node::of(['key' => $key] + $book->tenant->toArray()));

        return $this->connector()->capabilities()->granularity()->fit(Book::of($tenant, $book->objects()));
    }

    private function withNewValues(Book $book, int $seed): Book
    {
        foreach ($book->objects() as $object) {
            $name = "renamed {$seed} {$object->key()}";
            $book = $book->with($object->kind()->read(Node::of(match ($object->kind()) {
                Kind::User => [
                    'name' => ['first' => 'New', 'last' => $object->key()], 'email' => "{$object->key()}@inlet.example",
                    'mailbox' => null, 'callWaiting' => false,
                ],
                Kind::Number => ['label' => $name, 'destination' => null],
                Kind::Mailbox => ['name' => $name, 'notify' => ['a@inlet.example', 'b@inlet.example'], 'zero' => null],
                default => ['name' => $name],
            } + $object->toArray())));
        }

        return $book;
    }

    private function build(?Book $live, Book $book, Bindings $bindings): Bindings
    {
        foreach (
            Planner::plan(
                $live,
                $live === null ? $this->connector()->capabilities()->of($book) : $book,
            )->steps as $position => $step
        ) {
            $key = $book->tenant->key . ($live === null ? '-new-' : '-edit-') . $position;
            $session = $this->connector()->open($book, $bindings, 'test');
            $bound = match ($step->kind) {
                StepKind::Create => $session->create($step->object, $step->fields, $key),
                StepKind::Update,
                StepKind::Link => $session->update($step->object, $step->fields, $step->expected, $key),
                StepKind::Delete => self::fail('nothing was to be removed'),
            };
            $bindings = $bindings->with($step->object, $bound);
        }

        return $bindings;
    }

    /** @return list<array<string, mixed>> */
    private function differences(Book $book, Bindings $bindings): array
    {
        $reading = $this->connector()->open($book, $bindings)->read();
        self::assertNotNull($reading);

        return Diff::between($book, $reading->live)->toArray();
    }
}
