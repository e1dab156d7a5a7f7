<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\BookRepository;
use App\Models\Ability;
use App\Models\TenantRow;
use Illuminate\Support\Facades\DB;
use Jaunty\Core\Book\BookFormat;

/** From taking on to undo: the one path every change goes. */
final class BookTest extends FeatureTestCase
{
    public function test_a_preview_shows_what_would_be_made_and_writes_nothing(): void
    {
        $number = $this->stockNumber();
        $before = $this->counts();

        $made = $this->actingAs($this->lead)->postJson(
            '/api/taking-on/preview',
            ['template' => 'one-line-office', 'answers' => [
                'name' => 'Curlew Physiotherapy', 'zone' => 'America/Halifax', 'mainNumber' => $number,
                'messages' => 'Ines Marsh',
            ]],
        )->assertOk()->json();

        self::assertSame('curlew-physiotherapy', $made['customer']);
        self::assertSame(
            [
                'site:office', "number:{$number}", 'user:ines-marsh', 'mailbox:ines-marsh', 'trunk:main',
                'route:emergency', 'route:local',
            ],
            array_column($made['objects'], 'ref'),
        );
        self::assertSame(
            ['user:ines-marsh', 'trunk:main', 'site:office'],
            $made['objects'][1]['refersTo'],
        );
        self::assertSame($before, $this->counts());
    }

    public function test_taking_on_makes_the_customer_its_number_and_revision_one_at_once(): void
    {
        $customer = $this->takeOn();

        $desk = $this->getJson("/api/customers/{$customer['key']}/desk")->assertOk()->json();
        self::assertSame(1, $desk['revision']);
        self::assertCount(8, $desk['objects']);
        self::assertSame([], $desk['draft']['changes']);
        $revisions = $this->getJson("/api/customers/{$customer['key']}/revisions")->json('revisions');
        self::assertSame(['taking-on', 7], [$revisions[0]['source'], count($revisions[0]['changes'])]);
        self::assertNotContains(
            $customer['number'],
            array_column($this->getJson('/api/stock')->json('numbers'), 'number'),
        );
        $answers = $this->getJson("/api/customers/{$customer['key']}/intake")->assertOk()
            ->json('applications.0.answers');
        self::assertSame('Ines Marsh', $answers[4]['answer']);
    }

    public function test_answers_at_fault_are_all_named_and_nothing_is_made(): void
    {
        $taken = $this->takeOn('Beacon Street Law');
        $before = $this->counts();

        $problem = $this->postJson('/api/taking-on', ['template' => 'one-line-office', 'answers' => [
            'name' => 'Beacon Street Law', 'zone' => 'America/Halifax', 'mainNumber' => $taken['number'],
            'messages' => 'Ines Marsh',
        ]])->assertStatus(422)->json();

        self::assertSame(['/answers/name', '/answers/mainNumber'], array_column($problem['errors'], 'pointer'));
        $problem = $this->postJson('/api/taking-on', ['template' => 'one-line-office', 'answers' => []])
            ->assertStatus(422)
            ->json();
        self::assertSame(
            ['/answers/name', '/answers/zone', '/answers/mainNumber', '/answers/messages'],
            array_column($problem['errors'], 'pointer'),
        );
        $this->postJson('/api/taking-on', ['template' => 'no-such', 'answers' => []])->assertStatus(422)
            ->assertJsonPath('errors.0.pointer', '/template');
        self::assertSame($before, $this->counts());
    }

