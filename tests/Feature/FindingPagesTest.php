<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use App\Models\Technician;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** Findings of many customers as rows that are read as they come into view. */
final class FindingPagesTest extends FeatureTestCase
{
    private Technician $sol;

    /** @var array<string, string> by id */
    private array $keys = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->sol = $this->technician();
    }

    public function test_the_windows_together_are_the_whole_list_heaviest_group_first(): void
    {
        $pier = $this->customer('Pier 10');
        $quay = $this->customer('pier 9');
        for ($nth = 0; $nth < 150; $nth++) {
            $this->finding($nth % 2 === 0 ? $pier : $quay, 'hours.overlap', 'note', ['title' => sprintf('%03d', $nth)]);
        }
        $this->finding($quay, 'groups.empty', 'error', ['fix' => 'Add the operator']);
        $this->finding($pier, 'groups.empty', 'warning');
        $this->finding($pier, 'numbers.dead', 'warning');
        $this->finding($pier, 'names.test-left', 'blocker', ['waived' => true]);

        $first = $this->asked('findings?')->assertOk();
        $rows = [];
        for ($from = 0; $from < $first->json('rows'); $from += 50) {
            $window = $this->asked("findings/rows?from={$from}")->assertOk()->json();
            self::assertSame([156, 153, 2], [$window['rows'], $window['total'], $window['customers']]);
            foreach ($window['heads'] as $head) {
                self::assertSame($rows[$head['row']] ?? $head['title'], $head['title']);
                $rows[$head['row']] = $head['title'];
            }
            foreach ($window['lines'] as ['row' => $row, 'line' => $line]) {
                $told = "{$line['name']} {$line['title']}";
                self::assertSame($rows[$row] ?? $told, $told);
                $rows[$row] = $told;
            }
        }
        ksort($rows);
        self::assertSame(range(0, 155), array_keys($rows));
        self::assertSame(
            ['groups.empty', 'pier 9 groups.empty', 'Pier 10 groups.empty', 'numbers.dead', 'Pier 10 numbers.dead'],
            array_slice($rows, 0, 5),
        );
        // Of equals, by the customer's name as people count.
        $notes = array_slice($rows, 6);
        self::assertSame(['pier 9 001', 'pier 9 149'], [$notes[0], $notes[74]]);
        self::assertSame(['Pier 10 000', 'Pier 10 148'], [$notes[75], $notes[149]]);
        self::assertSame(
            [['groups.empty', 2, 1], ['numbers.dead', 1, 0], ['hours.overlap', 150, 0]],
            array_map(
                static fn (array $head): array => [$head['title'], $head['count'], $head['mendable']],
                $first->json('heads'),
            ),
        );
        self::assertSame([['pier 9', 76], ['Pier 10', 77]], $this->headsByCustomer());
    }

    public function test_a_window_opens_around_the_finding_that_somebody_stands_on(): void
    {
        $pier = $this->customer('Pier');
        for ($nth = 0; $nth < 200; $nth++) {
            $title = sprintf('%03d', $nth);
            $this->finding($pier, 'hours.overlap', 'note', ['title' => $title, 'fingerprint' => "f{$nth}"]);
        }
        $key = $this->keys[$pier];

        $window = $this->asked('findings?' . http_build_query(['at' => "{$key} f150"]))->assertOk();

        self::assertSame([151, 111], [$window->json('place'), $window->json('from')]);
        self::assertSame('150', array_column($window->json('lines'), 'line', 'row')[151]['title']);
        $this->asked('findings?' . http_build_query(['at' => "{$key} gone"]))->assertJsonPath('place', null)
            ->assertJsonPath('from', 0);
    }

    public function test_it_is_narrowed_by_weight_kind_and_words(): void
    {
        $pier = $this->customer('Pier');
        $kept = ['fresh' => ['first_seen' => '2026-11-30T18:05:00Z'], 'older' => ['fix' => 'Do it'], 'mine' => [
            'assignee_id' => $this->sol->id, 'due_on' => '2026-12-02',
        ], 'due' => ['assignee_id' => $this->lead->id, 'due_on' => '2026-12-01'], 'waived' => [
            'waived' => true, 'fix' => 'Do it', 'due_on' => '2026-01-01',
        ]];
        foreach ($kept as $title => $fields) {
            $this->finding($pier, 'a.b', $title === 'mine' ? 'error' : 'note', ['title' => $title, ...$fields]);
        }

        foreach ([
            '' => ['mine', 'due', 'fresh', 'older'],
            'weight=warning' => ['mine'],
            'kind=fresh' => ['fresh'],
            'kind=mine' => ['mine'],
            'kind=nobodys' => ['fresh', 'older'],
            'kind=due' => ['due'],
            'kind=mendable' => ['older'],
            'kind=waived' => ['waived'],
            'words=PIER+old' => ['older'],
            'words=%25' => [],
            'group=a.b&kind=due' => ['due'],
            'group=a.c' => [],
        ] as $said => $titles) {
            $lines = $this->asked("findings/rows?from=0&{$said}")->assertOk()->json('lines');
            self::assertSame($titles, array_column(array_column($lines, 'line'), 'title'), $said);
        }
        foreach (['weight=xx', 'kind=xx', 'by=xx', 'from=-1', 'from=xx', 'words[]=a'] as $said) {
            $this->asked("findings?{$said}")->assertStatus(422);
        }
        $this->asked('findings/rows')->assertStatus(422);
    }

    public function test_all_that_is_sought_goes_out_as_a_file(): void
    {
        $pier = $this->customer('Pier');
        $this->finding($pier, 'groups.empty', 'error');
        $this->finding($pier, 'groups.empty', 'note', ['waived' => true]);
        $this->finding($pier, 'hours.overlap', 'note');
        $export = fn (array $sought): TestResponse => $this->actingAs($this->sol)->postJson(
            '/api/findings/export',
            ['format' => 'json', 'sought' => $sought],
        );

        $rules = static fn (TestResponse $file): array => array_column($file->json('0.findings') ?? [], 'rule');
        self::assertSame(['groups.empty', 'hours.overlap'], $rules($export(['kind' => 'standing'])->assertOk()));
        self::assertSame(['groups.empty'], $rules($export(['weight' => 'error'])));
        $export(['weight' => 'xx'])->assertStatus(422);
        $this->postJson('/api/findings/export', ['format' => 'json'])->assertStatus(422);
    }

    /** @return list<array{string, int}> */
    private function headsByCustomer(): array
    {
        $heads = [];
        foreach ([0, 60] as $from) {
            foreach ($this->asked("findings/rows?by=customer&from={$from}")->assertOk()->json('heads') as $head) {
                $heads[$head['row']] = [$head['title'], $head['count']];
            }
        }

        return array_values($heads);
    }

    private function customer(string $name): string
    {
        ['id' => $id, 'key' => $key] = $this->bareCustomer($name);
        $this->keys[$id] = $key;
        $this->grant($this->sol, $id, Ability::Read);

        return $id;
    }

    /** @param array<string, mixed> $fields */
    private function finding(string $tenant, string $rule, string $severity, array $fields = []): void
    {
        $this->scope()->tenant($this->lead->id, $tenant, Ability::Edit, static fn (): bool => DB::table('findings')
            ->insert([
                'tenant_id' => $tenant, 'fingerprint' => Str::random(12), 'rule' => $rule, 'severity' => $severity,
                'title' => $rule, 'detail' => '', 'object' => 'group:desk', 'count' => 1, 'waived' => false,
                'first_seen' => '2026-11-01T18:05:00Z', 'last_seen' => '2026-12-01T18:05:00Z', ...$fields,
            ]));
    }

    private function asked(string $said): TestResponse
    {
        return $this->actingAs($this->sol)->getJson("/api/{$said}");
    }
}
