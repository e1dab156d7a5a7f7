<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Eris\Generators;
use Eris\TestTrait;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Change\Merge;
use PHPUnit\Framework\TestCase;
use Tests\Core\Books;

/** The laws that diff, apply, inverse and merge keep, on random books and random edits. */
final class ChangeLawsTest extends TestCase
{
    use TestTrait;

    public function test_a_book_does_not_differ_from_itself(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            self::assertTrue(Diff::between(Books::random($seed), Books::random($seed))->isEmpty());
        });
    }

    public function test_the_difference_applied_to_the_first_book_gives_the_second(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $before = Books::random($seed);
            $after = Books::edited($before, $seed + 1);
            self::assertSame(Books::content($after), Books::content(Diff::between($before, $after)->applyTo($before)));
        });
    }

    public function test_undo_gives_back_what_was(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $before = Books::random($seed);
            $changes = Diff::between($before, Books::edited($before, $seed + 1));
            self::assertSame(Books::content($before), Books::content(
                $changes->inverse()->applyTo($changes->applyTo($before)),
            ));
        });
    }

    public function test_a_change_set_survives_being_written_down(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $before = Books::random($seed);
            $changes = Diff::between($before, Books::edited($before, $seed + 1));
            $again = ChangeSet::read(json_decode(json_encode($changes->toArray(), JSON_THROW_ON_ERROR), true));
            self::assertSame(Books::content($changes->applyTo($before)), Books::content($again->applyTo($before)));
        });
    }

    public function test_merging_onto_an_unchanged_head_changes_nothing_of_it(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $head = Books::random($seed);
            $ours = Diff::between($head, Books::edited($head, $seed + 1));
            $merge = Merge::onto($head, $ours);
            self::assertSame([], $merge->clashes);
            self::assertSame($ours->toArray(), $merge->changes->toArray());
        });
    }

    public function test_what_both_sides_did_the_same_is_done_once(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $base = Books::random($seed);
            $ours = Diff::between($base, Books::edited($base, $seed + 1));
            $merge = Merge::onto($ours->applyTo($base), $ours);
            self::assertSame([], $merge->clashes);
            self::assertTrue($merge->changes->isEmpty());
        });
    }

    public function test_where_nothing_clashes_it_does_not_matter_who_comes_first(): void
    {
        $this->limitTo(200)->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $base = Books::random($seed);
            $ours = Diff::between($base, Books::edited($base, $seed + 1));
            $theirs = Diff::between($base, Books::edited($base, $seed + 2));
            $oursSecond = Merge::onto($theirs->applyTo($base), $ours);
            $theirsSecond = Merge::onto($ours->applyTo($base), $theirs);
            self::assertSame(count($oursSecond->clashes) > 0, count($theirsSecond->clashes) > 0);
            if ($oursSecond->clashes === []) {
                self::assertSame(
                    self::unordered($oursSecond->changes->applyTo($theirs->applyTo($base))),
                    self::unordered($theirsSecond->changes->applyTo($ours->applyTo($base))),
                );
            }
        });
    }

    /**
     * Two who put a phone in the same place both get theirs; which stands first there is the later one's.
     *
     * @return array<string, array<string, mixed>>
     */
    private static function unordered(Book $book): array
    {
        return array_map(static function (array $fields): array {
            if (isset($fields['legs']) && is_array($fields['legs'])) {
                $fields['legs'] = array_column($fields['legs'], null, 'item');
                ksort($fields['legs']);
            }

            return $fields;
        }, Books::content($book));
    }
}
