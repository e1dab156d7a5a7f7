<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\BookRepository;
use App\Models\TenantRow;
use Illuminate\Support\Facades\DB;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Change\Diff;

/** Books of every kind: taken in, kept, changed, given out, pushed. */
final class WholeBookTest extends FeatureTestCase
{
    private const EVERY_FIELD = 'tests/data/every-field.json';

    public function test_a_book_with_every_field_is_kept_as_it_came_and_given_out_again(): void
    {
        [$customer, $given] = $this->import();

        self::assertSame([], Diff::between($given, $this->out($customer))->toArray());
        $revisions = $this->getJson("/api/customers/{$customer}/revisions")->assertOk()->json('revisions');
        self::assertSame(
            [1, 'import', count($given->objects())],
            [$revisions[0]['no'], $revisions[0]['source'], count($revisions[0]['changes'])],
        );
        $this->getJson("/api/customers/{$customer}/desk")->assertOk()
            ->assertJsonCount(count($given->objects()) + 1, 'objects');
        $this->postJson("/api/customers/{$customer}/revisions/1/undo")->assertStatus(409);
    }

    /** Name, extension and links are projections: made again from the bodies they must be what stands there. */
    public function test_projections_are_what_the_bodies_say(): void
    {
        [$customer] = $this->import();
        $this->edit($customer, [
            ['object' => 'user:bo', 'path' => 'extension', 'value' => '2009'],
            ['object' => 'chain:nights', 'path' => 'places/b/to', 'value' => 'user:ana'],
        ])->assertOk();
        $this->enter($customer)->assertCreated();

        $this->scope()->tenant(
            $this->lead->id,
            $customer,
            \App\Models\Ability::Read,
            function (TenantRow $tenant): void {
                DB::enableQueryLog();
                $book = $this->app->make(BookRepository::class)->head($tenant->id);
                self::assertCount(1, DB::getQueryLog(), 'a book is loaded in one query');
                $rows = DB::table('objects')->where('tenant_id', $tenant->id)->get()->keyBy(
                    static fn (\stdClass $row): string => "{$row->kind}:{$row->key}",
                );
                self::assertCount(count($book->objects()) + 1, $rows);
                foreach ([$book->tenant, ...$book->objects()] as $object) {
                    $row = $rows[(string) Reference::of($object)];
                    self::assertSame(
                        [$object->id(), $object->label(), $object->extension()],
                        [$row->id, $row->name, $row->extension],
                    );
                    $links = DB::table('object_links')->where('tenant_id', $tenant->id)
                        ->where('from_id', $object->id())
                        ->pluck('to_id', 'path')
                        ->all();
                    $expected = [];
                    foreach ($object->links() as $link) {
                        $expected[$link->path] = $book->find($link->to)?->id();
                    }
                    self::assertEqualsCanonicalizing($expected, $links, (string) Reference::of($object));
                }
            },
        );
    }

    public function test_objects_are_made_moved_and_removed_through_a_draft_and_any_of_it_is_undone(): void
    {
        [$customer] = $this->import();
        $before = $this->out($customer);

        $this->edit($customer, [
            ['op' => 'create', 'object' => 'mailbox:nights', 'value' => ['name' => 'Nights', 'zero' => 'user:bo']],
            [
                'object' => 'chain:nights',
                'path' => 'places/c',
                'value' => ['item' => 'c', 'to' => 'mailbox:nights', 'rings' => null],
            ],
            ['op' => 'move', 'object' => 'chain:nights', 'path' => 'places', 'value' => ['c', 'a', 'b']],
            ['op' => 'delete', 'object' => 'promise:hello'],
        ])->assertOk()->assertJsonPath('draft.clashes', []);
        $this->enter($customer)->assertCreated()->assertJsonPath('revision', 2);
        $after = $this->out($customer);

        self::assertNotNull($after->find(Reference::parse('mailbox:nights'))?->id());
        self::assertNull($after->find(Reference::parse('promise:hello')));
        self::assertSame(
            ['c', 'a', 'b'],
            array_column((array) $after->find(Reference::parse('chain:nights'))?->toArray()['places'], 'item'),
        );
        $this->postJson("/api/customers/{$customer}/revisions/2/undo")->assertCreated();
        self::assertSame([], Diff::between($before, $this->out($customer))->toArray());
    }

