<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Beside;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\Own;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Shape;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;
use Jaunty\Core\Book\Fields\Unit;
use Jaunty\Core\Book\Fields\Whole;

/** What was promised to the customer of one call, kept as a test call with what must come of it. */
#[Beside]
final readonly class Promise implements BookObject
{
    use Declared;

    /**
     * @param  array<string, mixed>  $call  a script
     * @param  array{outcome: ?string, target: ?string, within: ?int}  $expect  within in seconds
     */
    private function __construct(
        #[Slug]
        public string $key,
        #[Id]
        public ?string $id,
        #[Text(like: 'key')]
        #[Said('Promise')]
        public string $text,
        #[Own(
            [self::class, 'readCall'],
            ['type' => 'object', 'description' => 'a script: to, from, at, keys, world, order'],
            isOpen: true,
        )]
        public array $call,
        #[Shape(['outcome' => new Text(), 'target' => new Text(), 'within' => new Whole(0, 1_000_000)])]
        #[Said(units: ['within' => Unit::Seconds])]
        public array $expect,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::Promise;
    }

    public function key(): string
    {
        return $this->key;
    }

    public function id(): ?string
    {
        return $this->id;
    }

    public function label(): string
    {
        return $this->text;
    }

    public function extension(): ?string
    {
        return null;
    }

    /**
     * @internal
     *
     * @return array<string, mixed> as it stands; what it may hold is for whoever follows it
     */
    public static function readCall(Node $node, string $field): array
    {
        return $node->object($field)->bare();
    }
}
