<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Groups;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Prompt;
use Jaunty\Core\Prompts\SpokenKeys;

/** A key that leads out of a queue and that callers are not told of. */
final readonly class ExitKeyUnannounced implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.exit-key-unannounced',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            $key = $group->queue?->exitKey;
            $heard = [
                $inspection->find($group->queue?->greeting, Prompt::class),
                $inspection->find($group->queue?->comfort, Prompt::class),
            ];
            $told = array_filter($heard, static fn (?Prompt $prompt): bool => $prompt !== null && isset(
                SpokenKeys::in($prompt->script, $prompt->language)[$key ?? ''],
            ));
            if ($key !== null && $told === []) {
                yield Found::of(
                    ['group' => $group->name, 'key' => $key],
                    $group,
                )->at('queue/exitKey')->fixedBy(Fix::set('Take the key away', $group, 'queue/exitKey', null));
            }
        }
    }
}
