<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\BookRepository;
use App\Models\Ability;
use App\Models\TenantRow;
use App\Switching\BindingStore;
use App\Switching\Switches;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Change\OperationKind;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Core\EditedFiles;
use Tests\Core\RandomScripts;
use Tests\Feature\Support\SecondReading;

/**
 * The law of a push: whatever was edited here, of every field of every kind, the switch's own reading of a call is
 * core's reading of the book once the push is done, fields left to the customer included.
 */
final class PushedReadingTest extends FeatureTestCase
{
    private const ROUNDS = 3;

    private const CALLS = 12;

    private const EDITS_BEFORE = 8;

    /** @return iterable<string, array{string, int}> */
    public static function books(): iterable
    {
        foreach (range(1, getenv('DEEP') === 'yes' ? 60 : 6) as $seed) {
            yield "every field, {$seed}" => ['tests/data/every-field.json', $seed];
            yield "inlet, {$seed}" => ['docs/examples/inlet.json', $seed + 500];
        }
    }

    #[DataProvider('books')]
    public function test_what_was_edited_and_pushed_is_what_the_switch_does(string $file, int $seed): void
    {
        $customer = $this->takenOn($file, $seed);
        self::assertSame('done', $this->push($customer)['status']);
        $dice = new RandomScripts($seed);
        $entered = 0;
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $entered += $this->editAtRandom($customer, $seed + 100 * $round) ? 1 : 0;
            $push = $this->push($customer);
            self::assertSame('done', $push['status'], (string) $push['reason']);
            self::assertSame([], $this->readAgain($customer));
            [$book, $switch] = $this->onSwitch($customer);
            for ($call = 0; $call < self::CALLS; $call++) {
                $script = $dice->of($book);
                $ours = Trace::of($book, Script::read($script, $book))->toArray();
                $theirs = $switch->place($script);

                self::assertSame(
                    [$ours['outcome'], $ours['target'], $ours['seconds']],
                    [$theirs['outcome'], $theirs['target'], $theirs['seconds']],
                    json_encode($script, JSON_THROW_ON_ERROR),
                );
            }
        }
        self::assertGreaterThan(0, $entered);
    }

    /** A book made of another by edits at random; as it is, where nobody would be let take that one on. */
    private function takenOn(string $file, int $seed): string
    {
        $value = $this->bookFrom($file);
        foreach (
            array_reverse(iterator_to_array(
                EditedFiles::from(json_encode($value, JSON_THROW_ON_ERROR), $seed + 7000, self::EDITS_BEFORE),
                false,
            )) as $edited
        ) {
            $answer = $this->actingAs($this->lead)->postJson(
                '/api/taking-on/book',
                (array) json_decode(BookFormat::toJson($edited), true, flags: JSON_THROW_ON_ERROR),
            );
            if ($answer->getStatusCode() === 201) {
                return $edited->tenant->key;
            }
        }
        $this->actingAs($this->lead)->postJson('/api/taking-on/book', $value)->assertCreated();

        return $value['tenant']['key'];
    }

    /** Whether anything of it could be entered: what the desk refuses is refused. */
    private function editAtRandom(string $customer, int $seed): bool
    {
        $before = $this->onSwitch($customer)[0];
        foreach (EditedFiles::from(BookFormat::toJson($before), $seed, 3) as $after) {
            foreach (Diff::between($before, $after)->operations as $operation) {
                $this->actingAs($this->lead)->postJson("/api/customers/{$customer}/draft/edits", [
                    'edits' => [self::asSent($operation)],
                ]);
            }
        }

        return $this->postJson("/api/customers/{$customer}/draft/enter", [])->getStatusCode() === 201;
    }

    /** @return array{Book, SecondReading} */
    private function onSwitch(string $customer): array
    {
        return $this->scope()->tenant($this->lead->id, $customer, Ability::Read, function (TenantRow $tenant): array {
            $book = $this->app->make(BookRepository::class)->head($tenant->id);

            return [$book, SecondReading::pushed($this->wire, $book, $this->app->make(BindingStore::class)->load(
                $tenant->id,
                $this->app->make(Switches::class)->standard()->name(),
                [$book],
            ))];
        });
    }

    /** @return array<string, mixed> as a screen sends it */
    private static function asSent(Operation $operation): array
    {
        $keys = static fn (mixed $keys): array => array_values(
            array_filter(is_array($keys) ? $keys : [], is_string(...)),
        );

        return match ($operation->kind) {
            OperationKind::Set => [
                'object' => (string) $operation->object,
                'path' => $operation->path,
                'value' => $operation->after,
            ],
            OperationKind::Move => [
                'op' => 'move', 'object' => (string) $operation->object,
                'path' => substr((string) $operation->path, 0, -strlen('/#order')), 'value' => $keys($operation->after),
            ],
            OperationKind::Create => [
                'op' => 'create',
                'object' => (string) $operation->object,
                'value' => $operation->after,
            ],
            OperationKind::Delete => ['op' => 'delete', 'object' => (string) $operation->object, 'value' => null],
        };
    }
}
