<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Flow;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\MenuKey;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\Outcome;
use Jaunty\Core\Calls\Run;
use Jaunty\Core\Calls\Script;
use Jaunty\Core\Calls\Trace;

/** Calls that end nowhere, where no other rule says why. */
final readonly class DeadEnd implements Rule
{
    public function about(): About
    {
        return new About(
            'flow.dead-end',
            Severity::Blocker,
            'A call from outside can end nowhere.',
            'The caller is cut off without having been told anything.',
            'Say where the call goes on: a mailbox, an announcement, or the operator.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $survey = $inspection->survey();
        $ends = [];
        foreach ($survey->runs as $run) {
            foreach ($run->facts->ends as $end) {
                if (str_starts_with($end, Outcome::DeadEnd->value . ' ')) {
                    $ends[substr($end, strlen(Outcome::DeadEnd->value) + 1)][] = $run;
                }
            }
        }
        foreach ($ends as $target => $runs) {
            $object = str_starts_with($target, 'outside:') ? null : $inspection->book->find(Reference::parse($target));
            if ($object === null || $this->isToldElsewhere($inspection, $object)) {
                continue;
            }
            $call = $survey->shortestCall($runs[0], Outcome::DeadEnd->value . " {$target}");
            $reason = $call === null ? 'somebody has to change state during the call' : Trace::of($inspection->book, Script::read($call, $inspection->book))->reason;
            $numbers = count(array_unique(array_map(static fn (Run $run): string => $run->number, $runs)));
            yield Finding::of($this->about(), "{$inspection->name($object)}: a call can end nowhere", ucfirst($reason) . '.' . ($call === null ? '' : ' One steady state of everybody is enough.'), $object)
                ->counting($numbers)->shownBy($call);
        }
    }

    private function isToldElsewhere(Inspection $inspection, BookObject $object): bool
    {
        return match (true) {
            $object instanceof Group => $object->otherwise->of('noAnswer') === null && $object->mailbox === null,
            $object instanceof User => $inspection->callBook()->treatment($object, 'noAnswer', false) === null,
            $object instanceof Menu => $object->silence === null || array_filter($object->keys, static fn (MenuKey $key): bool => $key->to === null) !== [],
            $object instanceof Attendant => array_diff(['open', 'closed'], array_column(array_filter($object->answers, static fn (array $answer): bool => $answer['then'] !== null), 'when')) !== [],
            $object instanceof Number => $object->destination === null,
            default => false,
        };
    }

    public function samples(): Samples
    {
        $base = ['numbers' => [['key' => Samples::NUMBER, 'destination' => 'mailbox:desk']]];

        return Samples::of($base + ['mailboxes' => [['key' => 'desk']]], ['mailboxes' => [['key' => 'desk', 'enabled' => false]]]);
    }
}
