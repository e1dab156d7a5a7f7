<?php

declare(strict_types=1);

namespace Tests\Feature;

use Tests\Feature\Support\TestDatabase;

/**
 * Rows as they were written when the format was of its first version: read, changed, undone and compared as what they
 * meant.
 */
final class OlderRowsTest extends FeatureTestCase
{
    private const RINGS = 'places/a/rings';

    public function test_a_customer_of_the_first_version_is_read_changed_undone_and_compared(): void
    {
        $customer = $this->postedBook();
        $this->edit($customer, [['object' => 'chain:nights', 'path' => self::RINGS, 'value' => 1]])->assertOk();
        $this->enter($customer)->assertCreated();
        $this->edit($customer, [['object' => 'group:desk', 'path' => 'ringsEach', 'value' => 7]])->assertOk();
        $this->enter($customer)->assertCreated();
        $this->edit($customer, [['object' => 'chain:nights', 'path' => 'places/b/rings', 'value' => 1]])->assertOk();
        $this->makeOld($customer);

        self::assertSame(1, $this->rings($customer, 'a'), 'the body and the revision said 0');
        self::assertSame(1, $this->rings($customer, 'b'), 'so did the draft');
        self::assertSame([], $this->getJson("/api/customers/{$customer}/desk")->json('draft.clashes'));
        $this->enter($customer)->assertCreated();

        $this->postJson("/api/customers/{$customer}/revisions/2/undo")->assertCreated();
        self::assertSame(2, $this->rings($customer, 'a'));
        self::assertSame(
            7,
            collect(
                (array) $this->getJson("/api/customers/{$customer}/desk")->json('objects'),
            )->firstWhere('ref', 'group:desk')['fields']['ringsEach'],
        );

        $changes = collect(
            (array) $this->getJson("/api/customers/{$customer}/revisions")->assertOk()->json('revisions'),
        )->firstWhere('no', 2)['changes'];
        self::assertSame(
            [[2, 1]],
            array_map(static fn (array $change): array => [$change['before'], $change['after']], $changes),
        );
    }

    /** What was read of the switch then is compared with what the book says now. */
    public function test_a_reading_of_the_first_version_is_compared_with_the_book_of_today(): void
    {
        $customer = $this->postedBook();
        $this->push($customer);
        $this->edit($customer, [['object' => 'chain:nights', 'path' => self::RINGS, 'value' => 1]])->assertOk();
        $this->enter($customer)->assertCreated();
        $this->push($customer);
        self::assertSame([], $this->readAgain($customer));
        $this->makeOld($customer);

        self::assertSame([], $this->getJson("/api/customers/{$customer}/live")->assertOk()->json('differences'));
    }

    private function postedBook(): string
    {
        $book = $this->bookFrom('tests/data/version-1/every-field.json');
        self::assertSame(1, $book['version']);

        return $this->actingAs($this->lead)->postJson('/api/taking-on/book', $book)->assertCreated()->json('customer');
    }

    /** Everything that holds fields of the customer, as the first version wrote it: rings of 1 were 0 then. */
    private function makeOld(string $customer): void
    {
        $id = $this->tenantId($customer);
        $owner = TestDatabase::owner();
        $owner->beginTransaction();
        $owner->exec(
            "select set_config('app.tenant_id', '{$id}', true), set_config('app.technician_id', "
                . "'{$this->lead->id}', true)",
        );
        // Revisions refuse to be changed, even by their owner; here the past itself is made.
        $owner->exec('alter table revisions disable trigger user');
        foreach (['objects' => 'body', 'revisions' => 'operations', 'drafts' => 'operations'] as $table => $column) {
            $type = $table === 'objects' ? 'jsonb' : 'json';
            $changed = $owner->exec(
                "update {$table} set schema_version = 1, {$column} = regexp_replace({$column}::text, '(\"rings\": "
                    . "?|rings\",\"before\":(?:\\d+|null),\"after\": ?)1\\y', '\\10', "
                    . "'g')::{$type} where tenant_id = '{$id}'",
            );
            self::assertGreaterThanOrEqual($table === 'drafts' ? 0 : 1, $changed);
        }
        $owner->exec(
            "update live_snapshots set book = regexp_replace(regexp_replace(book::text, '\"rings\": ?1\\y', "
                . "'\"rings\": 0', 'g'), '\"version\": ?3', '\"version\": 1')::jsonb where tenant_id = '{$id}'",
        );
        $owner->exec('alter table revisions enable trigger user');
        self::assertStringContainsString(
            '"rings": 0',
            (string) $owner->query("select body::text from objects where tenant_id = '{$id}' and kind = 'chain'")
                ->fetchColumn(),
        );
        $owner->commit();
    }

    private function rings(string $customer, string $place): ?int
    {
        $chain = collect(
            (array) $this->getJson("/api/customers/{$customer}/desk")->assertOk()->json('objects'),
        )->firstWhere('ref', 'chain:nights');

        return collect((array) $chain['fields']['places'])->firstWhere('item', $place)['rings'];
    }
}
