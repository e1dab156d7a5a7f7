<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\UnusableBook;

/** One typed question of a template, or one column of a question that is a table. */
final readonly class Slot
{
    /**
     * @param  bool  $optional  whether it may stay unanswered
     * @param  ?string  $default  the answer where none is given
     * @param  array<string, string>  $options  of a choice: what is said by what it is called in the template
     * @param  ?int  $least  of a whole number; of an extension the first that is given by itself
     * @param  list<self>  $columns  of a table
     * @param  list<string>  $alsoCalled  how a column may be headed in somebody's list, in small letters
     * @param  list<string>  $reserved  extensions that are not given by themselves
     * @param  ?string  $of  the table whose rows are meant
     * @param  ?Condition  $when  holds where the question is asked at all
     */
    private function __construct(
        public string $key,
        public string $question,
        public SlotType $type,
        public ?string $help,
        public ?string $example,
        public bool $optional,
        public ?string $default,
        public array $options,
        public ?int $least,
        public ?int $most,
        public array $columns,
        public array $alsoCalled,
        public array $reserved,
        public ?string $of,
        public ?Condition $when,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow(
            'key',
            'question',
            'type',
            'help',
            'example',
            'optional',
            'default',
            'options',
            'least',
            'most',
            'columns',
            'alsoCalled',
            'reserved',
            'of',
            'when',
        );
        $type = $node->choice('type', SlotType::class, SlotType::Text);
        $columns = array_map(self::read(...), $node->nodes('columns'));
        if (($type === SlotType::Table) !== ($columns !== [])) {
            throw UnusableBook::malformed(
                $node->at('columns'),
                'columns of a table, and of nothing else',
                $type->value,
            );
        }
        $options = [];
        foreach ($node->object('options')->fields() as $option) {
            $options[$option] = $node->object('options')->text($option);
        }
        if (($type === SlotType::Choice) !== ($options !== [])) {
            throw UnusableBook::malformed(
                $node->at('options'),
                'options of a choice, and of nothing else',
                $type->value,
            );
        }

        return new self(
            key: $node->matching('key', '/^[a-z][A-Za-z0-9]*$/D', 'a slot key (letters and digits)'),
            question: $node->text('question'),
            type: $type,
            help: $node->textOrNull('help'),
            example: $node->textOrNull('example'),
            optional: $node->flag('optional', false),
            default: $node->textOrNull('default'),
            options: $options,
            least: $node->isNullOrMissing('least') ? null : $node->whole('least', 0, 0, 999_999),
            most: $node->isNullOrMissing('most') ? null : $node->whole('most', 0, 0, 999_999),
            columns: $columns,
            alsoCalled: array_map(mb_strtolower(...), $node->texts('alsoCalled')),
            reserved: $node->texts('reserved'),
            of: $type === SlotType::RowOf ? $node->text('of') : null,
            when: $node->isNullOrMissing('when') ? null : Condition::read($node->any('when'), $node->at('when')),
        );
    }
}