    public function test_a_removal_that_something_still_points_at_is_refused_by_name_and_nothing_is_kept(): void
    {
        [$customer] = $this->import();

        $problem = $this->edit($customer, [['op' => 'delete', 'object' => 'mailbox:shared']])->assertStatus(422)
            ->json();

        self::assertStringContainsString('Shared is still needed by', $problem['detail']);
        $this->getJson("/api/customers/{$customer}/desk")->assertJsonPath('draft.changes', []);
    }

    public function test_what_is_no_book_is_refused_with_the_place_and_the_cause(): void
    {
        $this->actingAs($this->lead)->postJson('/api/taking-on/book', ['format' => 'something else'])
            ->assertStatus(422);
        $value = $this->bookFrom(self::EVERY_FIELD);
        $value['users'][0]['reportsTo'] = 'user:nobody';
        $problem = $this->postJson('/api/taking-on/book', $value)->assertStatus(422)->json();
        self::assertStringContainsString('user:nobody', json_encode($problem, JSON_THROW_ON_ERROR));
        $value = $this->bookFrom(self::EVERY_FIELD, stocked: false);
        $this->postJson('/api/taking-on/book', $value)->assertStatus(409)
            ->assertJsonPath('type', 'urn:jaunty-roster:problem:number-not-free');
    }

    public function test_a_key_that_another_customer_has_is_named(): void
    {
        [$customer] = $this->import();

        $problem = $this->postJson('/api/taking-on/book', array_replace_recursive($this->bookFrom(self::EVERY_FIELD), [
            'tenant' => ['key' => $customer],
        ]))->assertStatus(422)->json();

        self::assertStringContainsString($customer, $problem['detail']);
    }

    public function test_steps_of_the_switch_that_a_book_does_not_fit_are_said(): void
    {
        $value = $this->bookFrom(self::EVERY_FIELD);
        $value['users'][0]['legs'][0]['seconds'] = 22;

        $this->actingAs($this->lead)->postJson('/api/taking-on/book', $value)->assertCreated()->assertJsonPath(
            'fitted',
            [['object' => 'user:ana', 'path' => 'legs/desk/seconds', 'before' => 22, 'after' => 25]],
        );
    }

    public function test_the_whole_of_it_is_pushed_and_compares_empty(): void
    {
        [$customer] = $this->import();

        $push = $this->push($customer);

        self::assertSame('done', $push['status'], (string) $push['reason']);
        self::assertSame([], $this->readAgain($customer));
        $this->edit($customer, [
            ['object' => 'contact:master', 'path' => 'name', 'value' => 'Harbour office'],
            ['object' => 'tenant:' . $customer, 'path' => 'state', 'value' => 'in-service'],
        ])->assertOk();
        $this->enter($customer)->assertCreated();
        $this->getJson("/api/customers/{$customer}/live")->assertJsonPath('differences', [])
            ->assertJsonPath('runSheet', []);
    }

