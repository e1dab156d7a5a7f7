<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Line;
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Prompt;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;
use Jaunty\Core\Prompts\SpokenKeys;

/** A key that is announced as one thing and leads to another. */
final readonly class ScriptNamesAnother implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.script-names-another',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $names = [];
        foreach ([Group::class, Attendant::class, Menu::class, Mailbox::class, User::class, Line::class] as $class) {
            foreach ($inspection->book->all($class) as $object) {
                $names[self::words($object->label())][(string) Reference::of($object)] = true;
            }
        }
        unset($names['']);
        foreach ($inspection->book->all(Menu::class) as $menu) {
            $prompt = $inspection->find($menu->prompt, Prompt::class);
            foreach (SpokenKeys::in($prompt?->script, $prompt->language ?? 'en') as $key => $sentence) {
                $leads = $menu->keys[$key] ?? null;
                $target = $leads?->to?->object;
                if (
                    $leads === null || $target === null || preg_match(
                        '/\bfor (?:the |our )?(.+?),? (?:please )?(?:press|dial|push|choose)\b/iu',
                        $sentence,
                        $found,
                    ) !== 1
                ) {
                    continue;
                }
                $said = self::words($found[1]);
                $known = self::words(($leads->label ?? '') . ' ' . $inspection->names->of($target));
                $others = array_diff_key($names[$said] ?? [], [(string) $target => true]);
                $isCalledSo = $said !== '' && array_filter(
                    explode(' ', $said),
                    static fn (string $word): bool => str_contains(" {$known} ", " {$word} "),
                ) !== [];
                if (! $isCalledSo && ($others !== [] || ($leads->label ?? '') !== '')) {
                    yield Found::of(
                        [
                            'menu' => $menu->name,
                            'key' => $key,
                            'said' => $found[1],
                            'target' => $inspection->names->said($target),
                            'sentence' => $sentence,
                            'labelled' => $leads->label === null ? 'no' : 'yes',
                            'label' => $leads->label ?? '',
                        ],
                        $menu,
                        ...($prompt === null ? [] : [$prompt]),
                    )->at("keys/{$key}", (string) $key);
                }
            }
        }
    }

    /** In small letters, without what every name has. */
    private static function words(string $name): string
    {
        $words = preg_split('/[^\p{L}\p{N}]+/u', mb_strtolower($name), -1, PREG_SPLIT_NO_EMPTY);

        return implode(' ', array_diff($words === false ? [] : $words, [
            'the', 'our', 'a', 's', 'of', 'and', 'mailbox', 'team', 'desk', 'department',
        ]));
    }
}
