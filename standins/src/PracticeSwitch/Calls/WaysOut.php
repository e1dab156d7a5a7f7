<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/** Whether a leg to outside finds a way: the first way that matches and has a pipe which takes it. */
final readonly class WaysOut
{
    public function __construct(
        private Holdings $holdings,
        private World $world,
        private int $instant,
        private bool $stranger,
    ) {
    }

    /** @param string $digits of the number in E.164, without plus */
    public function lead(string $digits, Sender $sender): bool
    {
        if (! $sender->needsWay) {
            return true;
        }
        $ways = $this->holdings->all('ways');
        uasort($ways, static fn (Part $a, Part $b): int => $a->number('place', 1) <=> $b->number('place', 1));
        foreach ($ways as $way) {
            if ($this->isFor($way, $digits, $sender) && $this->hasPipe($way)) {
                return true;
            }
        }

        return false;
    }

    private function isFor(Part $way, string $digits, Sender $sender): bool
    {
        foreach ($way->places('not_for') as $barred) {
            if ($barred->equals($sender->place)) {
                return false;
            }
        }
        $hours = Timetable::of($this->holdings, $way->text('hours'), $this->holdings->clockOf(null));

        return ! $way->yes('sos')
            && $way->number('lock') === 0
            && $sender->reach >= $way->number('reach', 1)
            && DigitString::matches($way->text('match') ?? '', $digits)
            && ($hours === null || $hours->at($this->instant)->word === 'day');
    }

    /** A pipe of no width, or of none outward, is full at all times. */
    private function isFull(string $id, Part $pipe): bool
    {
        return $this->world->is(new Place('pipe', $id), 'full')
            || $pipe->count('width') === 0
            || $pipe->count('width_out') === 0;
    }

    private function hasPipe(Part $way): bool
    {
        foreach ($way->texts('pipes') ?? [] as $id) {
            $pipe = $this->holdings->in('pipes', $id);
            if (
                $pipe->yes('active', true)
                && ! ($this->stranger && ! $pipe->yes('strangers_out'))
                && ! $this->isFull($id, $pipe)
            ) {
                return true;
            }
        }

        return false;
    }
}
