<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

use Jaunty\Core\Book\Node;

/** One typed question of a template. */
final readonly class Slot
{
    private function __construct(
        public string $key,
        public string $question,
        public SlotType $type,
        public ?string $help,
        public ?string $example,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'question', 'type', 'help', 'example');

        return new self(
            key: $node->matching('key', '/^[a-z][A-Za-z0-9]*$/D', 'a slot key (letters and digits)'),
            question: $node->text('question'),
            type: $node->choice('type', SlotType::class, SlotType::Text),
            help: $node->textOrNull('help'),
            example: $node->textOrNull('example'),
        );
    }
}
