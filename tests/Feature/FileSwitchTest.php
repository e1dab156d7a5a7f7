<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Switching\Bindings;
use App\Switching\SwitchConnector;
use App\Switching\Switches;
use Illuminate\Support\Facades\File;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Tenant;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Provisioning\Planner;
use Jaunty\Core\Provisioning\StepKind;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Core\Books;

/** A second switch, of another kind and with less to it: a directory of JSON files in words and units of its own. */
final class FileSwitchTest extends FeatureTestCase
{
    private string $directory;

    protected function setUp(): void
    {
        parent::setUp();
        $this->directory = sys_get_temp_dir() . '/file-switch-' . bin2hex(random_bytes(6));
        config(['roster.switches.file-switch.directory' => $this->directory]);
    }

    protected function tearDown(): void
    {
        File::deleteDirectory($this->directory);
        parent::tearDown();
    }

    public function test_a_customer_is_moved_to_it_pushed_read_back_and_moved_home_again(): void
    {
        $customer = $this->takeOn();
        self::assertSame('done', $this->push($customer['key'])['status']);

        $this->move($customer['key'], 'file-switch')
            ->assertJsonPath('onSwitch', false)
            ->assertJsonPath('switch.title', 'file switch')
            ->assertJsonPath('switch.others', [['name' => 'practice-switch', 'title' => 'practice switch']]);
        $line = $this->onRoster($customer['key']);
        self::assertSame([null, null], [$line['pushedRevision'], $line['differences']]);

        $push = $this->push($customer['key']);

        self::assertSame('done', $push['status'], (string) $push['reason']);
        self::assertSame([], $this->readAgain($customer['key']));
        $export = $this->export($customer['key']);
        self::assertSame("tel:{$customer['number']}", array_values($export['Sheets']['Numbers'])[0]['Number']);
        self::assertSame(
            ['first' => 'Ines', 'last' => 'Marsh'],
            array_values($export['Sheets']['People'])[0]['Name'],
        );
        // What the former switch holds stays there, and is known again on coming back: nothing is made twice.
        $writes = $this->wire->writes;
        $this->move($customer['key'], 'practice-switch');
        self::assertSame([], $this->readAgain($customer['key']));
        self::assertSame('done', $this->push($customer['key'])['status']);
        self::assertSame($writes, $this->wire->writes);
    }

