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
            'A key leads out of a queue, and nothing callers hear tells them so.',
            'Whoever does not know of it waits on.',
            'Say it in the greeting or the comfort message, or take the key away.',
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
                    "{$group->name}: callers are not told of key {$key}",
                    'Neither the greeting nor the comfort message of the queue says it.',
                    $group,
                )->at('queue/exitKey')->fixedBy(Fix::set('Take the key away', $group, 'queue/exitKey', null));
            }
        }
    }
}
