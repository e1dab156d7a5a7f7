<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\Support\TestDatabase;

/** Row-level security with the WHERE left out: the database itself must not give what is out of scope. */
final class RowSecurityTest extends FeatureTestCase
{
    private const BOOKS = [
        'objects', 'object_links', 'revisions', 'drafts', 'template_applications', 'bindings', 'live_snapshots',
        'agreed', 'dropped_drafts', 'pushes', 'push_steps', 'drift_waivers', 'finding_waivers', 'tenant_thresholds',
        'kept_books', 'unnoted_fields', 'since_signed', 'signed_books', 'secrets', 'port_papers', 'recordings',
        'call_records', 'call_readings', 'address_checks', 'emergency_tests', 'line_measurements', 'floor_plans',
        'telephones_heard',
        'address_asks', 'address_answers', 'verified_numbers', 'number_registrations',
    ];

    /**
     * Customers that are looked at and not changed: making one takes seconds, and every table asks for them.
     *
     * @var array<string, array{key: string, id: string, number: string}>
     */
    private static array $kept = [];

    public function test_every_table_that_names_a_customer_is_under_forced_row_level_security(): void
    {
        $open = TestDatabase::owner()->query(<<<'SQL'
            select c.relname from pg_class c join pg_namespace n on n.oid = c.relnamespace
            where n.nspname = 'public' and c.relkind = 'r' and not (c.relrowsecurity and c.relforcerowsecurity)
                and (c.relname = 'tenants' or exists (select 1 from pg_attribute a where a.attrelid = c.oid
                    and a.attname = 'tenant_id' and not a.attisdropped))
            SQL)->fetchAll(\PDO::FETCH_COLUMN);

        self::assertSame([], $open);
    }

    public function test_the_tables_tested_here_are_all_of_a_book(): void
    {
        $tables = TestDatabase::owner()->query(
            "select table_name from information_schema.columns where table_schema = 'public' and column_name = "
                . "'tenant_id' order by 1",
        )->fetchAll(\PDO::FETCH_COLUMN);

        self::assertEqualsCanonicalizing($tables, [
            ...self::BOOKS, 'tenant_summaries', 'devices', 'findables', 'findings', 'finding_days', 'audited_customers',
            'grants', 'invitations', 'activity', 'numbers', 'port_cases',
        ]);
    }

    #[DataProvider('books')]
    public function test_the_scope_of_a_customer_shows_that_customers_rows_alone(string $table): void
    {
        $one = $this->customerWithEverything();
        $other = $this->customerWithEverything('another');

        foreach ([$one, $other] as $customer) {
            $ids = $this->scope()->tenant(
                $this->lead->id,
                $customer['key'],
                Ability::Read,
                static fn (): array => DB::table($table)->distinct()->pluck('tenant_id')->all(),
            );
            self::assertSame([$customer['id']], $ids, $table);
        }
    }

    #[DataProvider('books')]
    public function test_outside_any_scope_and_in_a_technicians_there_are_no_books(string $table): void
    {
        $this->customerWithEverything();

        self::assertSame(0, DB::table($table)->count());
        self::assertSame(
            0,
            $this->scope()->technician($this->lead->id, static fn (): int => DB::table($table)->count()),
        );
    }

    #[DataProvider('books')]
    public function test_a_customer_in_scope_without_a_grant_shows_nothing(string $table): void
    {
        $customer = $this->customerWithEverything();
        $stranger = $this->technician();

        self::assertSame(
            0,
            $this->rawScope($stranger->id, $customer['id'], static fn (): int => DB::table($table)->count()),
        );
    }

    /** @return iterable<string, array{string}> */
    public static function books(): iterable
    {
        foreach (self::BOOKS as $table) {
            yield $table => [$table];
        }
    }

    public function test_a_technicians_scope_shows_the_customers_granted_and_lets_none_be_written(): void
    {
        $mine = $this->takeOn();
        $theirs = $this->takeOn();
        $sol = $this->technician();
        $this->grant($sol, $mine['id'], Ability::Push);

        $this->scope()->technician($sol->id, static function () use ($mine): void {
            self::assertSame([$mine['id']], DB::table('tenants')->pluck('id')->all());
            self::assertSame([$mine['id']], DB::table('tenant_summaries')->pluck('tenant_id')->all());
            self::assertSame([$mine['id']], DB::table('findables')->distinct()->pluck('tenant_id')->all());
            self::assertSame(0, DB::table('tenants')->update(['name' => 'Written over']));
            self::assertSame(0, DB::table('findables')->update(['words' => 'written over']));
        });
        self::assertNotSame('Written over', $this->scope()->technician(
            $this->lead->id,
            static fn (): mixed => DB::table('tenants')->where('id', $theirs['id'])->value('name'),
        ));
    }

    public function test_a_row_cannot_be_written_for_a_customer_out_of_scope(): void
    {
        $one = $this->takeOn();
        $other = $this->takeOn();

        $this->expectException(QueryException::class);
        $this->expectExceptionMessage('violates row-level security policy');

        $this->scope()->tenant($this->lead->id, $one['key'], Ability::Edit, static fn (): bool => DB::table('drafts')
            ->insert([
                'tenant_id' => $other['id'], 'technician_id' => '6f2a1f4e-0a43-4be0-9c3b-3f5a2d3c1b00',
                'base_revision' => 1, 'operations' => '[]', 'updated_at' => now(),
            ]));
    }

