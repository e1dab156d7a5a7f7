<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Demo\Customers;
use App\Demo\Demo;
use App\Demo\DemoCustomer;
use App\Models\Technician;
use Illuminate\Support\Facades\DB;
use Tests\Feature\Support\TestDatabase;

final class DemoTest extends FeatureTestCase
{
    public static function setUpBeforeClass(): void
    {
        parent::setUpBeforeClass();
        TestDatabase::apart('demo');
    }

    public static function tearDownAfterClass(): void
    {
        TestDatabase::together();
        parent::tearDownAfterClass();
    }

    public function test_the_demo_loads_whole_shows_each_planted_fault_and_loading_it_again_adds_nothing(): void
    {
        $first = $this->load();
        $again = $this->load();

        self::assertCount(8 + count(Customers::all()), $first);
        self::assertSame([], $again);
        $lena = Technician::query()->where('sign_in', 'lena@saltmarsh.example')->firstOrFail();
        $this->actingAs($lena);
        $lines = [];
        foreach (Customers::all() as $customer) {
            $lines[] = $line = $this->onRoster($customer->key());
            $this->assertShowsItsFault($customer, $line);
        }
        $this->assertLooksLikeATown();
        // The last weeks are there: not everything is of just now, and not everything by one.
        self::assertGreaterThan(12, count(array_unique(array_column($lines, 'pushedAt'))));
        $revisions = $this->getJson('/api/customers/gannet-physiotherapy/revisions')->assertOk()->json('revisions');
        self::assertSame([3, 2, 1], array_column($revisions, 'no'));
        self::assertSame(['Lena Kestrel', 'Sol Ormerod', 'Lena Kestrel'], array_column($revisions, 'by'));
        self::assertCount(3, array_unique(array_map(
            static fn (string $at): string => substr($at, 0, 10),
            array_column($revisions, 'at'),
        )));
        $sol = Technician::query()->where('sign_in', 'sol@saltmarsh.example')->firstOrFail();
        $his = array_map(static fn (DemoCustomer $customer): string => $customer->key(), array_filter(
            Customers::all(),
            static fn (DemoCustomer $customer): bool => $customer->lookedAfterBy === 'sol@saltmarsh.example',
        ));
        self::assertEqualsCanonicalizing(
            $his,
            array_column($this->actingAs($sol)->getJson('/api/customers')->json('customers'), 'key'),
        );
    }

    /** @return list<string> as the command does, in one process; its second turn before its first */
    private function load(): array
    {
        $demo = $this->app->make(Demo::class);
        $said = [];
        foreach ([$demo->begin(), $demo->customers(1, 2), $demo->customers(0, 2)] as $lines) {
            array_push($said, ...iterator_to_array($lines, false));
        }
        $demo->finish();

        return $said;
    }

    /** The customers go from three people to eighty, and live in three countries. */
    public function test_the_demo_is_as_wide_as_its_tour_says(): void
    {
        $countries = array_unique(array_map(
            static fn (DemoCustomer $customer): string => substr(
                is_string($customer->answers['region'] ?? null) ? $customer->answers['region'] : 'CA',
                0,
                2,
            ),
            Customers::all(),
        ));
        $sizes = array_map(
            static fn (DemoCustomer $customer): int => is_array($customer->answers['users'] ?? null)
                ? count($customer->answers['users'])
                : 3,
            Customers::all(),
        );
        $tour = (string) file_get_contents(base_path('docs/tour.md'));

        self::assertEqualsCanonicalizing(['CA', 'US', 'GB'], $countries);
        self::assertSame([3, 80], [min($sizes), max($sizes)]);
        foreach (Customers::all() as $customer) {
            self::assertStringContainsString("**{$customer->name()}**", $tour);
            if ($customer->fault !== null) {
                self::assertStringContainsString($customer->fault->what, $tour, $customer->name());
                self::assertStringContainsString("`{$customer->fault->rule}`", $tour);
                self::assertStringContainsString("`{$customer->fault->call}`", $tour);
            }
        }
    }

    /** A town, and not one office copied: 300 people, of whom no two are called the same, French names among them. */
    public function test_nobody_of_the_demo_is_called_as_anybody_else(): void
    {
        $names = array_merge(...array_map(
            static fn (DemoCustomer $customer): array => is_array($customer->answers['users'] ?? null)
                ? array_column($customer->answers['users'], 'name')
                : ['Bram Tolland', 'Sidra Vell', 'Nance Orrin'],
            Customers::all(),
        ));

        self::assertGreaterThanOrEqual(300, count($names));
        self::assertSame(array_values(array_unique($names)), $names);
        self::assertGreaterThan(20, count(array_filter(
            $names,
            static fn (string $name): bool => preg_match('/[éèëïô]/u', $name) === 1,
        )));
    }

