<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\OneCall;

use Jaunty\Core\Book\ExtensionReach;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\Event;
use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\Keypad;
use Jaunty\Core\Calls\Law\State;

/**
 * Which key a script presses in a menu, or which extension it dials, and when.
 *
 * @internal
 */
final readonly class MenuCalls
{
    public function __construct(private CallBook $book, private Keypad $keypad)
    {
    }

    public function resolve(State $state, int $now): Resolved
    {
        $menu = $this->book->get($state->object, Menu::class);
        $steps = $state->afterWrong ? [] : [new TraceStep($now, $state->object, "play {$state->play}")];
        $promptEnds = $now
            + ($state->afterWrong ? $this->book->seconds($menu->invalidPrompt) : 0)
            + $this->book->seconds($menu->prompt);
        $key = $this->keypad->next($now, $promptEnds + $menu->wait, $menu->wait > 0 ? $promptEnds : null);
        if ($key === null) {
            return new Resolved(Event::of(EventKind::Silence), $promptEnds + $menu->wait, $steps);
        }
        [$digit, $at] = $key;
        [$event, $at] = $menu->dialExtensions['scope'] !== ExtensionReach::Off
            && ctype_digit($digit)
            && $this->couldBegin($menu, $digit)
            ? $this->collect($menu, $digit, $at)
            : [
                isset($menu->keys[$digit]) ? Event::of(EventKind::Key, $digit) : Event::of(EventKind::Wrong, $digit),
                $at,
            ];

        return new Resolved(
            $event,
            $at,
            [...$steps, new TraceStep(
                $at,
                $state->object,
                $event->kind === EventKind::Wrong ? 'wrong key' : "key {$event->detail}",
            )],
            true,
        );
    }

    /** @return array{Event, int} */
    private function collect(Menu $menu, string $dialled, int $at): array
    {
        $most = $menu->dialExtensions['most'] ?? $this->book->tenant()->extensionLength;
        $pause = $menu->dialExtensions['interdigit'];
        while (strlen($dialled) < $most) {
            $key = $this->keypad->next($at, $at + $pause, $at);
            if ($key === null) {
                $at += $pause;

                break;
            }
            $at = $key[1];
            if ($key[0] === '#') {
                break;
            }
            $dialled .= $key[0];
        }
        if (strlen($dialled) === 1 && isset($menu->keys[$dialled])) {
            return [Event::of(EventKind::Key, $dialled), $at];
        }
        $holder = strlen($dialled) >= $menu->dialExtensions['least'] ? $this->book->dialled($menu, $dialled) : null;

        return [$holder === null ? Event::of(EventKind::Wrong, $dialled) : Event::of(EventKind::Dialled, $holder), $at];
    }

    private function couldBegin(Menu $menu, string $digit): bool
    {
        foreach (array_keys($this->book->extensions()) as $extension) {
            if (
                str_starts_with((string) $extension, $digit)
                && $this->book->dialled($menu, (string) $extension) !== null
            ) {
                return true;
            }
        }

        return false;
    }
}