    public function test_an_update_without_where_touches_the_customer_in_scope_alone(): void
    {
        $one = $this->takeOn();
        $other = $this->takeOn();

        $touched = $this->scope()->tenant(
            $this->lead->id,
            $one['key'],
            Ability::Edit,
            static fn (): int => DB::table('objects')->update(['origin' => 'touched']),
        );

        self::assertSame(8, $touched);
        self::assertSame(0, $this->scope()->tenant(
            $this->lead->id,
            $other['key'],
            Ability::Read,
            static fn (): int => DB::table('objects')->where('origin', 'touched')->count(),
        ));
    }

    public function test_a_grant_that_runs_out_takes_the_rows_with_it(): void
    {
        $customer = $this->takeOn();
        $sol = $this->technician();
        $this->grant($sol, $customer['id'], Ability::Push, new \DateTimeImmutable('2026-12-01T18:05:00Z'));

        self::assertSame(
            0,
            $this->rawScope($sol->id, $customer['id'], static fn (): int => DB::table('objects')->count()),
        );
    }

    public function test_nobody_gives_themselves_a_grant(): void
    {
        $customer = $this->takeOn();
        $sol = $this->technician();

        $this->expectExceptionMessage('violates row-level security policy');

        $this->scope()->technician($sol->id, static fn (): bool => DB::table('grants')->insert([
            'id' => $customer['id'], 'technician_id' => $sol->id, 'tenant_id' => $customer['id'], 'ability' => 'push',
            'given_by' => $sol->id,
        ]));
    }

    public function test_stock_shows_what_is_free_and_what_is_ones_own_and_changes_hands_by_its_two_doors_alone(): void
    {
        $customer = $this->takeOn();
        $other = $this->takeOn();
        $free = $this->stockNumber();

        $this->scope()->tenant(
            $this->lead->id,
            $customer['key'],
            Ability::Edit,
            static function () use ($customer, $other, $free): void {
                $seen = DB::table('numbers')->pluck('e164')->all();
                self::assertContains($free, $seen);
                self::assertContains($customer['number'], $seen);
                self::assertNotContains($other['number'], $seen);
            },
        );
        $this->expectExceptionMessage('permission denied for table numbers');
        $this->scope()->tenant(
            $this->lead->id,
            $customer['key'],
            Ability::Edit,
            static fn (): int => DB::table('numbers')->update(['tenant_id' => $customer['id']]),
        );
    }

    public function test_a_number_is_taken_neither_without_a_grant_nor_twice(): void
    {
        $customer = $this->takeOn();
        $other = $this->takeOn();
        $stranger = $this->technician();
        $free = $this->stockNumber();

        $this->assertRefused('no grant for this customer', fn () => $this->rawScope(
            $stranger->id,
            $customer['id'],
            static fn (): array => DB::select('select take_number(?)', [$free]),
        ));
        $this->assertRefused('is not free', fn () => $this->rawScope(
            $this->lead->id,
            $customer['id'],
            static fn (): array => DB::select('select take_number(?)', [$other['number']]),
        ));
        $this->rawScope($this->lead->id, $customer['id'], static fn (): array => DB::select(
            'select release_number(?)',
            [$other['number']],
        ));
        self::assertContains($other['number'], $this->rawScope(
            $this->lead->id,
            $other['id'],
            static fn (): array => DB::table('numbers')->pluck('e164')->all(),
        ));
    }

    public function test_revisions_activity_and_template_versions_are_append_only_even_for_their_owner(): void
    {
        $customer = $this->takeOn();
        foreach (['update revisions set note = null', 'delete from revisions'] as $sql) {
            $this->assertRefused('permission denied', fn () => $this->rawScope(
                $this->lead->id,
                $customer['id'],
                static fn (): int => DB::affectingStatement($sql),
            ));
        }
        $owner = TestDatabase::owner();
        foreach (
            [
                'truncate revisions cascade', 'truncate activity', 'delete from template_versions',
                'update template_versions set no = 9',
            ] as $sql
        ) {
            $this->assertRefused('is append-only', static fn () => $owner->exec($sql));
        }
        $owner->beginTransaction();
        $owner->exec(
            "select set_config('app.technician_id', '{$this->lead->id}', true), set_config('app.tenant_id', "
                . "'{$customer['id']}', true)",
        );
        $this->assertRefused('revisions is append-only', static fn () => $owner->exec(
            "update revisions set note = 'rewritten'",
        ));
        $owner->rollBack();
    }