    public function test_an_edit_is_kept_as_a_draft_of_ones_own_until_it_is_entered(): void
    {
        $customer = $this->takeOn();
        $ada = $this->technician();
        $this->grant($ada, $customer['id'], Ability::Edit);

        $desk = $this->edit($customer['key'], [
            ['object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'ines@thornback.example'],
        ])->assertOk()->json();

        self::assertSame(
            [[
                'op' => 'set', 'object' => 'user:ines-marsh', 'label' => 'Ines Marsh', 'path' => 'email',
                'before' => null, 'after' => 'ines@thornback.example',
            ]],
            $desk['draft']['changes'],
        );
        $whole = $this->getJson("/api/customers/{$customer['key']}/desk")->json();
        self::assertSame($desk['draft'], $whole['draft']);
        self::assertSame(
            ['ines@thornback.example'],
            array_values(array_filter(array_column(array_column($whole['objects'], 'fields'), 'email'))),
        );
        self::assertSame(
            [],
            $this->actingAs($ada)->getJson("/api/customers/{$customer['key']}/desk")->json('draft.changes'),
        );

        $this->enter($customer['key'], note: 'mail for the front desk')->assertCreated()->assertJsonPath('revision', 2);
        $after = $this->actingAs($ada)->getJson("/api/customers/{$customer['key']}/desk")->json();
        self::assertSame('ines@thornback.example', $this->field($after, 'user:ines-marsh', 'email'));
        self::assertSame(
            'mail for the front desk',
            $this->getJson("/api/customers/{$customer['key']}/revisions")->json('revisions.0.note'),
        );
    }

    public function test_a_field_put_back_by_hand_is_no_change(): void
    {
        $customer = $this->takeOn();
        $this->edit($customer['key'], [
            ['object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'x@thornback.example'],
        ])->assertOk();

        $this->edit($customer['key'], [['object' => 'user:ines-marsh', 'path' => 'email', 'value' => null]])->assertOk()
            ->assertJsonPath('draft.changes', []);
        $this->enter($customer['key'])->assertStatus(409)
            ->assertJsonPath('type', 'urn:jaunty-roster:problem:nothing-to-enter');
    }

    public function test_ring_times_are_rounded_while_editing_to_what_the_switch_can_hold(): void
    {
        $customer = $this->takeOn();

        $this->edit($customer['key'], [['object' => 'user:ines-marsh', 'path' => 'legs/desk/seconds', 'value' => 33]])
            ->assertOk()
            ->assertJsonPath('draft.changes.0.after', 35);
    }

    public function test_a_fault_says_which_field_of_which_object_and_keeps_what_was_pending(): void
    {
        $customer = $this->takeOn();
        $this->edit($customer['key'], [
            ['object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'ines@thornback.example'],
        ])->assertOk();

        $problem = $this->edit($customer['key'], [
            ['object' => 'user:ines-marsh', 'path' => 'name/first', 'value' => 'Inez'],
            ['object' => 'mailbox:ines-marsh', 'path' => 'extension', 'value' => 'two-oh-two'],
        ])->assertStatus(422)->json();

        self::assertSame(
            [[
                'detail' => '"two-oh-two" is not an extension (digits only)',
                'object' => 'mailbox:ines-marsh',
                'path' => 'extension',
            ]],
            $problem['errors'],
        );
        self::assertCount(1, $this->getJson("/api/customers/{$customer['key']}/desk")->json('draft.changes'));
    }

    public function test_an_extension_twice_and_a_reference_to_nothing_are_refused_at_the_edit(): void
    {
        $customer = $this->takeOn();

        $this->edit($customer['key'], [
            ['object' => 'mailbox:ines-marsh', 'path' => 'extension', 'value' => '201'],
        ])->assertStatus(422)
            ->assertJsonPath(
                'errors.0',
                ['detail' => '201 is taken by Ines Marsh', 'object' => 'mailbox:ines-marsh', 'path' => 'extension'],
            );
        $this->edit($customer['key'], [
            ['object' => "number:{$customer['number']}", 'path' => 'destination', 'value' => 'user:nobody'],
        ])->assertStatus(422)
            ->assertJsonPath('errors.0.path', 'destination');
        $this->edit($customer['key'], [
            ['object' => 'user:nobody', 'path' => 'email', 'value' => null],
        ])->assertStatus(409);
    }

    public function test_a_key_is_not_edited(): void
    {
        $customer = $this->takeOn();

        $this->edit($customer['key'], [
            ['object' => 'user:ines-marsh', 'path' => 'key', 'value' => 'inez'],
        ])->assertStatus(422);
    }

    public function test_two_extensions_can_be_swapped_in_one_change(): void
    {
        $customer = $this->takeOn();
        $this->edit($customer['key'], [
            ['object' => 'mailbox:ines-marsh', 'path' => 'extension', 'value' => '202'],
        ])->assertOk();
        $this->enter($customer['key'])->assertCreated();

        $this->edit($customer['key'], [
            ['object' => 'mailbox:ines-marsh', 'path' => 'extension', 'value' => '201'],
            ['object' => 'user:ines-marsh', 'path' => 'extension', 'value' => '202'],
        ])->assertOk();
        $this->enter($customer['key'])->assertCreated();

        $desk = $this->getJson("/api/customers/{$customer['key']}/desk")->json();
        self::assertSame(['202', '201'], [
            $this->field($desk, 'user:ines-marsh', 'extension'),
            $this->field($desk, 'mailbox:ines-marsh', 'extension'),
        ]);
    }

    public function test_undo_takes_a_revision_back_as_a_revision_and_undoing_that_brings_it_again(): void
    {
        $customer = $this->takeOn();
        $before = $this->getJson("/api/customers/{$customer['key']}/desk")->json('objects');
        $this->edit($customer['key'], [
            ['object' => 'user:ines-marsh', 'path' => 'name/first', 'value' => 'Inez'],
        ])->assertOk();
        $this->enter($customer['key'])->assertCreated();
        $after = $this->getJson("/api/customers/{$customer['key']}/desk")->json('objects');

        $this->postJson("/api/customers/{$customer['key']}/revisions/2/undo")->assertCreated()
            ->assertJsonPath('revision', 3);
        self::assertSame($before, $this->getJson("/api/customers/{$customer['key']}/desk")->json('objects'));
        $this->postJson("/api/customers/{$customer['key']}/revisions/2/undo")->assertStatus(409)
            ->assertJsonPath('type', 'urn:jaunty-roster:problem:nothing-to-enter');
        $this->postJson("/api/customers/{$customer['key']}/revisions/3/undo")->assertCreated();
        self::assertSame($after, $this->getJson("/api/customers/{$customer['key']}/desk")->json('objects'));
        self::assertSame(
            [3, 2, null, null],
            array_column($this->getJson("/api/customers/{$customer['key']}/revisions")->json('revisions'), 'undoes'),
        );
    }

    public function test_undo_of_what_was_changed_again_is_a_clash_and_changes_nothing(): void
    {
        $customer = $this->takeOn();
        foreach (['a@thornback.example', 'b@thornback.example'] as $mail) {
            $this->edit($customer['key'], [
                ['object' => 'user:ines-marsh', 'path' => 'email', 'value' => $mail],
            ])->assertOk();
            $this->enter($customer['key'])->assertCreated();
        }

        $problem = $this->postJson("/api/customers/{$customer['key']}/revisions/2/undo")->assertStatus(409)->json();

        self::assertSame(
            [[
                'object' => 'user:ines-marsh', 'path' => 'email', 'base' => 'a@thornback.example', 'ours' => null,
                'theirs' => 'b@thornback.example',
            ]],
            $problem['clashes'],
        );
        self::assertSame(3, $this->getJson("/api/customers/{$customer['key']}/desk")->json('revision'));
        $this->postJson("/api/customers/{$customer['key']}/revisions/1/undo")->assertStatus(409)
            ->assertJsonPath('type', 'urn:jaunty-roster:problem:cannot-undo');
        $this->postJson("/api/customers/{$customer['key']}/revisions/99/undo")->assertStatus(409);
    }

    public function test_two_technicians_on_different_fields_do_not_disturb_each_other(): void
    {
        [$customer, $ada] = $this->customerOfTwo();
        $this->edit($customer['key'], [
            ['object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'ines@thornback.example'],
        ])->assertOk();
        $this->edit(
            $customer['key'],
            [['object' => 'user:ines-marsh', 'path' => 'name/first', 'value' => 'Inez']],
            $ada,
        )->assertOk();
        $this->enter($customer['key'], $ada)->assertCreated();

        $this->enter($customer['key'])->assertCreated()->assertJsonPath('revision', 3);

        $desk = $this->getJson("/api/customers/{$customer['key']}/desk")->json();
        self::assertSame(
            ['ines@thornback.example', 'Inez'],
            [$this->field($desk, 'user:ines-marsh', 'email'), $this->field($desk, 'user:ines-marsh', 'name')['first']],
        );
    }

    public function test_two_technicians_on_one_field_are_shown_both_values_and_decide(): void
    {
        [$customer, $ada] = $this->customerOfTwo();
        $mine = [['object' => 'user:ines-marsh', 'path' => 'legs/desk/seconds', 'value' => 25]];
        $this->edit($customer['key'], $mine)->assertOk();
        $this->edit(
            $customer['key'],
            [['object' => 'user:ines-marsh', 'path' => 'legs/desk/seconds', 'value' => 30]],
            $ada,
        )->assertOk();
        $this->enter($customer['key'], $ada)->assertCreated();

        $clash = [
            'object' => 'user:ines-marsh', 'path' => 'legs/desk/seconds', 'base' => 20, 'ours' => 25, 'theirs' => 30,
        ];
        $this->enter($customer['key'])->assertStatus(409)->assertJsonPath('clashes', [$clash]);
        $this->getJson("/api/customers/{$customer['key']}/desk")->assertJsonPath('draft.clashes', [$clash]);
        // Another edit meanwhile does not lose the one that waits for a decision.
        $this->edit($customer['key'], [
            ['object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'ines@thornback.example'],
        ])->assertJsonPath('draft.clashes', [$clash]);

        $this->edit($customer['key'], $mine)->assertOk()->assertJsonPath('draft.clashes', []);
        $this->enter($customer['key'])->assertCreated();
        self::assertSame(
            25,
            $this->field(
                $this->getJson("/api/customers/{$customer['key']}/desk")->json(),
                'user:ines-marsh',
                'legs',
            )[0]['seconds'],
        );
    }

    public function test_dropping_a_draft_leaves_the_book_as_it_was(): void
    {
        $customer = $this->takeOn();
        $before = $this->getJson("/api/customers/{$customer['key']}/desk")->json();
        $this->edit($customer['key'], [
            ['object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'ines@thornback.example'],
        ])->assertOk();

        $this->deleteJson("/api/customers/{$customer['key']}/draft")->assertNoContent();

        self::assertSame($before, $this->getJson("/api/customers/{$customer['key']}/desk")->json());
    }

    public function test_what_is_projected_from_objects_is_what_the_objects_say(): void
    {
        $customer = $this->takeOn();
        $this->edit($customer['key'], [
            ['object' => 'user:ines-marsh', 'path' => 'display', 'value' => 'Front desk'],
            ['object' => 'user:ines-marsh', 'path' => 'callerId', 'value' => null],
            ['object' => 'mailbox:ines-marsh', 'path' => 'zero', 'value' => 'user:ines-marsh'],
            ['object' => 'mailbox:ines-marsh', 'path' => 'extension', 'value' => '280'],
        ])->assertOk();
        $this->enter($customer['key'])->assertCreated();

        $this->scope()->tenant($this->lead->id, $customer['key'], Ability::Read, function (TenantRow $tenant): void {
            $book = $this->app->make(BookRepository::class)->head($tenant->id);
            $ids = [];
            foreach ([$book->tenant, ...$book->objects()] as $object) {
                $ids["{$object->kind()->value}:{$object->key()}"] = $object->id();
            }
            $links = [];
            foreach ([$book->tenant, ...$book->objects()] as $object) {
                $row = DB::table('objects')->where('id', $object->id())->first();
                self::assertSame([$object->label(), $object->extension()], [$row->name, $row->extension]);
                foreach ($object->links() as $link) {
                    $links[] = "{$object->id()} {$link->path} " . $ids[(string) $link->to];
                }
            }
            self::assertEqualsCanonicalizing(
                $links,
                DB::table('object_links')->get()
                    ->map(static fn (object $row): string => "{$row->from_id} {$row->path} {$row->to_id}")
                    ->all(),
            );
        });
    }

    /** An id is what history and the switch know an object by: no new one takes it, whatever else is edited with it. */
    public function test_no_new_object_passes_for_another(): void
    {
        $customer = $this->takeOn()['key'];
        $id = $this->scope()->tenant(
            $this->lead->id,
            $customer,
            Ability::Read,
            static fn (): mixed => DB::table('objects')->where('kind', 'mailbox')->value('id'),
        );

        $this->edit($customer, [
            ['object' => 'user:ines-marsh', 'path' => 'extension', 'value' => '7001'],
            ['op' => 'create', 'object' => 'user:bo', 'value' => ['id' => $id, 'name' => ['first' => 'Bo']]],
        ])->assertStatus(422);
    }

    /**
     * A name is typed, or several are pasted: keys, extensions and the rest are the server's, each as those before it
     * stand.
     */
    public function test_objects_are_made_of_their_names(): void
    {
        $customer = $this->takeOn()['key'];
        $make = fn (array ...$objects): \Illuminate\Testing\TestResponse => $this->postJson(
            "/api/customers/{$customer}/draft/objects",
            ['objects' => $objects],
        );
        $user = static fn (string $name): array => ['kind' => 'user', 'name' => $name];

        $answer = $make(
            $user('Joss Arden'),
            $user('Joss Arden'),
            ['kind' => 'mailbox', 'name' => 'Desk', 'fields' => ['enabled' => false]],
        )->assertOk();

        self::assertSame(['user:joss-arden', 'user:joss-arden-2', 'mailbox:desk'], $answer->json('made'));
        $objects = array_column($answer->json('objects'), null, 'ref');
        $known = array_column(
            $this->getJson("/api/customers/{$customer}/desk")->assertOk()->json('objects'),
            null,
            'ref',
        );
        $highest = (int) $known['user:ines-marsh']['extension'];
        self::assertSame(
            [(string) ($highest + 1), (string) ($highest + 2)],
            [$objects['user:joss-arden']['extension'], $objects['user:joss-arden-2']['extension']],
        );
        self::assertSame(
            ['site:office', false],
            [$objects['user:joss-arden']['fields']['site'], $objects['mailbox:desk']['fields']['enabled']],
        );
        $this->enter($customer)->assertCreated();

        $make(['kind' => 'number', 'name' => '+19025550199'])->assertStatus(422);
        $make(['kind' => 'user', 'name' => '   '])->assertStatus(422);
        $make($user('Cleo'), ['kind' => 'mailbox', 'name' => 'Hall', 'fields' => ['shoeSize' => 40]])->assertStatus(
            422,
        );
        self::assertSame(
            [],
            $this->getJson("/api/customers/{$customer}/desk")->json('draft.changes'),
            'all of them or none',
        );
    }

    public function test_the_history_of_one_object_is_who_when_and_why_of_it_alone(): void
    {
        $customer = $this->takeOn()['key'];
        $this->edit($customer, [
            ['object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'a@inlet.example'],
            ['object' => 'site:office', 'path' => 'name', 'value' => 'Quay office'],
        ]);
        $this->enter($customer, note: 'moved to the quay')->assertCreated();
        $this->edit($customer, [['object' => 'site:office', 'path' => 'name', 'value' => 'Quay']]);
        $this->enter($customer)->assertCreated();

        $of = fn (string $object): array => $this->getJson(
            "/api/customers/{$customer}/revisions?object=" . rawurlencode($object),
        )->assertOk()->json('revisions');

        self::assertSame([[2, 'moved to the quay', ['email']], [1, null, [null]]], array_map(
            static fn (array $revision): array => [
                $revision['no'],
                $revision['note'],
                array_column($revision['changes'], 'path'),
            ],
            $of('user:ines-marsh'),
        ));
        self::assertSame([3, 2, 1], array_column($of('site:office'), 'no'));
        self::assertSame([], $of("user:nobody' or true"));
    }

    public function test_the_book_as_an_earlier_revision_left_it_can_be_had_again(): void
    {
        $customer = $this->takeOn();
        $at = fn (int $no): array => $this->scope()->tenant(
            $this->lead->id,
            $customer['key'],
            Ability::Read,
            fn (TenantRow $tenant): array => BookFormat::toValue(
                $this->app->make(BookRepository::class)->at($tenant->id, $no),
            ),
        );
        $first = $at(1);
        foreach (['a', 'b'] as $letter) {
            $this->edit($customer['key'], [
                ['object' => 'user:ines-marsh', 'path' => 'email', 'value' => "{$letter}@thornback.example"],
            ])->assertOk();
            $this->enter($customer['key'])->assertCreated();
        }

        self::assertEquals($first, $at(1));
        self::assertSame('a@thornback.example', $at(2)['users'][0]['email']);
    }

    /** @return array{array{key: string, id: string, number: string}, \App\Models\Technician} */
    private function customerOfTwo(): array
    {
        $customer = $this->takeOn();
        $ada = $this->technician();
        $this->grant($ada, $customer['id'], Ability::Edit);

        return [$customer, $ada];
    }

    /** @param array<string, mixed> $desk */
    private function field(array $desk, string $ref, string $field): mixed
    {
        return array_column($desk['objects'], 'fields', 'ref')[$ref][$field];
    }

    /** @return array<string, int> rows the lead can see of what taking on writes */
    private function counts(): array
    {
        return $this->scope()->technician($this->lead->id, static fn (): array => [
            'tenants' => DB::table('tenants')->count(),
            'free numbers' => DB::table('numbers')->whereNull('tenant_id')->count(),
            'summaries' => DB::table('tenant_summaries')->count(),
        ]);
    }
}
