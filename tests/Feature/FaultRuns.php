<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use App\Push\PushRunner;
use App\Switching\Practice\Translation;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Jaunty\Core\Book\BookFormat;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Feature\Support\Wire;

/**
 * Pushes over a wire on which one call in five goes wrong and workers die at any moment: at the end the switch holds
 * the pinned revision, everything once, and no push is stuck. Waits are left out, so that nothing here takes real time.
 */
abstract class FaultRuns extends FeatureTestCase
{
    protected const FIRST = 1;

    private const RUNS = 50;

    private const DEEP_RUNS = 1000;

    private const SHARE_OF_TROUBLE = 20;

    private const TROUBLES = ['server error', 'too many', 'cut before', 'answer lost', 'killed before', 'killed after'];

    #[DataProvider('seeds')]
    public function test_a_push_ends_well_whatever_the_wire_does(int $seed): void
    {
        $dice = new Randomizer(new Mt19937($seed));
        [$customer, $collections] = $this->import(
            $seed % 5 === 0 ? 'tests/data/every-field.json' : 'docs/examples/inlet.json',
        );
        $this->wire->interfere = $this->trouble($dice);
        $this->pushThrough($customer);
        $this->edit($customer, $seed % 5 === 0
            ? [
                ['object' => 'group:desk', 'path' => 'ringsEach', 'value' => 1 + $seed % 90],
                ['op' => 'create', 'object' => 'mailbox:late', 'value' => ['name' => 'Late', 'owner' => 'user:ana']],
                ['object' => 'announcement:shut', 'path' => 'then', 'value' => 'mailbox:late'],
            ]
            : [
                ['object' => 'group:desk', 'path' => 'ringsEach', 'value' => 1 + $seed % 90],
                ['op' => 'create', 'object' => 'mailbox:late', 'value' => ['name' => 'Late', 'owner' => 'user:ines']],
                ['object' => 'user:ines', 'path' => 'mailbox', 'value' => 'mailbox:late'],
            ])->assertOk();
        $this->enter($customer)->assertCreated();
        $this->pushThrough($customer);
        $this->wire->interfere = null;

        self::assertSame([], $this->readAgain($customer));
        $collections['boxes'] = ($collections['boxes'] ?? 0) + 1;
        $account = '/v1/accounts/'
            . array_column($this->wire->byHand('GET', '/v1/accounts')['rows'], 'id', 'handle')[$customer];
        foreach ($collections as $collection => $count) {
            self::assertCount($count, $this->wire->byHand('GET', "{$account}/{$collection}")['rows'], $collection);
        }
        $made = array_filter(
            $this->wire->byHand('GET', "{$account}/edits")['rows'],
            static fn (array $edit): bool => $edit['what'] === 'made',
        );
        self::assertCount(array_sum($collections) + 1, $made, 'each record is made once');
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        $runs = getenv('DEEP') === 'yes' ? self::DEEP_RUNS : self::RUNS;
        // Every other seed, so that two workers share them.
        for ($seed = static::FIRST; $seed <= $runs; $seed += 2) {
            yield "seed {$seed}" => [$seed];
        }
    }

    /** @return \Closure(Request, \Closure): mixed */
    private function trouble(Randomizer $dice): \Closure
    {
        return static function (Request $request, \Closure $send) use ($dice): mixed {
            if ($dice->getInt(1, 100) > self::SHARE_OF_TROUBLE) {
                return null;
            }
            $trouble = self::TROUBLES[$dice->getInt(0, count(self::TROUBLES) - 1)];
            if (in_array($trouble, ['answer lost', 'killed after'], true)) {
                $send();
            }

            return match ($trouble) {
                'server error' => Http::response(['fault' => 'in a bad way'], 503),
                'too many' => Http::response(['fault' => 'wait'], 429, ['Retry-After' => '1']),
                'cut before', 'answer lost' => Wire::cut(),
                default => throw new \Error('killed'),
            };
        };
    }

    /** Works through a push as workers would, a new one in place of each that died, once its lease has run out. */
    private function pushThrough(string $customer): void
    {
        $push = $this->actingAs($this->lead)->postJson("/api/customers/{$customer}/pushes")
            ->assertStatus(202)
            ->json('id');
        $tenantId = $this->tenantId($customer);
        for ($slice = 0; $slice < 300; $slice++) {
            try {
                if ($this->app->make(PushRunner::class)->carryOn($tenantId, $this->lead->id, $push) === null) {
                    $ended = $this->getJson("/api/customers/{$customer}/pushes/{$push}")->assertOk()->json();
                    self::assertSame('done', $ended['status'], (string) $ended['reason']);

                    return;
                }
            } catch (\Error $killed) {
                self::assertSame('killed', $killed->getMessage());
                $this->scope()->tenant(
                    $this->lead->id,
                    $customer,
                    Ability::Push,
                    static fn (): int => DB::table('pushes')->update(
                        ['lease_until' => new \DateTimeImmutable('-1 second')],
                    ),
                );
            }
        }
        self::fail('the push is stuck');
    }

    /** @return array{string, array<string, int>} the customer, and how many records each collection is to hold */
    private function import(string $file): array
    {
        $value = $this->bookFrom($file);
        $this->actingAs($this->lead)->postJson('/api/taking-on/book', $value)->assertCreated();
        $count = [];
        foreach (BookFormat::fromValue($value)->objects() as $object) {
            $collection = Translation::collection($object->kind());
            if ($collection !== null) {
                $count[$collection] = ($count[$collection] ?? 0) + 1;
            }
        }

        return [$value['tenant']['key'], $count];
    }
}
