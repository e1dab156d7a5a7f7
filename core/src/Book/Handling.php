<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Choice;
use Jaunty\Core\Book\Fields\Each;
use Jaunty\Core\Book\Fields\Left;
use Jaunty\Core\Book\Fields\Own;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Treats;

/** What a user's calls do in one state of the user's schedule (design 09, H). */
final readonly class Handling implements BookPart
{
    use DeclaredPart;

    private const LEGS_SCHEMA = ['anyOf' => [['const' => 'all'], ['type' => 'array', 'items' => ['type' => 'string']]]];

    private const CONDITIONS = ['always', 'doNotDisturb', 'unreachable', 'onACall', 'busy', 'noAnswer'];

    /**
     * @param  ?list<string>  $legs  items of the user's legs, in ring order; null for all of them
     * @param  array<string, ?Treatment>  $treatments  by condition
     */
    private function __construct(
        #[Own([self::class, 'readLegs'], self::LEGS_SCHEMA, [self::class, 'writeLegs'])]
        #[Said('Phones', 'Which ring, in ring order.', unset: 'all')]
        public ?array $legs,
        #[Choice(RingStyle::Together)]
        #[Said(help: 'Together, or one after the other.')]
        public RingStyle $ring,
        #[Each(self::CONDITIONS, new Treats())]
        #[Left(['always'])]
        #[Said(inside: [
            'always' => 'Every call, before anything rings', 'doNotDisturb' => 'Not to be disturbed',
            'unreachable' => 'No phone can be reached',
        ])]
        public array $treatments,
    ) {
    }

    /**
     * @internal
     *
     * @return ?list<string>
     */
    public static function readLegs(Node $node, string $field): ?array
    {
        if ($node->isNullOrMissing($field) || $node->isText($field)) {
            $word = $node->text($field, 'all');

            return $word === 'all'
                ? null
                : throw UnusableBook::malformed($node->at($field), 'all, or a list of legs', $word);
        }

        return $node->texts($field);
    }

    /**
     * @internal
     *
     * @param  mixed  $legs  their items; null for all
     */
    public static function writeLegs(mixed $legs): mixed
    {
        return $legs ?? 'all';
    }
}
