<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use DateTimeZone;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** Taking on from a template with tables and hours in sentences, and the same template once more with other answers. */
final class TemplatesTest extends FeatureTestCase
{
    private const USERS = "Name\tExt\tMail\tMobile\tWorks in\nInes Marsh\t201\tines@inlet.example\t902 555 "
        . "0177\tReception\nJoss Arden\t\tjoss@inlet.example\t\tLoft\n";

    public function test_a_template_shows_what_it_gives_before_anything_is_answered_and_writes_nothing(): void
    {
        $before = DB::table('objects')->count();
        $sample = $this->actingAs($this->lead)->getJson('/api/templates/shop-with-queue/sample')->assertOk()->json();

        self::assertContains('queue', array_column($sample['strip'], 'ifAnswered'));
        self::assertContains('group', array_column($sample['map']['nodes'], 'sort'));
        foreach ($sample['map']['nodes'] as $node) {
            self::assertTrue($node['object'] === null || isset($sample['names'][$node['object']]), $node['id']);
        }
        $night = $this->getJson('/api/templates/several-sites-night-cover/sample')->assertOk()->json('names');
        self::assertSame('+1 902 555 0178', $night['outside:+19025550178']);
        self::assertSame($before, DB::table('objects')->count());
        $this->getJson('/api/templates/no-such/sample')->assertNotFound();
    }

    public function test_a_region_says_its_zone_where_it_has_one(): void
    {
        $regions = $this->actingAs($this->lead)->getJson('/api/templates')->assertOk()->json('regions');
        $zones = array_column($regions, 'zone', 'code');

        self::assertSame(['America/Halifax', null, null], [$zones['CA-NS'], $zones['CA'], $zones['US']]);
        foreach (array_filter($zones) as $code => $zone) {
            // The tz database lists which zones lie in a country: PHP's copy of zone.tab.
            $country = substr($code, 0, 2);
            self::assertContains($zone, DateTimeZone::listIdentifiers(DateTimeZone::PER_COUNTRY, $country), $code);
        }
    }

    public function test_a_preview_says_how_answers_were_read_what_is_wrong_and_where(): void
    {
        $preview = $this->actingAs($this->lead)->postJson(
            '/api/taking-on/preview',
            ['template' => 'one-site-office', 'answers' => [
                'users' => "Name\tExt\tMail\nPetra Lunn\t203\tpetra@inlet.example\nColm Reeve\t203\tcolm@inlet",
            ] + $this->answers()],
        )->assertOk()->json();

        // Without her mail and with the next free extension; nothing of it is whole yet.
        self::assertFalse($preview['isWhole']);
        self::assertSame(['petra-lunn' => '203', 'colm-reeve' => '201'], array_column(
            array_filter($preview['objects'], static fn (array $object): bool => $object['kind'] === 'user'),
            'extension',
            'key',
        ));
        self::assertNotNull($preview['strip']);
        self::assertSame('Mon to Fri 08:00 to 17:00; 45 h a week', $preview['readAs']['hours']);
        self::assertSame(
            ['/answers/users/1/mail', '/answers/users/1/extension'],
            array_column($preview['faults'], 'pointer'),
        );
        // The fault of the extension offers the next free one.
        self::assertSame(['204'], array_column($preview['faults'], 'offer'));
        self::assertNotContains('closedMobile', $preview['asked']);
    }

    public function test_what_everything_hangs_on_cannot_be_left_out_and_what_is_only_taken_is_shown(): void
    {
        $ask = fn (array $answers): array => $this->actingAs($this->lead)->postJson(
            '/api/taking-on/preview',
            ['template' => 'one-site-office', 'answers' => $answers + ['users' => self::USERS] + $this->answers()],
        )->assertOk()->json();
        self::assertSame(
            [null, []],
            [$ask(['hours' => 'whenever'])['customer'], $ask(['hours' => 'whenever'])['objects']],
        );
        $nameless = $ask(['users' => "Name\tExt\n\t201\nJoss Arden\t202"]);
        self::assertSame(
            [['/answers/users/0/name'], ['joss-arden']],
            [array_column($nameless['faults'], 'pointer'), array_column(
                array_filter($nameless['objects'], static fn (array $object): bool => $object['kind'] === 'user'),
                'key',
            )],
        );

        $customer = $this->office();
        $taken = $ask(
            ['name' => (string) $this->getJson("/api/customers/{$customer}/intake")->json('applications.0.given.name')],
        );
        self::assertSame(
            [['/answers/name'], true],
            [array_column($taken['faults'], 'pointer'), $taken['objects'] !== []],
        );
    }

