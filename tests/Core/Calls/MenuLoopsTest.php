<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use PHPUnit\Framework\TestCase;

/** Where a call is in the same state again: two faults that the practice switch's own reading found. */
final class MenuLoopsTest extends TestCase
{
    public function test_a_menu_entered_anew_on_silence_keeps_the_transfers_that_came_back(): void
    {
        $trace = $this->trace(['silence' => 'again', 'keys' => ['1' => ['to' => 'user:ana']]], [['key' => '1']], [
            'user:ana' => 'busy',
        ]);

        // Back at 0 s with one return; silent at 5 s it is entered anew with that return, which is the same state.
        self::assertSame([Outcome::Loop, 'menu:main', 5], [$trace->outcome, $trace->target, $trace->seconds]);
    }

    public function test_a_hash_alone_in_a_directory_is_a_key_of_the_script(): void
    {
        $trace = $this->trace(['silence' => 'directory', 'keys' => []], [['key' => '#', 'at' => 6]]);

        // Directory at 5 s, # at 6 s, two tries more to 26 s; round again without a key: 31 s to 61 s.
        self::assertSame([Outcome::Loop, 'menu:main', 61], [$trace->outcome, $trace->target, $trace->seconds]);
    }

    /**
     * @param  array<string, mixed>  $menu
     * @param  list<array<string, mixed>>  $keys
     * @param  array<string, string>  $world
     */
    private function trace(array $menu, array $keys, array $world = []): Trace
    {
        $book = $this->book($menu);

        return Trace::of($book, Script::read(
            ['to' => '+19025550100', 'at' => '2026-12-01T10:00', 'keys' => $keys, 'world' => $world],
            $book,
        ));
    }

    /** @param array<string, mixed> $menu */
    private function book(array $menu): Book
    {
        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => 1, 'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'numbers' => [['key' => '+19025550100', 'destination' => 'menu:main']],
            'users' => [['key' => 'ana', 'legs' => [['item' => 'desk']]]],
            'menus' => [['key' => 'main', 'plays' => 1, 'wait' => 5] + $menu],
        ]);
    }
}
