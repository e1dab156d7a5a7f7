<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

use Standins\Shared\Refusal;

/**
 * One call through what an account holds: this switch's own reading of the common law of calls. It goes from place to
 * place, each saying what comes next, until one of them ends it.
 */
final class Call
{
    private const RINGS_OUTSIDE = 60;

    /** How often a call that nobody took comes back to a keypad. */
    private const RETURNS = 3;

    /** @var list<string> keypads to go back to, the nearest last */
    private array $behind = [];

    private int $now = 0;

    private int $hops = -1;

    private readonly Journal $journal;

    private readonly Ringing $ringing;

    private readonly Keypad $keypad;

    private readonly Directory $directory;

    private readonly int $ringLength;

    /** @param bool $stranger whether the call came in by a line */
    private function __construct(
        private readonly Holdings $holdings,
        private readonly Question $question,
        private readonly bool $stranger,
    ) {
        $this->journal = new Journal();
        $ways = new WaysOut($holdings, $question->world, $question->instant, $stranger);
        $this->ringing = new Ringing($holdings, $question->world, $ways, $question->instant, $this->journal);
        $this->keypad = new Keypad($holdings, $question->keys, $this->journal);
        $this->directory = new Directory($holdings, $question->keys, $this->journal);
        $this->ringLength = $holdings->account()->number('ring_len', 5);
    }

    /** @throws Refusal 422 where nobody has what was dialled */
    public static function place(Holdings $holdings, Question $question): Answer
    {
        $line = $holdings->lineOf($question->dialled);
        if ($line !== null) {
            $call = new self($holdings, $question, stranger: true);
            $call->journal->note(0, new Place('line', $line[0]), 'comes in');

            return $call->follow((new Arrival($holdings, $question))->at($line[0], $line[1]));
        }
        $call = new self($holdings, $question, stranger: false);
        $whom = $holdings->shortsInside()[$question->dialled][0] ?? null;
        $stars = new Stars($holdings, $question, $call->ringing, $call->journal);
        if ($whom !== null) {
            return $call->follow(
                $stars->atGuestSet() ?? Turn::to($whom, new Sender(new Place('act', 'caller')), 0),
            );
        }

        return $call->follow(
            $stars->dialled() ?? throw new Refusal(422, "{$question->dialled} is nobody's here", 'dial'),
        );
    }

    private function follow(Turn $turn): Answer
    {
        while ($turn->to !== null && $turn->by !== null) {
            $turn = $this->enter($turn->to, $turn->by, $turn->isHop);
        }

        return new Answer(
            $turn->ending ?? throw new \LogicException('a call goes on or ends'),
            $this->journal->lines(),
        );
    }

    private function enter(Place $to, Sender $by, bool $isHop): Turn
    {
        if ($to->acts('release')) {
            return Turn::end('dropped', $by->place, $this->now);
        }
        if ($to->acts('busy')) {
            return Turn::end('engaged', $by->place, $this->now);
        }
        if ($to->acts('again', 'back')) {
            return Turn::end('nowhere', $by->place, $this->now);
        }
        if ($to->acts('operator')) {
            $front = $this->meant($to);

            return $front === null ? Turn::end('nowhere', $by->place, $this->now) : $this->enter($front, $by, true);
        }
        $this->behind = match ($to->word) {
            'person' => [],
            'keypad' => array_slice(
                $this->behind,
                0,
                in_array($to->id, $this->behind, true) ? (int) array_search($to->id, $this->behind, true) : null,
            ),
            default => $this->behind,
        };
        // A directory has no record of its own: it stands where it was asked for.
        $where = $to->is('act') ? $by->place : $to;
        $state = $to->is('keypad')
            ? Keypad::state($to, 1, 0, 0, $this->behind)
            : "{$to->word} {$to->id} at {$where->id} behind " . implode(' ', $this->behind);
        $refused = $this->refuse($to, $where, $state, $isHop);
        if ($refused !== null) {
            return $refused;
        }

        return $this->inside($to, $by);
    }

