<?php

declare(strict_types=1);

namespace App\Http\Problem;

/**
 * A fault of one field: a JSON pointer into what was sent, or an object and path of the book; screens place it there.
 * It may offer what to take instead.
 */
final readonly class FieldFault
{
    public function __construct(
        public string $detail,
        public ?string $pointer = null,
        public ?string $object = null,
        public ?string $path = null,
        public ?string $offer = null,
    ) {
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return array_filter(
            [
                'detail' => $this->detail, 'pointer' => $this->pointer, 'object' => $this->object,
                'path' => $this->path, 'offer' => $this->offer,
            ],
            is_string(...),
        );
    }
}
