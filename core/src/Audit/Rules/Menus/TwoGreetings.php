<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Prompt;
use Jaunty\Core\Change\Operation;

/** Callers are welcomed twice. */
final readonly class TwoGreetings implements Rule
{
    private const WELCOME = '/\b(?:welcome to|thank you for calling|you have reached|bienvenue|merci d.avoir appel)/iu';

    public function about(): About
    {
        return new About(
            'menus.two-greetings',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Attendant::class) as $attendant) {
            foreach ($attendant->answers as $answer) {
                $menu = $inspection->find($answer['then'], Menu::class);
                $greeting = $inspection->find($answer['greeting'], Prompt::class);
                $prompt = $inspection->find($menu?->prompt, Prompt::class);
                if (
                    $menu !== null
                    && preg_match(self::WELCOME, $greeting->script ?? '') === 1
                    && preg_match(self::WELCOME, $prompt->script ?? '') === 1
                ) {
                    yield Found::of(
                        [
                            'attendant' => $attendant->name,
                            'menu' => $menu->name,
                            'greeting' => $greeting->name ?? '',
                            'prompt' => $prompt->name ?? '',
                        ],
                        $menu,
                        $attendant,
                    )->at('prompt')
                        ->fixedBy($greeting === null ? null : Fix::of(
                            'Take the greeting away',
                            Fix::setting($attendant, "answers/{$answer['item']}/greeting", null),
                            ...(count($inspection->usesOf($greeting)) === 1 ? [Operation::delete($greeting)] : []),
                        ));
                }
            }
        }
    }
}