    /**
     * What stands at a place: for the operator whom the account names at its front; a front that is itself the front is
     * none.
     */
    private function meant(?Place $to): ?Place
    {
        if ($to === null || ! $to->acts('operator')) {
            return $to;
        }
        $front = $this->holdings->account()->place('front');

        return $front?->acts('operator') === true ? null : $front;
    }

    /** @return ?Turn the end of a call that goes in circles, or is sent on too often */
    private function refuse(Place $to, Place $where, string $state, bool $isHop): ?Turn
    {
        if ($this->journal->hasBeenIn($state)) {
            $this->journal->note($this->now, $where, 'comes back');

            return Turn::end('circles', $where, $this->now);
        }
        $this->hops += $isHop ? 1 : 0;
        if ($this->hops > $this->holdings->account()->number('hop_max', 20)) {
            return Turn::end('too_far', $where, $this->now);
        }
        // A keypad notes its states turn by turn.
        if (! $to->is('keypad')) {
            $this->journal->isIn($state);
        }

        return null;
    }

    private function inside(Place $to, Sender $by): Turn
    {
        if ($to->is('dial')) {
            return $this->atDial($to, $by);
        }
        if ($to->acts('directory')) {
            return $this->atDirectory($by);
        }
        $this->journal->note($this->now, $to, $to->is('socket') ? 'rings' : 'enters');

        return match ($to->word) {
            'person' => $this->atPerson($to),
            'band' => $this->atBand($to),
            'ladder' => $this->atLadder($to),
            'greeter' => $this->atGreeter($to),
            'keypad' => $this->atKeypad($to, 0),
            'box' => $this->atBox($to),
            'notice' => $this->atNotice($to),
            'socket' => Turn::end('socket_rings', $to, $this->now),
            'party' => $this->atParty($to),
            'table' => $this->atTable($to),
            'bay' => $this->atBay($to),
            'horn' => $this->atHorn($to),
            default => Turn::end('nowhere', $by->place, $this->now),
        };
    }

    private function atDial(Place $dial, Sender $by): Turn
    {
        if (! $this->ringing->leadsOut($dial, $by)) {
            return Turn::end('no_way', $dial, $this->now);
        }
        $rung = $this->ringing->together([$this->ringing->dial($dial, self::RINGS_OUTSIDE, false, $by)], $this->now);
        if ($rung->isTaken()) {
            return $rung->ending($this->now);
        }
        $this->now += $rung->seconds;

        return Turn::end($rung->word === 'full' ? 'engaged' : 'nowhere', $dial, $this->now);
    }

    private function atPerson(Place $person): Turn
    {
        $on = $this->ringing->rule($person)->part('on') ?? new Part([]);
        $isOff = ($this->holdings->at($person)->text('standing') ?? 'on') !== 'on';
        $ever = $this->side($on->part('ever'));
        if ($ever !== null) {
            return $this->sendOn($person, $ever);
        }
        if ($isOff) {
            return $this->fallBack($person, $on, 'dark');
        }
        if ($this->question->world->is($person, 'hush')) {
            return $this->fallBack($person, $on, 'hush');
        }
        $legs = $this->ringing->ownLegs($person);
        if ($legs === []) {
            return $this->fallBack($person, $on, 'dark');
        }
        $talking = $this->side($on->part('talking'));
        if ($talking !== null && $this->ringing->isOnACall($person)) {
            return $this->sendOn($person, $talking);
        }
        if (! $this->ringing->hasFreeLine($person)) {
            return $this->fallBack($person, $on, 'full');
        }
        $style = $this->ringing->rule($person)->text('style');
        $rung = $style === 'one-by-one'
            ? $this->ringing->inTurn($legs, $this->now)
            : $this->ringing->together($legs, $this->now);
        if ($rung->isTaken()) {
            return $rung->ending($this->now);
        }
        $this->now += $rung->seconds;

        return $this->fallBack($person, $on, $rung->word);
    }

