<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Prompt;

/** A menu that speaks for longer than callers listen. */
final readonly class PromptTooLong implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.prompt-too-long',
            Severity::Warning,
            thresholds: [Threshold::LongestPromptSeconds],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            $seconds = $inspection->find($menu->prompt, Prompt::class)?->seconds() ?? 0;
            if ($seconds > $inspection->threshold(Threshold::LongestPromptSeconds)) {
                yield Found::of(
                    [
                        'menu' => $menu->name,
                        'seconds' => $seconds,
                        'threshold' => $inspection->threshold(Threshold::LongestPromptSeconds),
                    ],
                    $menu,
                )->at('prompt');
            }
        }
    }
}
