<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Change\Agreed;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Change\Whose;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Audit\Samples;
use Tests\Core\EditedFiles;

final class AgreedTest extends TestCase
{
    public function test_it_tells_what_was_not_pushed_from_what_was_changed_on_the_switch(): void
    {
        $book = static fn (string $mail, int $rings, ?string $more): Book => Samples::book([
            'users' => [['key' => 'a', 'email' => $mail]], 'groups' => [['key' => 'desk', 'ringsEach' => $rings]],
            'contacts' => $more === null ? [] : [['key' => $more, 'name' => 'Somebody']],
        ]);
        $agreed = new Agreed($book('a@x.example', 3, null));
        $whose = fn (Book $ours, Book $theirs): array => $this->told($agreed, $ours, $theirs);

        self::assertSame(
            ['user:a email' => Whose::Ours],
            $whose($book('b@x.example', 3, null), $book('a@x.example', 3, null)),
        );
        self::assertSame(
            ['user:a email' => Whose::Theirs],
            $whose($book('a@x.example', 3, null), $book('b@x.example', 3, null)),
        );
        self::assertSame(
            ['user:a email' => Whose::Both],
            $whose($book('b@x.example', 3, null), $book('c@x.example', 3, null)),
        );
        self::assertSame(
            ['user:a email' => Whose::Ours, 'group:desk ringsEach' => Whose::Theirs],
            $whose($book('b@x.example', 3, null), $book('a@x.example', 4, null)),
        );
        self::assertSame(
            ['contact:new ' => Whose::Ours],
            $whose($book('a@x.example', 3, 'new'), $book('a@x.example', 3, null)),
        );
        self::assertSame(
            ['contact:new ' => Whose::Theirs],
            $whose($book('a@x.example', 3, null), $book('a@x.example', 3, 'new')),
        );
        self::assertSame(
            ['user:a email' => Whose::Theirs],
            $this->told(new Agreed(null), $book('b@x.example', 3, null), $book('a@x.example', 3, null)),
            'nobody knows',
        );
    }

    /** Adopted, an edit of theirs is agreed on: what they change next is theirs again. */
    public function test_what_both_come_to_say_is_agreed_on(): void
    {
        $book = static fn (string $mail): Book => Samples::book(['users' => [['key' => 'a', 'email' => $mail]]]);
        $agreed = new Agreed((new Agreed($book('a@x.example')))->after($book('b@x.example'), $book('b@x.example')));

        self::assertSame(
            ['user:a email' => Whose::Theirs],
            $this->told($agreed, $book('b@x.example'), $book('c@x.example')),
        );
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 40) as $seed) {
            yield "seed {$seed}" => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function test_laws(int $seed): void
    {
        $json = (string) file_get_contents(dirname(__DIR__, 3) . '/docs/examples/inlet.json');
        $base = BookFormat::fromJson($json);
        $here = iterator_to_array(EditedFiles::from($json, $seed, 4), false);
        $there = iterator_to_array(EditedFiles::from($json, $seed + 1000, 4), false);
        $agreed = new Agreed($base);
        foreach ($here as $place => $ours) {
            $theirs = $there[$place] ?? $base;
            self::assertSame(
                [],
                array_filter(
                    $this->told($agreed, $ours, $base),
                    static fn (Whose $whose): bool => $whose !== Whose::Ours,
                ),
                'only the book was edited',
            );
            self::assertSame(
                [],
                array_filter(
                    $this->told($agreed, $base, $theirs),
                    static fn (Whose $whose): bool => $whose !== Whose::Theirs,
                ),
                'only the switch was',
            );
            self::assertTrue(
                Diff::between($base, $agreed->after($ours, $base))->isEmpty(),
                'nobody agreed on an edit that is not there yet',
            );
            self::assertTrue(Diff::between($base, $agreed->after($base, $theirs))->isEmpty());
            self::assertTrue(Diff::between($ours, $agreed->after($ours, $ours))->isEmpty(), 'pushed');
            self::assertSame(
                $this->told($agreed, $ours, $theirs),
                $this->told(new Agreed($agreed->after($ours, $theirs)), $ours, $theirs),
                'looking twice says the same',
            );
        }
    }

    /** @return array<string, Whose> by object and path */
    private function told(Agreed $agreed, Book $book, Book $live): array
    {
        $told = [];
        foreach (Diff::between($book, $live)->operations as $operation) {
            $told["{$operation->object} {$operation->path}"] = $agreed->whose($operation);
        }

        return $told;
    }
}