    /** Where a condition of a person leads: his own word, his premises', the account's, his box. */
    private function fallBack(Place $person, Part $on, string $condition): Turn
    {
        $body = $this->holdings->at($person);
        $premises = $this->holdings->in('premises', $body->text('at_premises'));
        if (
            $condition === 'dark'
            && $body->text('at_premises') !== null
            && $this->question->world->is(new Place('premises', $body->text('at_premises')), 'dark')
            && $premises->place('when_dark') !== null
        ) {
            return $this->sendOn($person, $premises->place('when_dark'));
        }
        $box = $body->text('box');

        return $this->sendOn($person, $this->side($on->part($condition))
            ?? $this->side($premises->part('fallbacks')?->part($condition))
            ?? $this->side($this->holdings->account()->part('fallbacks')?->part($condition))
            ?? ($box === null ? null : new Place('box', $box)));
    }

    private function side(?Part $sides): ?Place
    {
        return $sides?->place($this->stranger ? 'out' : 'in');
    }

    private function sendOn(Place $by, ?Place $to): Turn
    {
        return Turn::to($to, Sender::of($this->holdings, $by), $this->now);
    }

    private function atBand(Place $band): Turn
    {
        $body = $this->holdings->at($band);
        if (! $body->yes('active', true)) {
            return Turn::end('nowhere', $band, $this->now);
        }
        $crew = new Crew($band, $this->holdings, $this->question->world, $this->ringing);
        $queue = $body->part('queue');
        $case = $this->shutCase($band, $body) ?? $crew->caseBefore();
        if ($case !== null && ! (
            $case === 'talking' && $queue !== null && $body->part('else')?->place('talking') === null
        )) {
            return $this->otherwise($band, $body, $case);
        }
        if ($queue !== null) {
            return $this->inQueue($band, $body, $queue, $crew);
        }
        $limit = $body->seconds('give_up');
        [$rung, $second] = $crew->ring($this->now, $limit === null ? null : $this->now + $limit, false);
        if ($rung !== null) {
            return $rung->ending($second);
        }
        $this->now = $second;

        return $this->otherwise($band, $body, 'unheard');
    }

    private function atParty(Place $party): Turn
    {
        $body = $this->holdings->at($party);
        if (! $body->yes('active', true)) {
            return Turn::end('nowhere', $party, $this->now);
        }
        if ($this->question->world->is($party, 'taken')) {
            return $this->fromParty($party, $body, 'full');
        }
        $crowd = new Crowd($party, $this->holdings, $this->question->world, $this->ringing);
        $case = $crowd->caseBefore();
        if ($case !== null) {
            return $this->fromParty($party, $body, $case);
        }
        $rung = $this->ringing->together($crowd->legs($crowd->seconds($this->ringLength)), $this->now);
        if ($rung->isTaken()) {
            return $rung->ending($this->now);
        }
        $this->now += $rung->seconds;

        return $this->fromParty($party, $body, 'unheard');
    }

    /** @param string $case full or unheard */
    private function fromParty(Place $party, Part $body, string $case): Turn
    {
        $box = $body->text('box');

        return $this->sendOn($party, ($case === 'full' ? $body->place('full') : null) ?? $body->place('unheard') ?? (
            $box === null ? null : new Place('box', $box)
        ));
    }

    private function atTable(Place $table): Turn
    {
        return Turn::end(match (true) {
            ! $this->holdings->at($table)->yes('active', true) => 'nowhere',
            $this->question->world->is($table, 'full') => 'engaged',
            default => 'at_table',
        }, $table, $this->now);
    }

    private function atBay(Place $bay): Turn
    {
        if ($this->question->world->is($bay, 'taken')) {
            return Turn::end('grabbed', $bay, $this->now);
        }
        $body = $this->holdings->at($bay);
        $then = $body->place('then') ?? ($this->question->by?->is('person') === true ? $this->question->by : null);
        if ($then === null) {
            return Turn::end('held', $bay, $this->now);
        }
        $this->now += $body->seconds('hold') ?? 60;

        return $this->sendOn($bay, $then);
    }

