<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;

/** Text of one form. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Matching extends Field
{
    /**
     * @param  string  $pattern  between slashes, closed by /D
     * @param  string  $what  what such text is, for whoever wrote another
     */
    public function __construct(
        public readonly string $pattern,
        public readonly string $what,
        bool $must = false,
        ?string $name = null,
    ) {
        parent::__construct($must, $name);
    }

    public function read(Node $node, string $field): ?string
    {
        return $this->must
            ? $node->matching($field, $this->pattern, $this->what)
            : $node->matchingOrNull($field, $this->pattern, $this->what);
    }

    public function schema(Form $form): array
    {
        return [
            'type' => 'string',
            'pattern' => str_replace('\d', '[0-9]', substr($this->pattern, 1, (int) strrpos($this->pattern, '/') - 1)),
        ];
    }
}
