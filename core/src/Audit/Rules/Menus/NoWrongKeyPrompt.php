<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Menu;

/** Wrong keys that nobody tells callers of. */
final readonly class NoWrongKeyPrompt implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.no-wrong-key-prompt',
            Severity::Note,
            'A menu says nothing to whoever presses a wrong key.',
            'The prompt begins again without a word, and callers press the same key once more.',
            'Have a few words played, such as that this was no choice.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            if ($menu->invalidPrompt === null && $menu->invalidAllowed > 1 && $menu->keys !== []) {
                yield Finding::of($this->about(), "{$menu->name}: nothing is said to whoever presses a wrong key", 'The prompt is played again.', $menu)->at('invalidPrompt');
            }
        }
    }

    public function samples(): Samples
    {
        $menu = static fn (?string $prompt): array => ['key' => 'day', 'name' => 'Day menu', 'prompt' => 'prompt:day', 'invalidPrompt' => $prompt, 'silence' => 'mailbox:desk', 'keys' => ['1' => ['to' => 'mailbox:desk']]];
        $prompts = [['key' => 'day', 'script' => 'For a message, press 1.'], ['key' => 'wrong', 'script' => 'That was no choice.']];

        return Samples::of(['mailboxes' => [['key' => 'desk', 'notify' => ['desk@inlet.example']]], 'prompts' => $prompts, 'menus' => [$menu('prompt:wrong')]], ['menus' => [$menu(null)]]);
    }
}