    private function atHorn(Place $horn): Turn
    {
        $isHeard = false;
        foreach ($this->holdings->at($horn)->parts('crew') as $member) {
            $person = Place::person($member->text('person') ?? '');
            if ($this->ringing->canSpeak($person)) {
                $this->journal->note($this->now, $person, 'speaks');
                $isHeard = true;
            }
        }

        return Turn::end($isHeard ? 'called_out' : 'nowhere', $horn, $this->now);
    }

    private function shutCase(Place $band, Part $body): ?string
    {
        // By hand means by whoever may: where only an administrator does, it is what stands here.
        $isShut = $body->yes('shuttable') ? $this->question->world->is($band, 'shut') : $body->yes('shut');
        $hours = Timetable::of($this->holdings, $body->text('hours'), $this->holdings->clockOf($body))?->at(
            $this->question->instant,
        )->word;

        return match (true) {
            $isShut => 'shut',
            $hours === 'night', $hours === 'feast' => $hours,
            default => null,
        };
    }

    private function inQueue(Place $band, Part $body, Part $queue, Crew $crew): Turn
    {
        if ($this->question->world->is($band, 'brimful') || $queue->number('size', 10) === 0) {
            return $this->otherwise($band, $body, 'brimful');
        }
        $entered = $this->now;
        $longest = $queue->seconds('wait_max');
        $over = $longest === null ? null : $entered + $longest;
        $leaveKey = $queue->text('leave_key');
        $leaves = $leaveKey === null ? null : $this->question->keys->seeOnly($leaveKey, $entered, $over ?? PHP_INT_MAX);
        $this->journal->note($entered, $band, 'waits');
        $length = $this->journal->length();
        [$rung, $second] = $crew->ring($entered, $over, true);
        $taken = $rung === null ? null : $second + $rung->seconds;
        if ($leaves !== null && ($taken === null || $leaves < $taken)) {
            $this->question->keys->takeOnly((string) $leaveKey, $entered, $over ?? PHP_INT_MAX);
            $this->journal->cutAfter($length, $leaves);
            $this->journal->note($leaves, $band, "key {$leaveKey}");
            $this->journal->forgetStates();
            $this->now = $leaves;

            return $this->otherwise($band, $body, 'left');
        }
        if ($rung !== null) {
            return $rung->ending($second);
        }
        if ($over === null) {
            $this->journal->cutAfter($length, $entered);

            return Turn::end('circles', $band, $entered);
        }
        $this->now = $over;

        return $this->otherwise($band, $body, 'unheard');
    }

    private function otherwise(Place $band, Part $body, string $case): Turn
    {
        $else = $body->part('else') ?? new Part([]);
        $box = $body->text('box');

        return $this->sendOn($band, $else->place($case) ?? $else->place('unheard') ?? (
            $box === null ? null : new Place('box', $box)
        ));
    }

    private function atLadder(Place $ladder): Turn
    {
        $body = $this->holdings->at($ladder);
        $sender = Sender::of($this->holdings, $ladder);
        $first = $body->text('first');
        if ($first !== null) {
            $this->journal->note($this->now, new Place('notice', $first), 'plays');
            $this->now += $this->holdings->length($this->holdings->in('notices', $first)->text('say'));
        }
        foreach ($body->parts('rungs') as $rung) {
            $named = $rung->place('to');
            $to = $this->meant($named);
            $seconds = (
                $rung->count('rings') ?? $this->holdings->account()->number('ladder_rings', 3)
            ) * $this->ringLength;
            $turn = $to === null || ($seconds < $this->ringLength && $to->is('band', 'party', 'person', 'dial'))
                ? null
                : $this->atRung($to, $seconds, $sender, $named !== $to);
            if ($turn !== null) {
                return $turn;
            }
        }

        return Turn::end('nowhere', $ladder, $this->now);
    }

