<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\TemplateVersion;
use App\TakingOn\Templates;
use Tests\Feature\Support\OnTheSwitch;

/** What was found by using it as a technician would, each as it was done. */
final class FoundByUsingTest extends FeatureTestCase
{
    use OnTheSwitch;

    public function test_a_number_as_everybody_here_writes_it_is_kept_as_the_number_it_is(): void
    {
        $customer = $this->takeOn()['key'];
        $this->edit($customer, [['object' => "tenant:{$customer}", 'path' => 'region', 'value' => 'CA']])->assertOk();

        $this->edit($customer, [
            ['object' => 'user:ines-marsh', 'path' => 'handling/open/noAnswer', 'value' => [
                'outside' => 'outside:902 555 0177',
                'inside' => 'outside:555-0178',
            ]],
            ['op' => 'create', 'object' => 'group:desk', 'value' => [
                'members' => [['item' => 'van', 'who' => 'outside:(902) 555-0179']],
            ]],
            ['object' => 'user:ines-marsh', 'path' => 'legs/desk/hardware', 'value' => '00:11:22:AA:BB:CC'],
        ])->assertOk();
        $fields = array_column($this->getJson("/api/customers/{$customer}/desk")->json('objects'), 'fields', 'ref');
        self::assertSame(
            ['outside' => 'outside:+19025550177', 'inside' => 'outside:+15065550178'],
            $fields['user:ines-marsh']['handling']['open']['noAnswer'],
        );
        self::assertSame('outside:+19025550179', $fields['group:desk']['members'][0]['who']);
        self::assertSame('001122aabbcc', $fields['user:ines-marsh']['legs'][0]['hardware']);
        $this->getJson("/api/customers/{$customer}/margin")->assertOk();
        $this->enter($customer)->assertCreated();
    }

    public function test_what_nobody_can_have_is_refused_with_the_reason_and_the_field(): void
    {
        $customer = $this->takeOn()['key'];
        foreach ([
            [
                ['object' => 'user:ines-marsh', 'path' => 'handling/open/noAnswer', 'value' => [
                    'outside' => 'outside:+9025550177',
                    'inside' => null,
                ]],
                'handling/open/noAnswer/outside',
                'too few or too many digits',
            ],
            [['op' => 'create', 'object' => 'number:+1207555', 'value' => []], 'key', 'too few or too many digits'],
            [
                ['object' => 'site:office', 'path' => 'emergency/notify', 'value' => ['xx']],
                'emergency/notify',
                'no mail address',
            ],
            [
                ['object' => 'site:office', 'path' => 'address/country', 'value' => 'Narnia'],
                'address/country',
                'no country',
            ],
            [
                ['object' => 'site:office', 'path' => 'address/postcode', 'value' => '???'],
                'address/postcode',
                'no postcode',
            ],
            [['object' => 'mailbox:ines-marsh', 'path' => 'pin', 'value' => 'set'], 'pin', 'no PIN was made'],
            [
                [
                    'op' => 'create',
                    'object' => 'mailbox:shared',
                    'value' => ['name' => 'Shared', 'extension' => '390', 'pin' => 'set'],
                ],
                'pin',
                'no PIN was made',
            ],
        ] as [$edit, $path, $why]) {
            $refused = $this->edit($customer, [$edit])->assertStatus(422);
            self::assertStringContainsString($why, (string) $refused->json('errors.0.detail'));
            self::assertSame($path, $refused->json('errors.0.path'), $edit['path'] ?? '');
        }
    }

    public function test_a_book_file_with_an_impossible_number_is_refused_with_its_path(): void
    {
        $book = $this->bookFrom('docs/examples/inlet.json');
        $book['users'][0]['handling']['open']['noAnswer'] = 'outside:+9025550177';
        $refused = $this->actingAs($this->lead)->postJson('/api/taking-on/book', $book)->assertStatus(422);

        self::assertStringContainsString('too few or too many digits', (string) $refused->json('detail'));
        self::assertStringContainsString('noAnswer', json_encode($refused->json('errors'), JSON_THROW_ON_ERROR));
    }

    public function test_whoever_takes_an_extension_is_told_and_not_whoever_has_it(): void
    {
        $customer = $this->takeOn()['key'];
        $this->edit($customer, [['op' => 'create', 'object' => 'user:joss-arden', 'value' => [
            'name' => ['first' => 'Joss', 'last' => 'Arden'],
            'extension' => '202',
        ]]])->assertOk();
        $refused = $this->edit($customer, [
            ['object' => 'user:ines-marsh', 'path' => 'extension', 'value' => '202'],
        ])->assertStatus(422);

        self::assertSame(
            ['202 is taken by Joss Arden', 'user:ines-marsh', 'extension'],
            [$refused->json('errors.0.detail'), $refused->json('errors.0.object'), $refused->json('errors.0.path')],
        );
    }

