<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\ExtensionPlan;
use Jaunty\Core\Book\Features;
use Jaunty\Core\Book\PickUpGroup;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;
use Jaunty\Core\Numbering\E164;

/** What a code comes to that somebody dials (docs/features.md), in words. */
final readonly class DialledCode
{
    private function __construct(public DialEnd $end, public string $reason)
    {
    }

    /** @return ?self null where no code begins the digits */
    public static function of(Book $book, ExtensionPlan $extensions, ?User $by, string $digits): ?self
    {
        $found = $book->tenant->features->codeOf($digits);
        if ($found === null) {
            return null;
        }
        [$code, $rest] = $found;
        $name = Features::CODES[$code];
        if ($code === 'pickUp') {
            return $rest === ''
                ? self::pickUp($book, $by)
                : new self(DialEnd::Nowhere, "nothing may follow the code \"{$name}\", and {$rest} does");
        }
        if ($rest === '') {
            $what = $code === 'speedDial' ? 'the digits of a speed dial' : 'an extension';

            return new self(DialEnd::Waits, "{$what} must follow the code \"{$name}\"");
        }
        if ($code === 'speedDial') {
            return self::speedDial($book, $rest);
        }
        $whose = $extensions->reached($rest);
        if ($whose === null) {
            return $extensions->begunBy($rest) === []
                ? new self(DialEnd::Nowhere, "nobody has extension {$rest}")
                : new self(DialEnd::Waits, "extension {$extensions->begunBy($rest)[0]} begins so");
        }
        if (! $whose instanceof User) {
            return new self(DialEnd::Nowhere, "{$rest} is {$whose->label()}, and that is not a person");
        }

        return match ($code) {
            'intercom' => new self(DialEnd::Feature, "{$whose->label()}'s telephone answers by itself"),
            'signIn' => $whose->status === UserStatus::Active
                ? new self(DialEnd::Feature, "signs {$whose->label()} in, at a hot desk alone")
                : new self(DialEnd::Nowhere, "{$whose->label()} does not work here"),
            default => self::pickUpOf($book, $by, $whose),
        };
    }

    private static function pickUp(Book $book, ?User $by): self
    {
        $groups = $by === null ? [] : self::groupsOf($book, $by);

        return $groups === []
            ? new self(DialEnd::Nowhere, ($by?->label() ?? 'nobody in particular') . ' is in no pick-up group')
            : new self(DialEnd::Feature, 'takes up what rings in ' . implode(', then in ', array_map(
                static fn (PickUpGroup $group): string => $group->name,
                $groups,
            )));
    }

    private static function pickUpOf(Book $book, ?User $by, User $whose): self
    {
        $theirs = self::groupsOf($book, $whose);
        $shared = $by === null || $by->key === $whose->key
            ? []
            : array_uintersect(
                self::groupsOf($book, $by),
                $theirs,
                static fn (PickUpGroup $one, PickUpGroup $other): int => $one->key <=> $other->key,
            );

        return $shared === []
            ? new self(DialEnd::Nowhere, "{$whose->label()} is in no pick-up group with whoever dials")
            : new self(DialEnd::Feature, "takes up what rings at {$whose->label()}");
    }

    private static function speedDial(Book $book, string $digits): self
    {
        $begun = null;
        foreach ($book->tenant->features->speedDials as $dial) {
            if ($dial['digits'] === $digits) {
                return new self(
                    DialEnd::Feature,
                    "calls {$dial['name']}, " . E164::exactly($dial['number'])->display(),
                );
            }
            $begun ??= str_starts_with($dial['digits'], $digits) ? $dial['name'] : null;
        }

        return $begun === null
            ? new self(DialEnd::Nowhere, "{$digits} is no speed dial")
            : new self(DialEnd::Waits, "the speed dial of {$begun} begins so");
    }

    /** @return list<PickUpGroup> */
    private static function groupsOf(Book $book, User $user): array
    {
        $who = (string) Reference::of($user);

        return array_values(array_filter(
            $book->all(PickUpGroup::class),
            static fn (PickUpGroup $group): bool => in_array(
                $who,
                array_map(static fn (array $member): string => (string) $member['who'], $group->members),
                true,
            ),
        ));
    }
}
