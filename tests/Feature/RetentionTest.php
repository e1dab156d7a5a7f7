<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use App\Time\Clock;
use App\Time\FixedClock;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\Feature\Support\TestDatabase;

/** What grows is kept as long as the house says, and a customer who left is gone when they are purged. */
final class RetentionTest extends FeatureTestCase
{
    protected function tearDown(): void
    {
        $this->settle([]);
        parent::tearDown();
    }

    public function test_a_reading_that_says_the_same_is_not_kept_beside_the_one_before(): void
    {
        $customer = $this->takeOn();
        self::assertSame('done', $this->push($customer['key'])['status']);
        $this->readAgain($customer['key']);
        $before = $this->readings($customer);

        $this->at('2026-12-02T03:10:00Z');
        $this->readAgain($customer['key']);
        $this->at('2026-12-03T03:10:00Z');
        $this->readAgain($customer['key']);
        $after = $this->readings($customer);

        self::assertCount(count($before), $after);
        self::assertStringStartsWith('2026-12-03', (string) end($after));
        $this->getJson("/api/customers/{$customer['key']}/live")->assertJsonPath('readAt', '2026-12-03T03:10:00+00:00');

        // What somebody changed on the switch is another reading, and both stay.
        $this->edit($customer['key'], [[
            'object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'b@inlet.example',
        ]])->assertOk();
        $this->enter($customer['key'])->assertCreated();
        $this->push($customer['key']);
        self::assertGreaterThan(count($after), count($this->readings($customer)));
    }

    public function test_what_is_past_its_time_goes_and_what_is_still_asked_for_stays(): void
    {
        $customer = $this->takeOn();
        $this->push($customer['key']);
        foreach ([1, 2] as $turn) {
            $this->edit($customer['key'], [[
                'object' => 'user:ines-marsh', 'path' => 'email', 'value' => "{$turn}@inlet.example",
            ]])->assertOk();
            $this->enter($customer['key'])->assertCreated();
            $this->push($customer['key']);
        }
        $this->edit($customer['key'], [[
            'op' => 'create', 'object' => 'prompt:hello', 'path' => '',
            'value' => ['name' => 'Hello', 'script' => 'Thank you for calling Inlet.'],
        ]])->assertOk();
        $prompt = "/api/customers/{$customer['key']}/prompts/hello/recordings";
        foreach (['ok_8k_mono_ulaw.wav', 'odd_7350_mono_pcm16.wav', 'ok_44k_stereo_pcm16.wav'] as $file) {
            $this->call('POST', "{$prompt}?origin=upload", server: [
                'CONTENT_TYPE' => 'audio/wav', 'HTTP_ACCEPT' => 'application/json',
            ], content: (string) file_get_contents(base_path("tests/data/wav/{$file}")))->assertCreated();
        }
        // The first is taken again: it is in use, however old it is.
        $this->postJson("{$prompt}/1/use")->assertOk();
        $this->enter($customer['key'])->assertCreated();
        self::assertGreaterThan(1, count($this->readings($customer)));
        $this->settle(['retention' => ['readings' => 30, 'recordings' => 30]]);

        Artisan::call('roster:tidy');
        self::assertGreaterThan(1, count($this->readings($customer)));
        self::assertSame([1, 2, 3], $this->recordings($customer));

        $this->at('2027-01-15T04:40:00Z');
        Artisan::call('roster:tidy');
        self::assertCount(1, $this->readings($customer));
        self::assertSame([1, 3], $this->recordings($customer));
        // The database lets nobody go further by asking.
        try {
            $this->scope()->tenant($this->lead->id, $customer['key'], Ability::Push, static fn (): int => DB::table(
                'recordings',
            )->where('tenant_id', $customer['id'])->delete());
            self::fail('recordings could be deleted');
        } catch (\Illuminate\Database\QueryException $refused) {
            self::assertStringContainsString('permission denied', $refused->getMessage());
        }
    }

    public function test_a_purged_customer_leaves_nothing_but_that_it_happened(): void
    {
        [$gone, $stays] = [$this->full('Gone ' . bin2hex(random_bytes(4))), $this->full('Stays')];
        $before = $this->rows($stays['id']);
        $purge = static fn (array $options): array => [
            Artisan::call('roster:purge', ['customer' => $gone['key']] + $options), Artisan::output(),
        ];
        $named = ['--as' => $this->lead->sign_in, '--name' => $gone['name']];
        [$code, $said] = $purge($named);
        self::assertSame(2, $code);
        self::assertStringContainsString('only who is archived is purged', $said);
        $this->edit($gone['key'], [['object' => "tenant:{$gone['key']}", 'path' => 'state', 'value' => 'archived']])
            ->assertOk();
        $this->enter($gone['key'])->assertCreated();
        foreach ([
            ['--name' => null], ['--name' => 'Somebody'], ['--as' => null], ['--as' => 'nobody@nowhere.example'],
        ] as $short) {
            self::assertSame(2, $purge($short + $named)[0]);
        }
        self::assertNotSame([], $this->rows($gone['id']));

        [$code, $said] = $purge($named);
        self::assertSame(0, $code, $said);
        self::assertStringContainsString('Backups made before now hold them until 2027-01-05', $said);

        self::assertSame([], $this->rows($gone['id']));
        self::assertSame([], $this->mentions($gone['key'], $gone['name']));
        self::assertSame($before, $this->rows($stays['id']));
        $this->actingAs($this->lead)->getJson("/api/customers/{$gone['key']}/desk")->assertNotFound();
        $number = $this->getJson('/api/stock/numbers?words=' . ltrim($gone['number'], '+'))->json('numbers.0');
        self::assertSame(
            [$gone['number'], 'resting', null],
            [$number['number'], $number['state'], $number['customer']],
            'it served: callers have to forget it first',
        );
        $entry = $this->getJson('/api/activity?what=' . urlencode('purged a customer'))->json('entries.0');
        self::assertSame($this->lead->name, $entry['who']);
        self::assertSame(0, Artisan::call('roster:verify-log'), Artisan::output());

        // A backup of before brings them back: they are purged again, by number.
        TestDatabase::owner()->exec("insert into purged_customers values ('{$stays['id']}', now(), now())");
        self::assertSame(0, Artisan::call('roster:purge', ['customer' => 'x', '--again' => true]));
        self::assertStringContainsString('1 purged again', Artisan::output());
        self::assertSame([], $this->rows($stays['id']));
    }