    public function test_what_is_still_needed_says_by_what(): void
    {
        $customer = $this->takeOn()['key'];
        $this->edit($customer, [['op' => 'create', 'object' => 'group:desk', 'value' => [
            'name' => 'Front desk',
            'members' => [['item' => 'ines', 'who' => 'user:ines-marsh']],
        ]]])->assertOk();
        $refused = $this->edit($customer, [
            ['op' => 'delete', 'object' => 'user:ines-marsh', 'value' => null],
        ])->assertStatus(422);

        self::assertStringContainsString('Ines Marsh is still needed by', (string) $refused->json('detail'));
        self::assertStringContainsString('Front desk (members)', (string) $refused->json('detail'));
    }

    public function test_one_device_is_at_one_customer(): void
    {
        $device = ['object' => 'user:ines-marsh', 'path' => 'legs/desk/hardware', 'value' => bin2hex(random_bytes(6))];
        [$one, $other] = [$this->takeOn()['key'], $this->takeOn()['key']];
        $this->edit($one, [$device])->assertOk();
        $this->enter($one)->assertCreated();
        $this->edit($other, [$device])->assertOk();
        $refused = $this->enter($other)->assertStatus(422);

        self::assertStringContainsString('is at another customer', (string) $refused->json('detail'));
        self::assertSame('user:ines-marsh', $refused->json('errors.0.object'));
        // Where it is given up, it is free.
        $this->edit($one, [['value' => null] + $device])->assertOk();
        $this->enter($one)->assertCreated();
        $this->enter($other)->assertCreated();
    }

    public function test_the_order_of_a_book_is_that_of_the_draft_however_often_something_comes_and_goes(): void
    {
        $customer = $this->takeOn()['key'];
        foreach (['first', 'second', 'third'] as $name) {
            $this->edit($customer, [
                ['op' => 'create', 'object' => "contact:{$name}", 'value' => ['name' => $name]],
            ])->assertOk();
        }
        $this->enter($customer)->assertCreated();
        $contacts = fn (): array => array_values(array_filter(
            array_column(
                $this->actingAs($this->lead)->getJson("/api/customers/{$customer}/desk")->json('objects'),
                'ref',
            ),
            static fn (string $ref): bool => str_starts_with($ref, 'contact:'),
        ));
        for ($turn = 0; $turn < 6; $turn++) {
            $gone = $contacts()[$turn % 3];
            $this->edit($customer, [
                ['op' => 'delete', 'object' => $gone, 'value' => null],
                ['op' => 'create', 'object' => "contact:n{$turn}", 'value' => ['name' => "n{$turn}"]],
            ])->assertOk();
            $drafted = $contacts();
            $this->enter($customer)->assertCreated();

            self::assertSame($drafted, $contacts());
        }
    }

    public function test_a_newer_template_that_changes_nothing_here_is_applied_at_once(): void
    {
        $customer = $this->takeOn()['key'];
        $given = $this->getJson("/api/customers/{$customer}/intake")->json('applications.0.given');
        $newest = TemplateVersion::query()->orderByDesc('no')->get()->first(
            static fn (TemplateVersion $version): bool => $version->template()->key === 'one-line-office',
        );
        self::assertNotNull($newest);
        TemplateVersion::query()->insert([
            'id' => (string) \Illuminate\Support\Str::uuid(), 'template_id' => $newest->template_id,
            'no' => $newest->no + 1,
            'body' => str_replace('leave a message with them.', 'leave a message.', $newest->body),
        ]);
        $behind = fn (): array => array_filter(
            array_column($this->getJson("/api/customers/{$customer}/margin")->json('findings'), 'rule'),
            static fn (string $rule): bool => $rule === 'template.behind',
        );
        self::assertCount(1, $behind());

        $this->postJson("/api/customers/{$customer}/intake", ['answers' => $given])->assertOk();
        self::assertSame([], $behind());
        $this->app->make(Templates::class)->ship(base_path('templates'));
    }