    public function test_drift_comes_with_what_callers_notice_of_it_and_a_call_that_shows_it(): void
    {
        $value = $this->bookFrom('docs/examples/inlet.json');
        $this->actingAs($this->lead)->postJson('/api/taking-on/book', $value)->assertCreated();
        $customer = $value['tenant']['key'];
        $this->getJson("/api/customers/{$customer}/live/impact")->assertOk()->assertJsonPath('impact', null);
        self::assertSame('done', $this->push($customer)['status']);
        $this->readAgain($customer);
        $this->getJson("/api/customers/{$customer}/live/impact")->assertOk()->assertJsonPath('impact.count', 0);
        $account = '/v1/accounts/'
            . array_column($this->wire->byHand('GET', '/v1/accounts')['rows'], 'id', 'handle')[$customer];
        $band = $this->wire->byHand('GET', "{$account}/bands")['rows'][0];
        $this->wire->byHand('PATCH', "{$account}/bands/{$band['id']}", ['give_up' => 180]);

        self::assertSame([['group:desk', 'noAnswerSeconds', 33, 18]], array_map(
            static fn (array $each): array => [$each['object'], $each['path'], $each['book'], $each['live']],
            $this->readAgain($customer),
        ));
        $impact = $this->getJson("/api/customers/{$customer}/live/impact")->assertOk()->json('impact');
        self::assertGreaterThan(0, $impact['count']);
        self::assertStringContainsString('no answer after 18 s, was 30 s', $impact['contrasts'][0]['words']);
        self::assertSame('Mon to Fri 08:00 to 12:30, Mon to Fri 13:00 to 17:00', $impact['contrasts'][0]['when']);
        self::assertSame($value['numbers'][0]['key'], $impact['contrasts'][0]['call']['to']);
    }

    /**
     * Two technicians, one customer: each edit that was entered stands in the book, or the other said no to it
     * knowingly.
     */
    public function test_random_edits_of_two_technicians_in_turn_lose_nothing(): void
    {
        [$customer] = $this->import();
        $second = $this->technician();
        $this->grant($second, null, \App\Models\Ability::Edit);
        $fields = [
            ['user:ana', 'display'], ['user:bo', 'display'], ['group:desk', 'ringsEach'], ['group:desk', 'prefix'],
            ['mailbox:shared', 'name'], ['attendant:front', 'language'], ['site:quay', 'name'],
            ['route:far', 'prepend'],
        ];
        mt_srand(20_261_126);
        $expected = [];
        $pending = [[], []];
        for ($turn = 0; $turn < 100; $turn++) {
            $who = mt_rand(0, 1);
            $by = [$this->lead, $second][$who];
            [$object, $path] = $fields[mt_rand(0, count($fields) - 1)];
            $value = $path === 'ringsEach' ? mt_rand(1, 90) : "v{$turn}";
            if (mt_rand(0, 2) > 0) {
                $this->edit($customer, [['object' => $object, 'path' => $path, 'value' => $value]], $by)->assertOk();
                $pending[$who]["{$object} {$path}"] = $value;

                continue;
            }
            $answer = $this->enter($customer, $by);
            if ($answer->status() === 409 && $answer->json('type') === 'urn:jaunty-roster:problem:clash') {
                // Whoever meets the other's change decides for their own, knowingly.
                $this->edit(
                    $customer,
                    array_map(
                        static fn (array $clash): array => [
                            'object' => $clash['object'],
                            'path' => $clash['path'],
                            'value' => $clash['ours'],
                        ],
                        $answer->json('clashes'),
                    ),
                    $by,
                )->assertOk();
                $answer = $this->enter($customer, $by);
            }
            if ($answer->status() === 201) {
                $expected = [...$expected, ...$pending[$who]];
            } else {
                $answer->assertStatus(409)->assertJsonPath('type', 'urn:jaunty-roster:problem:nothing-to-enter');
            }
            $pending[$who] = [];
        }
        $book = $this->out($customer);

        self::assertNotEmpty($expected);
        foreach ($expected as $what => $value) {
            [$object, $path] = explode(' ', $what);
            self::assertSame($value, $book->find(Reference::parse($object))?->toArray()[$path], $what);
        }
    }

    /** @return array{string, Book} the customer's key, and the book as it was given */
    private function import(): array
    {
        $value = $this->bookFrom(self::EVERY_FIELD);
        $this->actingAs($this->lead)->postJson('/api/taking-on/book', $value)
            ->assertCreated()
            ->assertJsonPath('fitted', []);

        return [$value['tenant']['key'], BookFormat::fromValue($value)];
    }

    private function out(string $customer): Book
    {
        return BookFormat::fromJson(
            (string) $this->getJson("/api/customers/{$customer}/book")->assertOk()->getContent(),
        );
    }
}
