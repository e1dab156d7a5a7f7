<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

/** A field in words, where its name spelt out does not say it. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final readonly class Said
{
    /**
     * @param  ?string  $title  as a form heads it: "No-answer limit"
     * @param  ?string  $help  a sentence for whoever does not know it
     * @param  ?string  $unset  what it says where nothing is set, and a dash does not say it
     * @param  array<string, string>  $inside  titles of fields inside it that have no class of their own, by name
     * @param  array<string, Unit>  $units  likewise of those that count something
     */
    public function __construct(
        public ?string $title = null,
        public ?string $help = null,
        public ?Unit $in = null,
        public ?string $unset = null,
        public array $inside = [],
        public array $units = [],
    ) {
    }
}
