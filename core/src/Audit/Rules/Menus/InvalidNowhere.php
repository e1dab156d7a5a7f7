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

/** A menu in which wrong keys lead nowhere. */
final readonly class InvalidNowhere implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.invalid-nowhere',
            Severity::Warning,
            'Wrong keys in a menu lead nowhere, and neither does silence.',
            'Whoever mistypes is cut off.',
            'Say where such callers go: the operator, or a mailbox.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            if ($menu->invalid === null && $menu->silence === null) {
                yield Finding::of($this->about(), "{$menu->name}: wrong keys lead nowhere", "After {$menu->invalidAllowed} of them the caller is cut off.", $menu)->at('invalid');
            }
        }
    }

    public function samples(): Samples
    {
        $menu = static fn (?string $to): array => ['key' => 'day', 'name' => 'Day menu', 'prompt' => 'prompt:day', 'invalid' => $to, 'silence' => $to, 'keys' => ['1' => ['to' => 'mailbox:desk']]];

        return Samples::of(['mailboxes' => [['key' => 'desk']], 'prompts' => [['key' => 'day', 'script' => 'For the desk, press 1.']], 'menus' => [$menu('mailbox:desk')]], ['menus' => [$menu(null)]]);
    }
}
