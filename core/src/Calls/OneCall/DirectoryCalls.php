<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\OneCall;

use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\Event;
use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\Keypad;
use Jaunty\Core\Calls\Law\NameDirectory;
use Jaunty\Core\Calls\Law\State;

/**
 * Whom a script's keys spell in a directory, and when.
 *
 * @internal
 */
final readonly class DirectoryCalls
{
    public function __construct(private CallBook $book, private Keypad $keypad)
    {
    }

    public function resolve(State $state, int $now): Resolved
    {
        $directory = NameDirectory::of($this->book, $this->book->menuAt($state));
        $steps = [new TraceStep($now, $state->object, 'directory')];
        $pressed = false;
        for ($try = 0; $try < NameDirectory::TRIES; $try++) {
            [$keys, $now, $hasEnded] = $this->letters($now);
            $pressed = $pressed || $hasEnded || $keys !== '';
            $meant = $directory->meant($keys);
            if ($keys !== '') {
                $steps[] = new TraceStep($now, $state->object, "name {$keys}");
            }
            if (count($meant) > 1) {
                [$meant, $now] = $this->chosen($meant, $now);
            }
            if (count($meant) === 1) {
                return new Resolved(Event::of(EventKind::Named, $meant[0]), $now, $steps, true);
            }
        }

        return new Resolved(Event::of(EventKind::Silence), $now, $steps, $pressed);
    }

    /** @return array{string, int, bool} the keys of one try, when it was over, and whether # ended it */
    private function letters(int $now): array
    {
        $until = $now + NameDirectory::TRY_SECONDS;
        $keys = '';
        $at = $now;
        while (($key = $this->keypad->next($at, $until, $at)) !== null) {
            $at = $key[1];
            if ($key[0] === '#') {
                return [$keys, $at, true];
            }
            $keys .= $key[0];
        }

        return [$keys, $until, false];
    }

    /**
     * The list is read; a key chooses from it.
     *
     * @param  list<string>  $meant
     * @return array{list<string>, int}
     */
    private function chosen(array $meant, int $now): array
    {
        $key = $this->keypad->next($now, $now + NameDirectory::TRY_SECONDS, $now);
        if ($key === null) {
            return [[], $now + NameDirectory::TRY_SECONDS];
        }
        $place = ctype_digit($key[0]) ? (int) $key[0] - 1 : -1;

        return [isset($meant[$place]) && $place < NameDirectory::LONGEST_LIST ? [$meant[$place]] : [], $key[1]];
    }
}