    public function test_what_somebody_changes_in_the_file_is_drift_with_who_and_when_and_a_push_puts_it_right(): void
    {
        $customer = $this->onTheFileSwitch();
        $this->edit($customer, [['object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'i@inlet.example']]);
        $this->enter($customer)->assertCreated();
        self::assertSame('done', $this->push($customer)['status']);
        $this->byHand($customer, static function (array $export): array {
            $row = array_key_first($export['Sheets']['People']);
            $export['Sheets']['People'][$row]['Phones'][0]['rings'] = '1:05';
            array_unshift($export['Changes'], [
                'Row' => $row, 'Column' => 'Phones', 'At' => '2026-12-01T17:00:00Z', 'Who' => 'somebody at the desk',
            ]);

            return $export;
        });

        $differences = $this->readAgain($customer);

        self::assertCount(1, $differences);
        self::assertSame(
            ['user:ines-marsh', 'theirs', 65, 'somebody at the desk'],
            [
                $differences[0]['object'], $differences[0]['whose'], $differences[0]['live'], $differences[0]['by'],
            ],
        );
        self::assertSame('done', $this->push($customer)['status']);
        self::assertSame([], $this->readAgain($customer));
        self::assertNotSame(
            '1:05',
            array_values($this->export($customer)['Sheets']['People'])[0]['Phones'][0]['rings'],
        );
    }

    public function test_a_field_that_somebody_changed_meanwhile_stops_the_push(): void
    {
        $customer = $this->onTheFileSwitch();
        $this->edit($customer, [['object' => 'user:ines-marsh', 'path' => 'name/first', 'value' => 'Inez']]);
        $this->enter($customer)->assertCreated();
        $push = $this->postJson("/api/customers/{$customer}/pushes")->assertStatus(202)->json('id');
        $isSent = false;
        File::ensureDirectoryExists($this->directory);
        \Illuminate\Support\Facades\DB::listen(function ($query) use ($customer, &$isSent): void {
            if (! $isSent && str_starts_with($query->sql, 'update "push_steps" set "status"')) {
                $isSent = true;
                $this->byHand($customer, static function (array $export): array {
                    $row = array_key_first($export['Sheets']['People']);
                    $export['Sheets']['People'][$row]['Name']['first'] = 'Agnes';

                    return $export;
                });
            }
        });

        $this->work($customer, $push);

        self::assertTrue($isSent);
        self::assertStringContainsString(
            'somebody changed this on the switch meanwhile (name)',
            (string) $this->getJson("/api/customers/{$customer}/pushes/{$push}")->json('reason'),
        );
        self::assertSame('Agnes', array_values($this->export($customer)['Sheets']['People'])[0]['Name']['first']);
    }

    public function test_what_it_has_no_place_for_is_said_stays_the_books_and_stops_nothing(): void
    {
        $customer = $this->onTheFileSwitch();
        $this->edit($customer, [
            self::made('prompt:hello', ['name' => 'Hello', 'script' => 'For sales, press 1. For repairs, press 2.']),
            self::made('group:sales', [
                'name' => 'Sales', 'members' => [['item' => 'ines', 'who' => 'user:ines-marsh']],
                'noAnswerSeconds' => 30, 'queue' => ['most' => 4],
            ]),
            self::made('menu:third', self::menu('Third', 'user:ines-marsh')),
            self::made('menu:second', self::menu('Second', 'menu:third')),
            self::made('menu:first', self::menu('First', 'menu:second')),
            self::made('attendant:front', [
                'name' => 'Front', 'extension' => '280',
                'answers' => [['item' => 'always', 'when' => 'open', 'then' => 'menu:first']],
            ]),
        ])->assertOk();
        $this->enter($customer)->assertCreated();

        $push = $this->push($customer);

        self::assertSame('done', $push['status'], (string) $push['reason']);
        self::assertSame([], $this->readAgain($customer));
        $export = $this->export($customer);
        self::assertEqualsCanonicalizing(['First', 'Second'], array_column($export['Sheets']['Choices'], 'Choice'));
        self::assertSame([], array_column($export['Sheets']['Choices'], 'Keys', 'Choice')['Second']);
        $unsupported = $this->getJson("/api/customers/{$customer}/live")->json('switch.unsupported');
        self::assertContains(
            ['object' => 'menu:third', 'path' => null, 'why' => 'it has menus of 2 levels', 'label' => 'Third'],
            $unsupported,
        );
        self::assertContains(
            ['object' => 'group:sales', 'path' => 'queue', 'why' => 'it has no queues', 'label' => 'Sales'],
            $unsupported,
        );
        self::assertSame(
            ['Sales: queue cannot be put on the switch', 'Third cannot be put on the switch'],
            array_values(array_column(array_filter(
                $this->getJson("/api/customers/{$customer}/margin")->json('findings'),
                static fn (array $finding): bool => $finding['rule'] === 'push.target-unsupported',
            ), 'title')),
        );
        // Elsewhere it has its place: nothing of it was lost.
        $this->move($customer, 'practice-switch')->assertJsonPath('switch.unsupported', []);
        self::assertSame('done', $this->push($customer)['status']);
        self::assertSame([], $this->readAgain($customer));
    }

    public function test_moving_is_for_whoever_pushes_waits_for_pushes_and_knows_its_switches(): void
    {
        $customer = $this->takeOn();
        $this->putJson("/api/customers/{$customer['key']}/switch", ['switch' => 'xx'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.pointer', '/switch');
        $this->postJson("/api/customers/{$customer['key']}/pushes")->assertStatus(202);
        $this->putJson("/api/customers/{$customer['key']}/switch", ['switch' => 'file-switch'])
            ->assertStatus(409)
            ->assertJsonPath('type', 'urn:jaunty-roster:problem:push-under-way');
        $editor = $this->technician();
        $this->grant($editor, $customer['id'], \App\Models\Ability::Edit);
        $this->actingAs($editor)
            ->putJson("/api/customers/{$customer['key']}/switch", ['switch' => 'file-switch'])
            ->assertForbidden();
    }

    public function test_a_move_to_coarser_steps_rounds_visibly(): void
    {
        $customer = $this->onTheFileSwitch();
        $this->edit($customer, [['object' => 'user:ines-marsh', 'path' => 'legs/desk/seconds', 'value' => 33]])
            ->assertOk();
        $this->enter($customer)->assertCreated();

        $this->move($customer, 'practice-switch');

        $newest = $this->getJson("/api/customers/{$customer}/revisions")->json('revisions')[0];
        self::assertSame('Fitted to the steps in which the practice switch stores times', $newest['note']);
        self::assertSame('done', $this->push($customer)['status']);
        self::assertSame([], $this->readAgain($customer));
    }

    public function test_no_pin_waits_for_a_switch_that_takes_none(): void
    {
        $customer = $this->takeOn()['key'];
        $this->postJson(
            "/api/customers/{$customer}/secrets",
            ['object' => 'mailbox:ines-marsh', 'value' => '804155'],
        )->assertCreated();
        $this->enter($customer)->assertCreated();
        $untold = ['mailbox:ines-marsh'];
        $this->getJson("/api/customers/{$customer}/live")->assertJsonPath('pinsToTell', $untold);

        $this->move($customer, 'file-switch')->assertOk()->assertJsonPath('pinsToTell', []);
        self::assertSame('done', $this->push($customer)['status']);
        $this->getJson("/api/customers/{$customer}/live")->assertOk()->assertJsonPath('pinsToTell', []);

        $this->move($customer, 'practice-switch')->assertOk()->assertJsonPath('pinsToTell', $untold);
    }

    public function test_a_file_that_cannot_be_read_and_calls_that_nobody_wrote_down_are_said_to_be_unknown(): void
    {
        $customer = $this->onTheFileSwitch();
        $this->postJson("/api/customers/{$customer}/history/read")
            ->assertStatus(502)
            ->assertJsonPath('detail', 'The switch refused: it writes no calls down. Nothing was changed; try again.');
        file_put_contents("{$this->directory}/{$customer}.json", '{"Customer": {');

        $this->postJson("/api/customers/{$customer}/live/read")->assertStatus(502);
        self::assertSame('stopped', $this->push($customer)['status']);
    }

    /** Whatever a book says: as much of it as has a place there comes back, and the rest is the book's. */
    #[DataProvider('books')]
    public function test_any_book_built_there_reads_back_as_it_was(\Closure $made): void
    {
        $book = $made();
        $connector = $this->connector();
        $bindings = Bindings::none();
        foreach (Planner::plan(null, $connector->capabilities()->of($book))->steps as $place => $step) {
            $session = $connector->open($book, $bindings, 'test');
            $bindings = $bindings->with($step->object, $step->kind === StepKind::Create
                ? $session->create($step->object, $step->fields, "new-{$place}")
                : $session->update($step->object, $step->fields, $step->expected, "new-{$place}"));
        }

        $live = $connector->open($book, $bindings)->read()->live ?? self::fail('nothing was built');

        self::assertSame([], Diff::between($book, $live)->toArray());
        // Without the bindings it is told by its number, extension and name.
        $again = $connector->open($book, Bindings::none())->read()?->bindings;
        foreach ($book->ofKind(Kind::Number) as $number) {
            self::assertNotNull($again?->of(\Jaunty\Core\Book\Reference::of($number)));
        }
    }

    /** @return iterable<string, array{\Closure(): Book}> */
    public static function books(): iterable
    {
        for ($seed = 1; $seed <= 12; $seed++) {
            yield "random {$seed}" => [static fn (): Book => self::keyed(Books::random($seed), "random-{$seed}")];
        }
        yield 'the example' => [static fn (): Book => self::keyed(
            BookFormat::fromJson((string) file_get_contents(base_path('docs/examples/inlet.json'))),
            'example',
        )];
        yield 'every field' => [static fn (): Book => self::keyed(
            BookFormat::fromJson((string) file_get_contents(base_path('tests/data/every-field.json'))),
            'every-field',
        )];
    }

    private static function keyed(Book $book, string $key): Book
    {
        return Book::of(Tenant::read(Node::of(['key' => $key] + $book->tenant->toArray())), $book->objects());
    }

    private function connector(): SwitchConnector
    {
        return $this->app->make(Switches::class)->named('file-switch');
    }

    private function onTheFileSwitch(): string
    {
        $customer = $this->takeOn();
        $this->move($customer['key'], 'file-switch');
        self::assertSame('done', $this->push($customer['key'])['status']);

        return $customer['key'];
    }

    private function move(string $customer, string $to): \Illuminate\Testing\TestResponse
    {
        return $this->actingAs($this->lead)->putJson("/api/customers/{$customer}/switch", ['switch' => $to])
            ->assertOk();
    }

    /** @return array<string, mixed> */
    private function export(string $customer): array
    {
        return (array) json_decode(
            (string) file_get_contents("{$this->directory}/{$customer}.json"),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $change */
    private function byHand(string $customer, callable $change): void
    {
        file_put_contents(
            "{$this->directory}/{$customer}.json",
            json_encode($change($this->export($customer)), JSON_THROW_ON_ERROR),
        );
    }

    /**
     * @param  array<string, mixed>  $value
     * @return array{op: string, object: string, path: string, value: mixed}
     */
    private static function made(string $object, array $value): array
    {
        return ['op' => 'create', 'object' => $object, 'path' => '', 'value' => $value];
    }

    /** @return array<string, mixed> */
    private static function menu(string $name, string $to): array
    {
        return [
            'name' => $name, 'prompt' => 'prompt:hello', 'silence' => 'mailbox:ines-marsh',
            'keys' => ['1' => ['to' => $to]],
        ];
    }
}