    /** @return array{key: string, id: string, number: string, name: string} with a row in as many tables as can be */
    private function full(string $name): array
    {
        $name .= ' ' . bin2hex(random_bytes(4));
        $customer = $this->takeOn($name);
        $at = "/api/customers/{$customer['key']}";
        $this->push($customer['key']);
        $this->postJson("{$at}/signed", ['revision' => 1, 'by' => 'Ines Marsh'])->assertCreated();
        $this->postJson("{$at}/secrets", ['object' => 'mailbox:ines-marsh'])->assertSuccessful();
        $this->edit($customer['key'], [[
            'op' => 'create', 'object' => 'prompt:hello', 'path' => '',
            'value' => ['name' => 'Hello', 'script' => 'Thank you for calling.'],
        ]])->assertOk();
        $this->postJson("{$at}/prompts/hello/recordings/speech")->assertCreated();
        $this->enter($customer['key'])->assertCreated();
        $finding = $this->getJson("{$at}/margin")->json('findings.0.fingerprint');
        $this->postJson("{$at}/findings/waivers", ['fingerprint' => $finding, 'reason' => 'as agreed'])
            ->assertCreated();
        $this->postJson("{$at}/ports", self::port($customer['number']))->assertSuccessful();
        $this->postJson('/api/people/grants', [
            'signIn' => $this->technician()->sign_in, 'customer' => $customer['key'], 'ability' => 'read',
        ])->assertCreated();
        $this->putJson("{$at}/thresholds/mostChoices", ['value' => 8])->assertOk();

        return $customer + ['name' => $name];
    }

    /** @return array<string, int> rows of a customer by table, seen by the owner with row security off */
    private function rows(string $tenantId): array
    {
        $found = [];
        foreach (self::unguarded(static fn (\PDO $owner): array => array_map(
            static fn (string $table): array => [$table, (int) $owner->query(
                "select count(*) from {$table} where tenant_id = '{$tenantId}'",
            )->fetchColumn()],
            self::tables($owner),
        )) as [$table, $count]) {
            if ($count > 0) {
                $found[$table] = $count;
            }
        }

        return $found;
    }

    /** @return list<string> tables in which any row still names them */
    private function mentions(string ...$words): array
    {
        return self::unguarded(static function (\PDO $owner) use ($words): array {
            $found = [];
            $tables = $owner->query("select tablename from pg_tables where schemaname = 'public'")
                ->fetchAll(\PDO::FETCH_COLUMN);
            foreach ($tables as $table) {
                foreach ($words as $word) {
                    $count = $owner->query('select count(*) from ' . $table . ' t where position('
                        . $owner->quote($word) . ' in t::text) > 0')->fetchColumn();
                    if ((int) $count > 0) {
                        $found[] = "{$table}: {$word}";
                    }
                }
            }

            return $found;
        });
    }

    /**
     * @template T
     *
     * @param  callable(\PDO): T  $work
     * @return T
     */
    private static function unguarded(callable $work): mixed
    {
        $owner = TestDatabase::owner();
        $forced = $owner->query("select relname from pg_class where relforcerowsecurity")->fetchAll(\PDO::FETCH_COLUMN);
        $owner->exec('begin');
        foreach ($forced as $table) {
            $owner->exec("alter table {$table} no force row level security");
        }
        try {
            return $work($owner);
        } finally {
            $owner->exec('rollback');
        }
    }

    /** @return list<string> */
    private static function tables(\PDO $owner): array
    {
        return $owner->query("select table_name from information_schema.columns where table_schema = 'public'
            and column_name = 'tenant_id' order by table_name")->fetchAll(\PDO::FETCH_COLUMN);
    }

    private function at(string $instant): void
    {
        $this->app->instance(Clock::class, new FixedClock($instant));
        $this->app->forgetScopedInstances();
    }

    /**
     * @param  array{key: string, id: string, number: string}  $customer
     * @return list<string> when each was read, the oldest first
     */
    private function readings(array $customer): array
    {
        $read = static fn (): array => DB::table('live_snapshots')->where('tenant_id', $customer['id'])
            ->orderBy('serial')->pluck('read_at')->all();

        return $this->scope()->tenant($this->lead->id, $customer['key'], Ability::Read, $read);
    }

    /**
     * @param  array{key: string, id: string, number: string}  $customer
     * @return list<int>
     */
    private function recordings(array $customer): array
    {
        $read = static fn (): array => DB::table('recordings')->where('tenant_id', $customer['id'])
            ->orderBy('no')->pluck('no')->all();

        return $this->scope()->tenant($this->lead->id, $customer['key'], Ability::Read, $read);
    }
}
