<?php

declare(strict_types=1);

namespace App\Roster;

use Jaunty\Core\Numbering\E164;

/** An object of some customer that was looked for. */
final readonly class Found
{
    private function __construct(
        public string $customer,
        public string $name,
        public string $ref,
        public string $kind,
        public string $label,
        public ?string $extension,
        public ?string $number,
    ) {
    }

    /** @param \stdClass $row with customer, name, kind, key, label and extension */
    public static function of(\stdClass $row): self
    {
        /**
         * @var \stdClass&object{
         *     customer: string, name: string, kind: string, key: string, label: string, extension: ?string,
         * } $row
         */
        return new self(
            $row->customer,
            $row->name,
            "{$row->kind}:{$row->key}",
            $row->kind,
            $row->label,
            $row->extension,
            $row->kind === 'number' ? E164::parse($row->key)->display() : null,
        );
    }
}