    /** Each kind of thing that callers may meet, words of their own in two languages, what technicians left behind. */
    private function assertLooksLikeATown(): void
    {
        $books = array_map(fn (DemoCustomer $customer): array => $this->getJson(
            "/api/customers/{$customer->key()}/book",
        )->assertOk()->json(), Customers::all());
        $all = static fn (string $kind): array => array_merge(
            ...array_map(static fn (array $book): array => $book[$kind] ?? [], $books),
        );
        $behind = array_filter($all('menus'), static fn (array $menu): bool => array_filter(
            array_column($menu['keys'] ?? [], 'to'),
            static fn (?string $to): bool => str_starts_with((string) $to, 'menu:'),
        ) !== []);

        self::assertNotSame([], array_filter(array_column($all('groups'), 'queue')), 'queues');
        self::assertGreaterThan(3, count($all('chains')), 'chains');
        self::assertNotSame([], $behind, 'a menu behind another');
        self::assertGreaterThan(4, count(array_unique(array_column(array_column($books, 'tenant'), 'zone'))), 'zones');
        $scripts = array_filter(array_column($all('prompts'), 'script'));
        self::assertGreaterThan(30, count(array_unique($scripts)), 'words of their own');
        self::assertContains('fr-CA', array_column($all('prompts'), 'language'));

        $drift = array_unique(array_merge(...array_map(fn (DemoCustomer $customer): array => array_column(
            $this->getJson("/api/customers/{$customer->key()}/live")->assertOk()->json('differences'),
            'what',
        ), Customers::all())));
        self::assertEqualsCanonicalizing(['field', 'missing', 'unknown'], $drift);
        self::assertCount(1, $this->getJson('/api/customers/kittiwake-brewing/desk')->json('draft.changes'));
    }

    /** @param array<string, mixed> $line of the Roster */
    private function assertShowsItsFault(DemoCustomer $customer, array $line): void
    {
        $findings = array_filter(
            $this->getJson("/api/customers/{$customer->key()}/margin")->assertOk()->json('findings'),
            static fn (array $finding): bool => $finding['severity'] !== 'note',
        );
        $rules = array_values(array_column($findings, 'rule'));
        if ($customer->fault !== null && str_starts_with($customer->fault->rule, 'drift.')) {
            // Drift is no fault of the book: the Roster counts it, and what callers notice is told by the comparison.
            self::assertSame([], $rules, $customer->name());
            self::assertSame([13, true, 1, 1], [
                $line['differences'], $line['callersNotice'], $line['findings']['error'], $line['findings']['warning'],
            ]);
            $live = $this->getJson("/api/customers/{$customer->key()}/live/impact")->assertOk()->json();
            self::assertSame(['drift.caller-impact', 'drift.field-differs'], array_column($live['findings'], 'rule'));
            self::assertSame($live['findings'][0]['call'], $live['impact']['contrasts'][0]['sentence']);
            self::assertSame(
                [['attendant:main', 'answers/closed/greeting']],
                array_map(array_values(...), $live['noticed']),
                'of thirteen fields one',
            );
        } else {
            self::assertSame(
                $customer->isPushed
                    ? [...array_filter([$customer->fault?->rule]), ...$customer->besides]
                    : ['emergency.address-missing'],
                $rules,
                $customer->name(),
            );
        }
        if ($customer->fault?->isDialled === true) {
            $dialled = $this->postJson(
                "/api/customers/{$customer->key()}/outbound/dial",
                ['who' => "user:{$customer->people()[0]['key']}", 'digits' => $customer->fault->call],
            )->assertOk()->json();
            self::assertSame($customer->fault->comesTo, "{$dialled['end']} {$dialled['route']}", $customer->name());
        } elseif ($customer->fault !== null) {
            $telling = $this->postJson("/api/customers/{$customer->key()}/calls", [
                'sentence' => $customer->fault->call,
            ])->assertOk()->json('telling');
            self::assertSame(
                $customer->fault->comesTo,
                "{$telling['outcome']} {$telling['target']}",
                "{$customer->name()}: {$customer->fault->call}",
            );
        }
    }

    public function test_faults_of_our_own_are_logged_without_what_they_were_about(): void
    {
        $log = storage_path('logs/laravel.log');
        @unlink($log);
        try {
            DB::table('objects')->insert(['tenant_id' => 'secret-of-a-customer']);
        } catch (\Throwable $fault) {
            \App\Http\Problem\FaultLog::write($fault);
        }

        $written = implode('', array_map(
            static fn (string $file): string => (string) file_get_contents($file),
            glob(storage_path('logs/*.log')) ?: [],
        ));
        self::assertStringContainsString('QueryException', $written);
        self::assertStringNotContainsString('secret-of-a-customer', $written);
    }
}
