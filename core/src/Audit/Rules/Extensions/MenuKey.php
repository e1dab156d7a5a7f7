<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Extensions;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\ExtensionReach;
use Jaunty\Core\Book\Menu;

/** Extensions begin with a key of a menu in which they can be dialled. */
final readonly class MenuKey implements Rule
{
    public function about(): About
    {
        return new About(
            'extensions.clashes-with-menu-key',
            Severity::Note,
            'Extensions begin with a key of a menu in which extensions may be dialled.',
            'Whoever presses the key waits until the switch is sure that no extension follows.',
            'Choose other keys or other extensions, or let nobody dial extensions there.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            if ($menu->dialExtensions['scope'] === ExtensionReach::Off) {
                continue;
            }
            $first = array_count_values(array_map(static fn (BookObject $object): string => substr((string) $object->extension(), 0, 1), array_filter($inspection->book->objects(), static fn (BookObject $object): bool => $object->extension() !== null)));
            foreach (array_intersect(array_map(strval(...), array_keys($menu->keys)), array_map(strval(...), array_keys($first))) as $key) {
                yield Finding::of($this->about(), "{$menu->name}: {$first[$key]} extensions begin with key {$key}", "Whoever presses {$key} waits for {$menu->dialExtensions['interdigit']} s before it counts.", $menu)->at('keys', $key)->counting($first[$key]);
            }
        }
    }

    public function samples(): Samples
    {
        $user = static fn (string $extension): array => ['key' => 'a', 'extension' => $extension, 'mailbox' => 'mailbox:a', 'legs' => [['item' => 'desk']]];

        return Samples::of(['mailboxes' => [['key' => 'a', 'notify' => ['a@inlet.example']]], 'prompts' => [['key' => 'day', 'script' => 'For the yard, press 1, or dial the extension.']], 'numbers' => [['key' => Samples::NUMBER, 'destination' => 'menu:day']], 'menus' => [['key' => 'day', 'name' => 'Day menu', 'prompt' => 'prompt:day', 'silence' => 'user:a', 'invalid' => 'user:a', 'dialExtensions' => ['scope' => 'all'], 'keys' => ['1' => ['to' => 'user:a']]]], 'users' => [$user('201')]], ['users' => [$user('101')]]);
    }
}
