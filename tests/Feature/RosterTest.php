<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use App\Models\Technician;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

/** The Roster of somebody who sees a few customers of many. */
final class RosterTest extends FeatureTestCase
{
    private Technician $sol;

    /** @var array<string, string> keys by name */
    private array $keys = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->sol = $this->technician();
    }

    public function test_it_is_narrowed_by_every_part_of_the_sentence_and_by_all_of_them_at_once(): void
    {
        $this->line('Ardent', ['differences' => 2, 'main_number' => '+1 902-555-0110', 'place' => 'Rimouski'], 'LK');
        $this->line('Boatyard', ['differences' => 0, 'callers_notice' => false], '', ['stage' => 'in-service']);
        $this->line('Cannery', ['differences' => null], '', ['region' => 'GB']);
        $this->line('Dunes', [
            'differences' => 1, 'callers_notice' => true, 'pushed_revision' => 1,
            'findings' => '{"blocker":0,"error":2}', 'drift_findings' => '{"warning":1}',
        ]);
        $this->line('Ebb', ['differences' => null, 'findings' => '{"note":1}', 'drift_findings' => '{"blocker":1}']);

        foreach ([
            '' => ['Ardent', 'Boatyard', 'Cannery', 'Dunes', 'Ebb'],
            'stage=in-service' => ['Boatyard'],
            'region=GB' => ['Cannery'],
            'who=LK' => ['Ardent'],
            'drift=some' => ['Ardent', 'Dunes'],
            'drift=noticed' => ['Dunes'],
            'drift=none' => ['Boatyard'],
            'drift=unread' => ['Cannery', 'Ebb'],
            'drift=behind' => ['Ardent', 'Boatyard', 'Cannery', 'Ebb'],
            'findings=blocker' => ['Ebb'],
            'findings=error' => ['Dunes', 'Ebb'],
            'findings=warning' => ['Dunes', 'Ebb'],
            'findings=none' => ['Ardent', 'Boatyard', 'Cannery'],
            // A number however it is written, and a name or a town however it is capitalised.
            'words=902 5550110' => ['Ardent'],
            'words=902-555' => ['Ardent'],
            'words=rimOUSKI' => ['Ardent'],
            'words=0199' => [],
            // Signs that mean something to a database are letters here.
            'words=%' => [],
            'words=_' => [],
            'drift=some&findings=error' => ['Dunes'],
            'drift=some&stage=in-service' => [],
        ] as $sought => $names) {
            $this->assertFound($names, $sought);
        }
    }

    public function test_it_is_sorted_by_every_column_and_who_has_nothing_there_comes_last(): void
    {
        $closed = ['next_what' => 'closed'];
        $this->line(
            'Quay 10',
            ['differences' => 10, 'next_on' => '2026-12-09', 'findings' => '{"warning":7}', ...$closed],
            'AB',
        );
        $this->line(
            'quay 9',
            ['differences' => 9, 'next_on' => '2026-12-10', 'findings' => '{"error":1}', ...$closed],
            'LK',
        );
        $this->line('Éclair', ['differences' => null, 'next_on' => null, 'findings' => '{"note":900}']);

        $this->assertFound(['Éclair', 'quay 9', 'Quay 10']);
        $this->assertFound(['Quay 10', 'quay 9', 'Éclair'], 'sort=-name');
        $this->assertFound(['quay 9', 'Quay 10', 'Éclair'], 'sort=differences');
        $this->assertFound(['Quay 10', 'quay 9', 'Éclair'], 'sort=-differences');
        $this->assertFound(['Quay 10', 'quay 9', 'Éclair'], 'sort=next');
        $this->assertFound(['Quay 10', 'quay 9', 'Éclair'], 'sort=lookedAfterBy');
        // One heavy finding weighs more than many light ones.
        $this->assertFound(['quay 9', 'Quay 10', 'Éclair'], 'sort=-findings');
    }

    public function test_what_cannot_be_asked_for_is_refused(): void
    {
        foreach ([
            'findings=xx', 'drift=xx', 'sort=zone', 'sort=--name', 'most=0', 'most=61', 'stage[]=a',
            'words=' . str_repeat('x', 201),
        ] as $sought) {
            $this->asked($sought)->assertStatus(422);
        }
        foreach (['keys=a', 'keys[]=A;b', '', http_build_query(['keys' => array_fill(0, 101, 'a')])] as $sought) {
            $this->getJson("/api/roster/lines?{$sought}")->assertStatus(422);
        }
        foreach (['since=xx', ''] as $sought) {
            $this->getJson("/api/roster/changes?{$sought}")->assertStatus(422);
        }
    }

    public function test_the_order_holds_every_key_and_lines_are_read_as_they_are_asked_for(): void
    {
        foreach (['Ardent', 'Boatyard', 'Cannery'] as $name) {
            $this->line($name, []);
        }
        $hidden = $this->takeOn()['key'];

        $answer = $this->asked('most=1')->assertOk()->assertJsonPath('total', 3);
        self::assertSame(array_values($this->keys), $answer->json('order'));
        self::assertSame(['Ardent'], array_column($answer->json('customers'), 'name'));
        $lines = $this->getJson('/api/roster/lines?' . http_build_query(
            ['keys' => [$this->keys['Cannery'], $hidden, $this->keys['Boatyard']]],
        ))->assertOk()->json('customers');
        self::assertSame(['Cannery', 'Boatyard'], array_column($lines, 'name'));
    }

    public function test_changes_are_told_once_they_are_made_and_only_to_whom_they_are_granted(): void
    {
        $changed = $this->line('Ardent', []);
        $this->line('Boatyard', []);
        $worked = $this->takeOn();
        $this->grant($this->sol, $worked['id'], Ability::Read);
        $name = $this->onRoster($worked['key'])['name'];
        $at = $this->asked()->json('at');
        self::assertSame([$name], $this->changed($at));

        $this->scope()->tenant(
            $this->lead->id,
            $this->keys['Ardent'],
            Ability::Edit,
            static fn (): int => DB::table('tenant_summaries')->where('tenant_id', $changed)
                ->update(['differences' => 3]),
        );
        $this->enterSomething($worked['key']);
        $this->enterSomething($this->takeOn()['key']);

        $told = $this->actingAs($this->sol)->getJson("/api/roster/changes?since={$at}")->json('customers');
        $revisions = array_column($told, 'revision', 'name');
        ksort($revisions);
        self::assertSame(['Ardent' => 1, $name => 2], $revisions);
        // Later than anything that can have happened.
        self::assertSame([], $this->changed(now()->addYear()->toIso8601ZuluString()));
    }

    public function test_where_many_changed_it_is_said_and_none_of_them_is_sent(): void
    {
        for ($number = 0; $number < 26; $number++) {
            $this->line("Quay {$number}", [], '', ['changed_at' => now()]);
        }
        $told = $this->actingAs($this->sol)->getJson(
            '/api/roster/changes?since=' . now()->subHour()->toIso8601ZuluString(),
        )->assertOk();

        self::assertSame([true, [], 26], [$told->json('isMany'), $told->json('customers'), $told->json('total')]);
    }

    public function test_the_names_and_who_stands_beside_whom_go_by_name_and_stay_within_what_is_granted(): void
    {
        foreach (['Quay 9', 'Quay 10', 'quay 10'] as $name) {
            $this->line($name, []);
        }
        $this->actingAs($this->sol);
        $order = $this->asked()->json('order');

        self::assertSame($order, array_column($this->getJson('/api/roster/names')->json('customers'), 'key'));
        foreach ($order as $place => $key) {
            $this->getJson("/api/customers/{$key}/beside")->assertOk()->assertExactJson([
                'previous' => $order[$place - 1] ?? null, 'next' => $order[$place + 1] ?? null,
            ]);
        }
    }

    /**
     * @param  array<string, mixed>  $summary
     * @param  array<string, mixed>  $tenant
     */
    private function line(string $name, array $summary, string $who = '', array $tenant = []): string
    {
        $looked = $who === '' ? null : $this->technician();
        $looked?->forceFill(['initials' => $who])->save();
        ['id' => $id, 'key' => $key] = $this->bareCustomer(
            $name,
            ['looked_after_by' => $looked?->id, 'changed_at' => '2026-01-01', ...$tenant],
            ['changed_at' => '2026-01-01', ...$summary],
        );
        $this->grant($this->sol, $id, Ability::Read);
        $this->keys[$name] = $key;

        return $id;
    }

    private function enterSomething(string $customer): void
    {
        $this->edit($customer, [
            ['object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'ines@thornback.example'],
        ]);
        $this->enter($customer)->assertCreated();
    }

    /** @param array<string> $names */
    private function assertFound(array $names, string $sought = ''): void
    {
        $found = array_column($this->asked($sought)->assertOk()->json('customers'), 'name');
        self::assertSame($names, $found, $sought);
    }

    private function asked(string $sought = ''): TestResponse
    {
        return $this->actingAs($this->sol)->getJson("/api/customers?{$sought}");
    }

    /** @return list<string> names */
    private function changed(string $since): array
    {
        return array_column($this->actingAs($this->sol)->getJson(
            '/api/roster/changes?' . http_build_query(['since' => $since]),
        )->assertOk()->json('customers'), 'name');
    }
}