    public function test_the_applications_role_is_nobody_special(): void
    {
        $role = DB::selectOne(
            'select rolsuper, rolcreatedb, rolcreaterole, rolbypassrls from pg_roles where rolname = current_user',
        );

        self::assertSame(
            ['rolsuper' => false, 'rolcreatedb' => false, 'rolcreaterole' => false, 'rolbypassrls' => false],
            (array) $role,
        );
        self::assertSame([], DB::select(
            "select 1 from pg_class c join pg_roles r on r.oid = c.relowner where r.rolname = current_user",
        ));
        $this->assertRefused('permission denied to set role', static fn () => DB::statement('set role roster_owner'));
        $this->assertRefused('permission denied', static fn () => DB::statement('create table sneaky (id int)'));
        $this->assertRefused('must be owner of table', static fn () => DB::statement(
            'alter table objects no force row level security',
        ));
    }

    /** @return array{key: string, id: string, number: string} with at least a row in every table of a book */
    private function customerWithEverything(string $which = 'one'): array
    {
        if (isset(self::$kept[$which])) {
            return self::$kept[$which];
        }
        $customer = $this->takeOn();
        $this->edit($customer['key'], [
            ['object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'ines@thornback.example'],
            ...self::addressed('14 Ardent Road'),
        ])->assertOk();
        $site = "/api/customers/{$customer['key']}/sites/office";
        $this->postJson("{$site}/address-checks")->assertCreated();
        $this->postJson("{$site}/tests", self::failedTest())->assertCreated();
        $this->placesInFull($customer['key']);
        self::assertSame('done', $this->push($customer['key'])['status']);
        $this->postJson(
            "/api/customers/{$customer['key']}/signed",
            ['revision' => 1, 'by' => 'I. Marsh', 'on' => '2026-12-01'],
        )->assertCreated();
        $this->enter($customer['key']);
        $this->getJson("/api/customers/{$customer['key']}/telephones")->assertOk();
        $this->readAgain($customer['key']);
        $this->postJson(
            "/api/customers/{$customer['key']}/live/waivers",
            ['object' => 'user:ines-marsh', 'path' => 'email', 'reason' => 'of the test'],
        )->assertCreated();
        $found = $this->getJson("/api/customers/{$customer['key']}/margin")->assertOk()->json('findings.0.fingerprint');
        $this->postJson(
            "/api/customers/{$customer['key']}/findings/waivers",
            ['fingerprint' => $found, 'reason' => 'of the test'],
        )->assertCreated();
        $this->putJson("/api/customers/{$customer['key']}/thresholds/mostChoices", ['value' => 6])->assertOk();
        $this->postJson("/api/customers/{$customer['key']}/secrets", [
            'object' => 'mailbox:ines-marsh',
        ])->assertCreated();
        $this->sentPort($customer['key'], self::port($customer['number']));
        $this->postJson("/api/customers/{$customer['key']}/identity/elsewhere", ['number' => '+12065550123'])
            ->assertCreated();
        $this->scope()->tenant($this->lead->id, $customer['key'], Ability::Push, fn () => DB::table(
            'number_registrations',
        )->insert([
            'tenant_id' => $customer['id'], 'number' => $customer['number'], 'kind' => 'name',
            'said' => '{"name": "INLET"}', 'state' => 'filed', 'filed_by' => $this->lead->id,
            'filed_at' => '2026-12-01T00:00:00Z', 'read_at' => '2026-12-01T00:00:00Z',
        ]));
        $this->edit($customer['key'], [[
            'op' => 'create', 'object' => 'prompt:hello', 'path' => '',
            'value' => ['name' => 'Hello', 'script' => 'Hello.'],
        ]])->assertOk();
        $this->scope()->tenant(
            $this->lead->id,
            $customer['key'],
            Ability::Read,
            static fn (): int => DB::table('call_records')->insertOrIgnore([[
                'tenant_id' => $customer['id'], 'connector' => 'practice-switch', 'serial' => 1,
                'at' => '2026-12-01T10:00:00Z',
                'called' => 'extension:201', 'outcome' => 'answered', 'groups' => '[]', 'rang' => '[]', 'waited' => 1,
                'talked' => 1,
            ]]),
        );
        $this->postJson("/api/customers/{$customer['key']}/history/read")->assertOk();
        $this->postJson("/api/customers/{$customer['key']}/prompts/hello/recordings/speech")->assertCreated();
        $this->deleteJson("/api/customers/{$customer['key']}/draft")->assertNoContent();
        $this->edit($customer['key'], [
            ['object' => 'user:ines-marsh', 'path' => 'email', 'value' => null],
        ])->assertOk();

        return self::$kept[$which] = $customer;
    }

    /**
     * A scope as App\Access\Scope sets it, without its own check: what a forgotten check would leave.
     *
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     */
    private function rawScope(string $technicianId, string $tenantId, callable $work): mixed
    {
        return DB::transaction(static function () use ($technicianId, $tenantId, $work): mixed {
            DB::select(
                "select set_config('app.technician_id', ?, true), set_config('app.tenant_id', ?, true), "
                    . "set_config('app.now', '2026-12-01T18:05:00Z', true)",
                [$technicianId, $tenantId],
            );

            return $work();
        });
    }

    private function assertRefused(string $why, callable $work): void
    {
        try {
            $work();
        } catch (QueryException | \PDOException $fault) {
            self::assertStringContainsString($why, $fault->getMessage());

            return;
        }
        self::fail("this should have been refused: {$why}");
    }
}