    /** @return ?Turn null where the call goes on to the rung after */
    private function atRung(Place $to, int $seconds, Sender $sender, bool $isFront): ?Turn
    {
        if ($to->is('notice') && $this->holdings->at($to)->place('to') === null) {
            $this->journal->note($this->now, $to, 'plays');
            $this->now += $this->holdings->length($this->holdings->at($to)->text('say'));

            return null;
        }
        if ($to->is('band')) {
            $this->journal->note($this->now, $to, 'is offered');
            $rung = $this->bandOnRung($to, $seconds);
        } elseif ($to->is('party')) {
            $this->journal->note($this->now, $to, 'is offered');
            $rung = $this->partyOnRung($to, $seconds);
        } elseif ($to->is('person')) {
            $legs = $this->ringing->canBeOffered($to) ? $this->ringing->devices($to) : [];
            $rung = $this->ringing->together(
                array_map(static fn (Leg $leg): Leg => $leg->ringing($seconds), $legs),
                $this->now,
            );
        } elseif ($to->is('dial')) {
            $rung = $this->ringing->together([$this->ringing->dial($to, $seconds, false, $sender)], $this->now);
        } else {
            return Turn::to($to, $sender, $this->now, $isFront || $to->is('ladder'));
        }
        if ($rung->isTaken()) {
            return $rung->ending($this->now);
        }
        $this->now += $rung->seconds;

        return null;
    }

    private function bandOnRung(Place $band, int $seconds): Rung
    {
        $body = $this->holdings->at($band);
        $crew = new Crew($band, $this->holdings, $this->question->world, $this->ringing);
        if (! $body->yes('active', true) || $this->shutCase($band, $body) !== null || $crew->caseBefore() !== null) {
            return new Rung('dark', 0);
        }
        $limit = min($seconds, $body->seconds('give_up') ?? $seconds);
        [$rung, $second] = $crew->ring($this->now, $this->now + $limit, false);

        return $rung === null
            ? new Rung('unheard', $second - $this->now)
            : new Rung($rung->word, $second - $this->now + $rung->seconds, $rung->by);
    }

    private function partyOnRung(Place $party, int $seconds): Rung
    {
        $crowd = new Crowd($party, $this->holdings, $this->question->world, $this->ringing);

        return ! $this->holdings->at($party)->yes('active', true)
            || $this->question->world->is($party, 'taken')
            || $crowd->caseBefore() !== null
            ? new Rung('dark', 0)
            : $this->ringing->together($crowd->legs($seconds), $this->now);
    }

    private function atGreeter(Place $greeter): Turn
    {
        $body = $this->holdings->at($greeter);
        if (! $body->yes('active', true)) {
            return Turn::end('nowhere', $greeter, $this->now);
        }
        $hour = Timetable::of($this->holdings, $body->text('hours'), $this->holdings->clockOf($body))?->at(
            $this->question->instant,
        )
            ?? new Hour('day');
        foreach ($hour->cases() as $case) {
            foreach ($body->parts('cases') as $answer) {
                if ($answer->text('if') === $case) {
                    $this->now += $this->holdings->length($answer->text('say'));

                    return $this->sendOn($greeter, $answer->place('to'));
                }
            }
        }

        return Turn::end('nowhere', $greeter, $this->now);
    }

    private function atKeypad(Place $place, int $returns): Turn
    {
        $body = $this->holdings->at($place);
        for (;; $returns++) {
            $heard = $returns > self::RETURNS
                ? new Heard('silence', $this->now)
                : $this->keypad->listen($place, $this->now, $this->behind, $returns);
            $this->now = $heard->second;
            $turn = match ($heard->word) {
                'circles' => Turn::end('circles', $place, $this->now),
                'short', 'key' => $this->chosen($place, $heard->place),
                'wrong' => $this->unchosen($place, $body->place('on_wrong') ?? $body->place('on_silence'), $returns),
                default => $this->unchosen($place, $body->place('on_silence'), min($returns, self::RETURNS)),
            };
            if ($turn !== null) {
                return $turn;
            }
        }
    }

