<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use App\Push\PushRunner;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;

/** More than ten thousand objects, and as many findings: lists that one statement of PostgreSQL does not hold. */
final class LargeCustomerTest extends FeatureTestCase
{
    private const USERS = 5_000;

    /** Each with several findings: no name, no way on, no recording. */
    private const MENUS = 2_500;

    public function test_a_customer_of_five_thousand_users_is_taken_on_and_its_run_sheet_made_in_few_statements(): void
    {
        $key = 'large-' . Str::lower(Str::random(8));
        // What would be worked through in the background is not a later test's to work through.
        Queue::fake();
        $statements = 0;
        DB::listen(static function () use (&$statements): void {
            $statements++;
        });

        $this->actingAs($this->lead)->postJson('/api/taking-on/book', self::book($key))->assertCreated();
        self::assertLessThan(200, $statements, 'statements to take it on');

        $tenantId = $this->tenantId($key);
        $found = fn (string $table): int => $this->scope()->tenant(
            $this->lead->id,
            $key,
            Ability::Read,
            static fn (): int => DB::table($table)->count(),
        );
        self::assertGreaterThan(2 * self::MENUS, $found('findings'));

        $statements = 0;
        $push = $this->postJson("/api/customers/{$key}/pushes")->assertStatus(202)->json('id');
        $this->app->make(PushRunner::class)->carryOn($tenantId, $this->lead->id, $push);
        self::assertGreaterThan(2 * self::USERS + self::MENUS, $found('push_steps'));
    }

    /** @return array<string, mixed> */
    private static function book(string $key): array
    {
        $device = random_int(0, 0xffff);
        $users = array_map(static fn (int $i): array => [
            'key' => "u{$i}", 'extension' => (string) (20_000 + $i),
            'name' => ['first' => "First{$i}", 'last' => "Last{$i}"], 'mailbox' => "mailbox:m{$i}",
            'legs' => [['item' => 'desk', 'hardware' => sprintf('02%04x%06x', $device, $i)]],
        ], range(0, self::USERS - 1));
        $mailboxes = array_map(
            static fn (int $i): array => ['key' => "m{$i}", 'owner' => "user:u{$i}"],
            range(0, self::USERS - 1),
        );

        return [
            'format' => 'jaunty-roster/tenant-book', 'version' => 1,
            'tenant' => ['key' => $key, 'name' => 'Large', 'zone' => 'America/Halifax'], 'users' => $users,
            'mailboxes' => $mailboxes,
            'menus' => array_map(static fn (int $i): array => ['key' => "n{$i}"], range(1, self::MENUS)),
        ];
    }
}
