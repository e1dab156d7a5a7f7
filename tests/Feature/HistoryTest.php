<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Audit\SurroundingsReader;
use App\Book\BookRepository;
use App\Book\FieldEdit;
use App\Book\RevisionSource;
use App\Book\RevisionWriter;
use App\Models\Ability;
use App\Models\TenantRow;
use Illuminate\Support\Facades\DB;
use Jaunty\Core\Audit\Surroundings;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Change\Diff;

/** However many revisions a customer has, earlier books are reached and edits answered from a few rows. */
final class HistoryTest extends FeatureTestCase
{
    private const REVISIONS = 130;

    private const SIGNED = 60;

    public function test_every_earlier_book_is_what_it_was_and_none_is_reached_by_more_than_a_hundred_revisions(): void
    {
        $customer = $this->takeOn();
        $was = $this->grow($customer['key']);
        $read = [];
        DB::listen(static function ($query) use (&$read): void {
            if (str_contains($query->sql, 'from "revisions"')) {
                $read[] = $query->bindings;
            }
        });
        foreach ([1, 2, 59, 60, 99, 100, 101, 129, 130] as $no) {
            $at = fn (TenantRow $tenant): Book => $this->books()->at($tenant->id, $no);
            $book = $this->within($customer['key'], $at);
            self::assertSame($was[$no], BookFormat::toJson($book), "revision {$no}");
            self::assertSame(
                array_map(static fn ($object): ?string => $object->id(), $book->objects()),
                array_map(static fn ($object): ?string => $object->id(), $this->within(
                    $customer['key'],
                    fn (TenantRow $tenant): Book => $this->books()->head($tenant->id),
                )->objects()),
            );
        }
        // Up to the next that is kept, which is named beside it.
        self::assertContains([$customer['id'], 2, 60], $read);
        self::assertContains([$customer['id'], 99, 100], $read);
        self::assertContains([$customer['id'], 101], $read);
    }

    public function test_rules_are_told_of_the_signed_book_and_of_fields_without_a_word_as_if_all_were_read(): void
    {
        $customer = $this->takeOn();
        $was = $this->grow($customer['key']);
        $read = 0;
        DB::listen(static function ($query) use (&$read): void {
            $read += str_contains($query->sql, '"revisions"') ? 1 : 0;
        });

        $reader = $this->app->make(SurroundingsReader::class);
        $told = $this->within($customer['key'], fn (TenantRow $tenant): Surroundings => $reader->of(
            $tenant->id,
            $this->books()->head($tenant->id),
        ));

        self::assertSame(0, $read);
        self::assertNotNull($told->signed);
        self::assertSame($was[self::SIGNED], BookFormat::toJson($told->signed));
        self::assertSame(['user:ines-marsh email'], array_values(array_filter(
            $told->unexplained,
            static fn (string $field): bool => str_starts_with($field, 'user:'),
        )));
        // In one row each, however often they were changed.
        self::assertSame(1, $this->within($customer['key'], static fn (TenantRow $tenant): int => DB::table(
            'unnoted_fields',
        )->where('tenant_id', $tenant->id)->where('object', 'user:ines-marsh')->count()));
        self::assertSame(1, $this->within($customer['key'], static fn (TenantRow $tenant): int => DB::table(
            'since_signed',
        )->where('tenant_id', $tenant->id)->count()));
    }

    /** @return array<int, string> the book as JSON by revision */
    private function grow(string $customer): array
    {
        $was = [1 => $this->within($customer, fn (TenantRow $tenant): string => BookFormat::toJson(
            $this->books()->head($tenant->id),
        ))];
        for ($no = 2; $no <= self::REVISIONS; $no++) {
            $was[$no] = $this->within($customer, function (TenantRow $tenant) use ($no): string {
                $head = $this->books()->head($tenant->id);
                $edit = $no % 3 === 0
                    ? FieldEdit::of('set', "tenant:{$tenant->key}", 'transferLimit', 2 + $no % 7)
                    : FieldEdit::of('set', 'user:ines-marsh', 'email', "{$no}@inlet.example");
                $this->app->make(RevisionWriter::class)->enter(
                    $tenant,
                    $this->lead->id,
                    Diff::between($head, $edit->applyTo($head)),
                    RevisionSource::Edit,
                    $no % 3 === 0 ? 'as asked' : null,
                );

                return BookFormat::toJson($this->books()->head($tenant->id));
            });
            if ($no === self::SIGNED) {
                $this->actingAs($this->lead)->postJson("/api/customers/{$customer}/signed", [
                    'revision' => self::SIGNED, 'by' => 'Ines Marsh',
                ])->assertCreated();
            }
        }

        return $was;
    }

    private function books(): BookRepository
    {
        return $this->app->make(BookRepository::class);
    }

    /**
     * @template T
     *
     * @param  callable(TenantRow): T  $work
     * @return T
     */
    private function within(string $customer, callable $work): mixed
    {
        return $this->scope()->tenant($this->lead->id, $customer, Ability::Edit, $work);
    }
}