    public function test_answers_are_kept_for_whoever_gave_them_until_they_are_let_go(): void
    {
        $answers = ['name' => 'Inlet Rope Works', 'users' => [['name' => 'Ines Marsh']]];
        $set = '/api/taking-on/answers/' . Str::uuid();
        $kept = fn (): array => array_map(
            static fn (array $each): array => [$each['template'], $each['answers']],
            $this->getJson('/api/taking-on/answers')->assertOk()->json('kept'),
        );
        self::assertSame([], $this->actingAs($this->lead)->getJson('/api/taking-on/answers')->assertOk()->json('kept'));
        $this->putJson($set, ['template' => 'one-site-office', 'answers' => ['name' => 'Inlet']])->assertNoContent();
        $this->putJson($set, ['template' => 'one-site-office', 'answers' => $answers])->assertNoContent();
        // A second customer at the same time, in a second window.
        $this->putJson(
            '/api/taking-on/answers/' . Str::uuid(),
            ['template' => 'one-line-office', 'answers' => ['name' => 'Northgate']],
        )->assertNoContent();
        self::assertEqualsCanonicalizing(
            [['one-site-office', $answers], ['one-line-office', ['name' => 'Northgate']]],
            $kept(),
        );

        self::assertSame(
            [],
            $this->actingAs($this->technician())->getJson('/api/taking-on/answers')->json('kept'),
            'nobody else sees them',
        );
        $this->actingAs($this->lead)->deleteJson($set)->assertNoContent();
        self::assertSame([['one-line-office', ['name' => 'Northgate']]], $kept());
        $this->deleteJson('/api/taking-on/answers/xx')->assertNotFound();
    }

