<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Flow;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\Run;

/** A call on which nobody does anything goes round for ever. */
final readonly class LoopInescapable implements Rule
{
    public function about(): About
    {
        return new About(
            'flow.loop-inescapable',
            Severity::Blocker,
            'A call that nobody answers goes round for ever.',
            'The caller hears the same again and again until they hang up.',
            'Let one of the places on the round lead to a mailbox, an announcement or the operator.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $survey = $inspection->survey();
        $rounds = [];
        foreach ($survey->runs as $run) {
            if ($run->facts->passive === null && ! $run->facts->staysInMenu) {
                $rounds[$run->facts->passiveTarget][] = $run;
            }
        }
        foreach ($rounds as $target => $runs) {
            $object = $inspection->book->find(Reference::parse($target));
            if ($object !== null) {
                $call = ['to' => $runs[0]->number, 'at' => gmdate('Y-m-d\TH:i:s\Z', $survey->firstInstant($runs[0]))];
                yield Finding::of($this->about(), "{$inspection->name($object)}: a call that nobody answers comes back to it for ever", 'Nobody has to press a key or be busy for it.', $object)
                    ->counting(count(array_unique(array_map(static fn (Run $run): string => $run->number, $runs))))->shownBy($call);
            }
        }
    }

    public function samples(): Samples
    {
        $group = static fn (string $key, string $to): array => ['key' => $key, 'members' => [['item' => 'a', 'who' => 'user:a']], 'noAnswerSeconds' => 20, 'otherwise' => ['noAnswer' => $to]];
        $base = ['users' => [['key' => 'a']], 'mailboxes' => [['key' => 'desk']], 'numbers' => [['key' => Samples::NUMBER, 'destination' => 'group:one']]];

        return Samples::of($base + ['groups' => [$group('one', 'group:two'), $group('two', 'mailbox:desk')]], ['groups' => [$group('one', 'group:two'), $group('two', 'group:one')]]);
    }
}