    public function test_a_list_of_people_is_read_whole_shown_and_taken_with_what_they_need(): void
    {
        $customer = $this->takeOn()['key'];
        $this->edit($customer, [['object' => "tenant:{$customer}", 'path' => 'region', 'value' => 'CA'], [
            'op' => 'create',
            'object' => 'group:taproom',
            'value' => ['name' => 'Taproom', 'members' => [['item' => 'ines-marsh', 'who' => 'user:ines-marsh']]],
        ]])->assertOk();
        $read = $this->postJson("/api/customers/{$customer}/people/read", [
            'text' => "Name\tExt\tMail\tCell\tTeam\tShoe size\nMarsh, Nora\t240\tnora@inlet.example\t902 555 "
                . "0177\tTaproom\t38\nBob Day\t201\tbob@\t\t\t41",
        ])->assertOk()->json();
        self::assertSame(
            [['Shoe size'], ['/answers/people/1/mail', '/answers/people/1/extension']],
            [$read['unmatched'], array_column($read['faults'], 'pointer')],
        );
        $this->postJson("/api/customers/{$customer}/people", ['rows' => $read['rows']])->assertStatus(422)
            ->assertJsonPath('errors.0.pointer', '/answers/people/1/mail');

        $rows = [$read['rows'][0], ['name' => 'Bob Day', 'mail' => 'bob@inlet.example', 'mobile' => '']];
        self::assertSame(
            [],
            $this->postJson("/api/customers/{$customer}/people/read", ['rows' => $rows])->assertOk()->json('faults'),
        );
        $this->postJson("/api/customers/{$customer}/people", ['rows' => $rows])->assertOk()->assertJsonPath('taken', 2);
        $this->enter($customer)->assertCreated();
        $refs = array_column($this->getJson("/api/customers/{$customer}/desk")->json('objects'), 'ref');
        self::assertSame(
            [],
            array_diff(['user:nora-marsh', 'mailbox:nora-marsh', 'user:bob-day', 'mailbox:bob-day'], $refs),
        );
    }

    public function test_people_by_the_number_are_shown_with_whose_extension_is_taken(): void
    {
        $customer = $this->takeOn()['key'];
        $read = fn (array $batch): \Illuminate\Testing\TestResponse => $this->postJson(
            "/api/customers/{$customer}/people/read",
            ['batch' => $batch + ['first' => '200', 'count' => '4', 'step' => '1', 'name' => 'Room #']],
        );
        $shown = $read([])->assertOk()->json();

        self::assertSame(['200', '201', '202', '203'], array_column($shown['rows'], 'extension'));
        self::assertContains('/answers/people/1/extension', array_column($shown['faults'], 'pointer'));
        $read(['first' => 'xx'])->assertStatus(422)->assertJsonPath('errors.0.pointer', '/batch/first');
        $read(['first' => '990', 'count' => '20'])->assertStatus(422)
            ->assertJsonPath(
                'errors.0.detail',
                'The last would be 1009, which is longer than 990: begin lower, or make fewer.',
            );
    }

    public function test_dropped_edits_are_put_back_and_one_change_is_left_out(): void
    {
        $customer = $this->takeOn()['key'];
        $this->edit($customer, [
            ['object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'ines@inlet.example'],
            ['object' => 'user:ines-marsh', 'path' => 'display', 'value' => 'Ines'],
        ])->assertOk();
        $paths = fn (): array => array_column(
            $this->getJson("/api/customers/{$customer}/desk")->json('draft.changes'),
            'path',
        );
        $this->deleteJson("/api/customers/{$customer}/draft")->assertNoContent();
        self::assertSame([], $paths());

        $this->edit($customer, [
            ['object' => 'user:ines-marsh', 'path' => 'callWaiting', 'value' => false],
        ])->assertOk();
        $this->postJson("/api/customers/{$customer}/draft/restore")->assertOk();
        self::assertEqualsCanonicalizing(['email', 'display', 'callWaiting'], $paths());
        $this->postJson("/api/customers/{$customer}/draft/restore")->assertStatus(409);

        $this->postJson(
            "/api/customers/{$customer}/draft/leave-out",
            ['object' => 'user:ines-marsh', 'path' => 'display'],
        )->assertOk();
        self::assertEqualsCanonicalizing(['email', 'callWaiting'], $paths());
    }

    public function test_what_others_need_is_not_left_out_alone(): void
    {
        $customer = $this->takeOn()['key'];
        $this->edit($customer, [
            ['op' => 'create', 'object' => 'mailbox:desk', 'value' => ['name' => 'Desk']],
            ['object' => 'user:ines-marsh', 'path' => 'mailbox', 'value' => 'mailbox:desk'],
        ])->assertOk();
        $refused = $this->postJson(
            "/api/customers/{$customer}/draft/leave-out",
            ['object' => 'mailbox:desk', 'path' => null],
        )->assertStatus(422);

        self::assertStringContainsString('Desk is still needed by Ines Marsh', (string) $refused->json('detail'));
    }

    public function test_a_signature_is_of_the_day_it_is_noted(): void
    {
        $customer = $this->pushed();
        $this->postJson("/api/customers/{$customer}/signed", ['revision' => 1, 'by' => 'x', 'on' => '2099-01-01'])
            ->assertCreated()
            ->assertJsonPath('signed.on', '2026-12-01');
    }
}