    /** @return ?Turn null where nobody took the call and it comes back */
    private function chosen(Place $keypad, ?Place $to): ?Turn
    {
        $to = $this->meant($to);

        return match (true) {
            $to?->acts('directory') === true => $this->byName($keypad),
            $to?->acts('back') === true => $this->backFrom($keypad),
            $to?->is('person') === true => $this->handOver($keypad, $to),
            default => $this->leave($keypad, $to),
        };
    }

    /** Where silence or wrong keys lead: round again, or away. @return ?Turn null as above */
    private function unchosen(Place $keypad, ?Place $to, int $returns): ?Turn
    {
        $to = $this->meant($to);

        return match (true) {
            $to?->acts('directory') === true => $this->byName($keypad),
            $to?->acts('again') === true,
            $to?->acts('back') === true && $this->behind === [] => $this->atKeypad($keypad, $returns),
            $to?->acts('back') === true => $this->backFrom($keypad),
            default => $this->leave($keypad, $to),
        };
    }

    /** @return ?Turn null as above */
    private function handOver(Place $keypad, Place $to): ?Turn
    {
        if ($this->holdings->at($keypad)->text('hand_over') === 'dropped') {
            $this->behind = [];

            return $this->sendOn($keypad, $to);
        }
        $seconds = $this->holdings->account()->number('hand_rings', 4) * $this->ringLength;
        $legs = $this->ringing->canBeOffered($to) ? $this->ringing->devices($to) : [];
        $rung = $this->ringing->together(
            array_map(static fn (Leg $leg): Leg => $leg->ringing($seconds), $legs),
            $this->now,
        );
        if ($rung->isTaken()) {
            return $rung->ending($this->now);
        }
        $this->now += $rung->seconds;

        return null;
    }

    /** @return ?Turn null where whoever was found did not take the call and it comes back */
    private function byName(Place $keypad): ?Turn
    {
        $refused = $this->refuse(
            new Place('act', 'directory'),
            $keypad,
            "act directory at {$keypad->id} behind " . implode(' ', [...$this->behind, $keypad->id]),
            true,
        );
        if ($refused !== null) {
            return $refused;
        }
        [$found, $this->now] = $this->directory->ask($this->now, $keypad, $keypad);

        return $found === null
            ? Turn::to($keypad, Sender::of($this->holdings, $keypad), $this->now)
            : $this->handOver($keypad, $found);
    }

    private function backFrom(Place $by): Turn
    {
        $before = array_pop($this->behind);

        return Turn::to($before === null ? null : new Place('keypad', $before), new Sender($by), $this->now);
    }

    /** Sends a call on from a keypad that it can come back to. */
    private function leave(Place $keypad, ?Place $to): Turn
    {
        $this->behind = array_slice([...$this->behind, $keypad->id], -4);

        return $this->sendOn($keypad, $to);
    }

    private function atDirectory(Sender $by): Turn
    {
        [$found, $this->now] = $this->directory->ask($this->now, $by->place, null);

        if ($found !== null) {
            return Turn::to($found, $by, $this->now);
        }

        return $this->backFrom($by->place);
    }

    private function atBox(Place $box): Turn
    {
        $body = $this->holdings->at($box);
        if (! $body->yes('active', true)) {
            return Turn::end('nowhere', $box, $this->now);
        }
        $zero = $body->place('on_zero');
        $pressed = $zero === null
            ? null
            : $this->question->keys->takeOnly('0', $this->now, $this->now + $this->holdings->length(
                $body->text('say'),
            ));
        if ($pressed !== null) {
            $this->journal->forgetStates();
            $this->journal->note($pressed, $box, 'key 0');
            $this->now = $pressed;

            return $this->sendOn($box, $zero);
        }

        return Turn::end($body->yes('brimful') ? 'box_full' : 'boxed', $box, $this->now);
    }

    private function atNotice(Place $notice): Turn
    {
        $body = $this->holdings->at($notice);
        $this->now += $this->holdings->length($body->text('say'));

        return $body->place('to')?->acts('release') === true
            ? Turn::end('told', $notice, $this->now)
            : $this->sendOn($notice, $body->place('to'));
    }
}
