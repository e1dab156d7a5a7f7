<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\ItemsOf;
use Jaunty\Core\Book\Fields\Matching;
use Jaunty\Core\Book\Fields\Phone;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Shape;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;

/** What people at the customer's dial that is no call to somebody (docs/features.md). */
final readonly class Features implements BookPart
{
    use DeclaredPart;

    /** What a code is for, in the order they are told. */
    public const CODES = [
        'pickUp' => 'Pick up in the group', 'pickUpOf' => 'Pick up of an extension', 'intercom' => 'Intercom',
        'speedDial' => 'Speed dial', 'signIn' => 'Sign in at a hot desk',
    ];

    private const KEYS = '/^[0-9*#]{1,6}$/D';

    /**
     * @param  array<string, ?string>  $codes  keys by what they are for; null: nobody can dial it
     * @param  list<array{item: string, digits: string, name: string, number: string}>  $speedDials  number in E.164
     */
    private function __construct(
        #[Shape([
            'pickUp' => new Matching(self::KEYS, 'one to six keys (0 to 9, * and #)'),
            'pickUpOf' => new Matching(self::KEYS, 'one to six keys (0 to 9, * and #)'),
            'intercom' => new Matching(self::KEYS, 'one to six keys (0 to 9, * and #)'),
            'speedDial' => new Matching(self::KEYS, 'one to six keys (0 to 9, * and #)'),
            'signIn' => new Matching(self::KEYS, 'one to six keys (0 to 9, * and #)'),
        ])]
        #[Said(help: 'What is dialled before an extension or alone; the switch has to know them.', inside: self::CODES)]
        public array $codes,
        #[ItemsOf([
            'item' => new Slug(),
            'digits' => new Matching('/^[0-9]{1,4}$/D', 'one to four digits', must: true),
            'name' => new Text(like: 'item'),
            'number' => new Phone(must: true),
        ])]
        #[Said('Speed dials', 'Dialled by the code and their digits.')]
        public array $speedDials,
    ) {
    }

    /** @return ?array{string, string} of what is dialled: which code it begins with, the longest, and what follows */
    public function codeOf(string $dialled): ?array
    {
        $found = null;
        foreach ($this->codes as $name => $code) {
            if ($code !== null && str_starts_with($dialled, $code)
                && ($found === null || strlen($code) > strlen((string) $this->codes[$found]))) {
                $found = $name;
            }
        }

        return $found === null ? null : [$found, substr($dialled, strlen((string) $this->codes[$found]))];
    }
}