    public function test_a_pasted_block_comes_back_as_rows(): void
    {
        $pasted = $this->actingAs($this->lead)->postJson(
            '/api/taking-on/paste',
            ['template' => 'one-site-office', 'slot' => 'users', 'text' => "Name;Ext;Shoe size\nInes Marsh;201;38"],
        )->assertOk()->json();

        self::assertSame(
            [['name', 'extension', null], ['Shoe size'], [['name' => 'Ines Marsh', 'extension' => '201']]],
            [$pasted['columns'], $pasted['unmatched'], $pasted['rows']],
        );
        $this->postJson('/api/taking-on/paste', ['template' => 'one-site-office', 'slot' => 'hours', 'text' => 'x'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.pointer', '/answers/hours');
    }

    public function test_a_customer_with_users_hours_and_holidays_is_taken_on_whole(): void
    {
        $customer = $this->office();
        $objects = $this->objects($customer);

        self::assertSame(
            ['201', '202'],
            [$objects['user:ines-marsh']['extension'], $objects['user:joss-arden']['extension']],
        );
        self::assertSame(['user:joss-arden'], array_column($objects['group:loft']['fields']['members'], 'who'));
        self::assertGreaterThan(5, count($objects['calendar:holidays']['fields']['holidays']));
        $kept = $this->getJson("/api/customers/{$customer}/intake")->assertOk()->json('applications.0');
        self::assertSame(['one-site-office', 'Joss Arden'], [$kept['key'], $kept['given']['users'][1]['name']]);
    }

    public function test_an_extension_that_something_else_needs_is_said_at_its_cell_and_teams_give_way(): void
    {
        $preview = $this->actingAs($this->lead)->postJson('/api/taking-on/preview', [
            'template' => 'one-site-office',
            'answers' => ['users' => "Name\tExt\tTeam\nInes Marsh\t300\tLoft\nJoss Arden\t310\tYard"]
                + $this->answers(),
        ])->assertOk()->json();
        self::assertSame(
            [['/answers/users/0/extension', "300 would be Ines Marsh's and Reception's; give another"]],
            array_map(static fn (array $fault): array => [$fault['pointer'], $fault['detail']], $preview['faults']),
        );

        $made = $this->postJson('/api/taking-on/preview', [
            'template' => 'one-site-office',
            'answers' => ['users' => "Name\tExt\tTeam\nInes Marsh\t201\tLoft\nJoss Arden\t310\tYard"]
                + $this->answers(),
        ])->assertOk()->json('objects');
        self::assertSame(['320', '330'], array_values(array_column(
            array_filter(
                $made,
                static fn (array $object): bool => in_array($object['ref'], ['group:loft', 'group:yard'], true),
            ),
            'extension',
        )));
    }

    public function test_a_number_that_is_not_in_stock_is_said_at_its_cell(): void
    {
        $number = $this->stockNumber();
        $fault = $this->actingAs($this->lead)->postJson(
            '/api/taking-on',
            ['template' => 'several-sites-night-cover', 'answers' => [
                'name' => 'Sites ' . Str::random(8), 'region' => 'CA-NS', 'zone' => 'America/Halifax',
                'onCall' => "Tamsin Quill\t902 555 0178",
                'sites' => [
                    ['name' => 'Quay End', 'number' => $number, 'hours' => 'Mon-Fri 8-5'],
                    ['name' => 'Mill Lane', 'number' => '+15065559999', 'hours' => 'Mon-Fri 9-5'],
                ],
                'users' => [['name' => 'Ines Marsh', 'site' => 'Mill Lane']],
            ]],
        )->assertStatus(422)->json('errors');

        self::assertSame(
            [[
                '/answers/sites/1/number',
                '+1 506 555 9999 is not ours: order it into stock first, or say "porting in" where it comes over from '
                    . 'another carrier.',
            ]],
            array_map(static fn (array $error): array => [$error['pointer'], $error['detail']], $fault),
        );
    }

    public function test_the_same_answers_again_change_nothing(): void
    {
        $customer = $this->office();

        $desk = $this->again($customer, [])->assertOk()->json();

        self::assertSame([[], []], [$desk['draft']['changes'], $desk['draft']['clashes']]);
    }

    public function test_other_answers_become_a_draft_that_keeps_what_was_changed_since(): void
    {
        $customer = $this->office();
        $this->edit($customer, [
            ['object' => 'user:ines-marsh', 'path' => 'display', 'value' => 'Front desk'],
            ['object' => 'group:reception', 'path' => 'ringsEach', 'value' => 6],
        ]);
        $this->enter($customer)->assertCreated();

        $desk = $this->again(
            $customer,
            ['hours' => 'Mon-Fri 9 to 5', 'users' => self::USERS . "Petra Lunn\t\tpetra@inlet.example\t\tLoft\n"],
        )->assertOk()->json();
        $changed = array_column($desk['draft']['changes'], 'object');

        self::assertSame([], $desk['draft']['clashes']);
        self::assertEqualsCanonicalizing(
            ['user:petra-lunn', 'mailbox:petra-lunn', 'group:loft', 'schedule:hours'],
            array_values(array_unique($changed)),
        );
        $this->enter($customer)->assertCreated();
        $objects = $this->objects($customer);
        self::assertSame(['Front desk', 6, '09:00'], [
            $objects['user:ines-marsh']['fields']['display'],
            $objects['group:reception']['fields']['ringsEach'],
            $objects['schedule:hours']['fields']['weekly'][0]['from'],
        ]);
        self::assertSame(
            'template',
            $this->getJson("/api/customers/{$customer}/revisions")->json('revisions.0.source'),
        );
        $origin = $this->scope()->tenant(
            $this->lead->id,
            $customer,
            Ability::Read,
            static fn (): mixed => DB::table('objects')->where('key', 'petra-lunn')
                ->where('kind', 'user')
                ->value('origin'),
        );
        self::assertSame('user/petra-lunn', $origin);
        // What was made the second time is what the third is compared with.
        self::assertSame(
            [],
            $this->again(
                $customer,
                ['hours' => 'Mon-Fri 9 to 5', 'users' => self::USERS . "Petra Lunn\t\tpetra@inlet.example\t\tLoft\n"],
            )->json('draft.changes'),
        );
    }

    public function test_a_row_keeps_its_id_when_its_name_changes_and_a_namesake_is_somebody_else(): void
    {
        $customer = $this->office();
        $rows = $this->getJson("/api/customers/{$customer}/intake")->json('applications.0.given.users');
        self::assertSame(
            [['ines-marsh', '201'], ['joss-arden', '202']],
            array_map(static fn (array $row): array => [$row['id'], $row['extension']], $rows),
        );
        $rows[0]['name'] = 'Ines Quill';
        array_unshift($rows, ['name' => 'Ines Marsh']);

        $changes = $this->again($customer, ['users' => $rows])->assertOk()->json('draft.changes');

        self::assertSame(
            [['set', 'user:ines-marsh', 'Quill'], ['set', 'mailbox:ines-marsh', "Ines Quill's mailbox"]],
            array_values(array_map(
                static fn (array $change): array => [$change['op'], $change['object'], $change['after']],
                array_filter(
                    $changes,
                    static fn (array $change): bool => str_ends_with($change['object'], ':ines-marsh'),
                ),
            )),
        );
        self::assertContains('user:ines-marsh-2', array_column($changes, 'object'));
        self::assertSame(
            [],
            array_filter($changes, static fn (array $change): bool => $change['path'] === 'extension'),
            'nobody else’s extension moves',
        );
        self::assertNotContains('delete', array_column($changes, 'op'));
    }

    public function test_what_both_changed_is_a_clash_to_decide(): void
    {
        $customer = $this->office();
        $this->edit($customer, [['object' => 'schedule:hours', 'path' => 'weekly/hours-1/from', 'value' => '07:30']]);
        $this->enter($customer)->assertCreated();

        $clashes = $this->again($customer, ['hours' => 'Mon-Fri 9 to 5'])->assertOk()->json('draft.clashes');

        self::assertSame(
            [['schedule:hours', 'weekly/hours-1/from', '08:00', '09:00', '07:30']],
            array_map(static fn (array $clash): array => array_values($clash), $clashes),
        );
        $this->enter($customer)->assertStatus(409);
        $this->edit($customer, [['object' => 'schedule:hours', 'path' => 'weekly/hours-1/from', 'value' => '09:00']]);
        $this->enter($customer)->assertCreated();
    }

    public function test_somebody_left_out_leaves_the_book_unless_changed_since(): void
    {
        $customer = $this->office();
        $less = explode("Joss", self::USERS)[0];

        $gone = array_filter(
            $this->again($customer, ['users' => $less])->assertOk()->json('draft.changes'),
            static fn (array $change): bool => $change['op'] === 'delete',
        );

        self::assertEqualsCanonicalizing(
            ['user:joss-arden', 'mailbox:joss-arden', 'group:loft'],
            array_column($gone, 'object'),
        );
        $this->deleteJson("/api/customers/{$customer}/draft");
        $this->edit($customer, [['object' => 'user:joss-arden', 'path' => 'display', 'value' => 'Loft']]);
        $this->enter($customer)->assertCreated();

        $clashes = $this->again($customer, ['users' => $less])->assertOk()->json('draft.clashes');

        self::assertSame(['user:joss-arden'], array_column($clashes, 'object'));
    }

    public function test_another_key_or_somebody_else_s_number_cannot_come_by_answering_again(): void
    {
        $customer = $this->office();
        $other = $this->takeOn();

        $this->again($customer, ['name' => 'Quite another name'])->assertStatus(422)
            ->assertJsonPath('errors.0.pointer', '/answers/name');
        $this->again($customer, ['mainNumber' => $other['number']])->assertStatus(422)
            ->assertJsonPath('errors.0.pointer', '/answers/mainNumber');
        $free = $this->stockNumber();
        $this->again($customer, ['mainNumber' => $free])->assertOk();
    }

    /** @var array<string, array<string, mixed>> answers by customer */
    private array $given = [];

    private function office(): string
    {
        $answers = $this->answers();
        $customer = $this->actingAs($this->lead)
            ->postJson('/api/taking-on', ['template' => 'one-site-office', 'answers' => $answers])
            ->assertCreated()
            ->json('customer');
        self::assertIsString($customer);
        $this->given[$customer] = $answers;

        return $customer;
    }

    /** @param array<string, mixed> $answers */
    private function again(string $customer, array $answers): TestResponse
    {
        return $this->actingAs($this->lead)->postJson("/api/customers/{$customer}/intake", [
            'answers' => $answers + $this->given[$customer],
        ]);
    }

    /** @return array<string, mixed> */
    private function answers(): array
    {
        return [
            'name' => 'Office ' . Str::random(10), 'region' => 'CA-NS', 'zone' => 'America/Halifax',
            'mainNumber' => $this->stockNumber(), 'hours' => 'Mon-Fri 8 to 5', 'users' => self::USERS,
        ];
    }

    /** @return array<string, array<string, mixed>> by reference */
    private function objects(string $customer): array
    {
        return array_column(
            $this->actingAs($this->lead)->getJson("/api/customers/{$customer}/desk")->assertOk()->json('objects'),
            null,
            'ref',
        );
    }
}
