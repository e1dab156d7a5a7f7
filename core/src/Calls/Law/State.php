<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

/**
 * Where a call is: place, phase, the menus behind it, and where it came from. Two calls in the same state go on alike;
 * seconds, transfers and the hour are not part of it (design 03 section 5).
 */
final readonly class State
{
    private const MOST_FRAMES = 4;

    private string $key;

    /**
     * @param  string  $object  `kind:key`, or `outside:+E164`
     * @param  bool  $inside  dialled by a user of this tenant
     * @param  list<string>  $frames  menus to go back to, the last first to be gone back to
     * @param  int  $play  of a menu, from 1
     * @param  int  $wrong  wrong keys so far, of a menu
     * @param  int  $returns  transfers that came back, of a menu
     * @param  int  $position  of a chain: the place; -1 while its announcement plays
     * @param  string  $sender  who sends the call out, of an outside number
     * @param  bool  $needsRoute  of an outside number
     * @param  string  $callee  of a screened transfer: the user
     * @param  bool  $afterWrong  of a menu: its invalid prompt is played first; a matter of seconds, so no part of the
     *     key
     */
    private function __construct(
        public Place $place,
        public string $object,
        public bool $inside,
        public array $frames = [],
        public int $play = 1,
        public int $wrong = 0,
        public int $returns = 0,
        public int $position = 0,
        public string $sender = '',
        public bool $needsRoute = true,
        public string $callee = '',
        public bool $afterWrong = false,
    ) {
        // Most states are a place and where the call came from; the rest is written only where it stands.
        $this->key = "{$place->value} {$object} " . ($inside ? 'in' : 'out')
            . (
                $play === 1 && $wrong === 0 && $returns === 0 && $position === 0
                ? ''
                : " {$play} {$wrong} {$returns} {$position}"
            )
            . ($sender === '' && $callee === '' ? '' : " {$sender} {$callee}" . ($needsRoute ? '' : ' free'))
            . ($frames === [] ? '' : ' < ' . implode(' ', $frames));
    }

    public static function number(string $number): self
    {
        return new self(Place::Number, "number:{$number}", false);
    }

    /** @param list<string> $frames */
    public static function at(Place $place, string $object, bool $inside, array $frames, int $position = 0): self
    {
        return new self($place, $object, $inside, $frames, position: $position);
    }

    /** @param string $by the user who parks the call, `user:key`; empty for nobody in particular */
    public static function park(string $place, string $by): self
    {
        return new self(Place::Park, $place, true, sender: $by);
    }

    /** @param list<string> $frames */
    public static function outside(string $number, bool $inside, array $frames, string $sender, bool $needsRoute): self
    {
        return new self(
            Place::Outside,
            "outside:{$number}",
            $inside,
            $frames,
            sender: $sender,
            needsRoute: $needsRoute,
        );
    }

    /**
     * Entering a menu that is behind already unwinds to it.
     *
     * @param  list<string>  $frames
     */
    public static function menu(string $menu, bool $inside, array $frames, int $returns = 0): self
    {
        $at = array_search($menu, $frames, true);

        return new self(
            Place::Menu,
            $menu,
            $inside,
            $at === false ? $frames : array_slice($frames, 0, $at),
            returns: $returns,
        );
    }

    public function replayed(int $play): self
    {
        return new self(Place::Menu, $this->object, $this->inside, $this->frames, $play, $this->wrong, $this->returns);
    }

    public function withWrongKey(): self
    {
        return new self(
            Place::Menu,
            $this->object,
            $this->inside,
            $this->frames,
            $this->play,
            $this->wrong + 1,
            $this->returns,
            afterWrong: true,
        );
    }

    public function screening(string $user): self
    {
        return new self(
            Place::Transfer,
            $this->object,
            $this->inside,
            $this->frames,
            returns: $this->returns,
            callee: $user,
        );
    }

    public function nextPlace(): self
    {
        return new self(Place::Chain, $this->object, $this->inside, $this->frames, position: $this->position + 1);
    }

    /** @return list<string> the menus behind whatever this menu leads to; of more than four the oldest are forgotten */
    public function behind(): array
    {
        return $this->place === Place::Menu || $this->place === Place::Transfer
            ? array_slice([...$this->frames, $this->object], -self::MOST_FRAMES)
            : $this->frames;
    }

    /** Names the menu and how it was come to, without what has happened in it since. */
    public function entrance(): string
    {
        return $this->object . ($this->inside ? ' in ' : ' out ') . implode(' ', $this->frames);
    }

    public function key(): string
    {
        return $this->key;
    }
}
