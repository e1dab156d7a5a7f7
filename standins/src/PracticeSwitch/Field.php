<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch;

/** One field of a record on the switch: what it may hold, and what it holds when nobody said. */
final readonly class Field
{
    /** @param ?string $points the collection whose record ids it holds */
    private function __construct(
        public string $shape,
        public mixed $default,
        public ?string $points = null,
        public bool $fixed = false,
    ) {
    }

    public static function text(?string $default = null): self
    {
        return new self('text', $default);
    }

    public static function number(int $default): self
    {
        return new self('number', $default);
    }

    /** A number, or none. */
    public static function count(?int $default = null): self
    {
        return new self('count', $default);
    }

    /** Ids of several records. */
    public static function pointers(string $collection): self
    {
        return new self('list', [], $collection);
    }

    /** 1 or 0: this switch knows no true and false. */
    public static function bit(int $default): self
    {
        return new self('bit', $default);
    }

    public static function pointer(string $collection): self
    {
        return new self('text', null, $collection);
    }

    /** Anything JSON can hold: lists, and places a call can land on. */
    public static function tree(mixed $default = null): self
    {
        return new self('tree', $default);
    }

    /** Given once, when the record is made. */
    public static function fixedText(): self
    {
        return new self('text', null, null, true);
    }

    /** Digits that are taken and never told again: what is read is `set`, or nothing. */
    public static function code(): self
    {
        return new self('code', null);
    }

    /** What a telephone comes in with: taken and never told again, like a code. */
    public static function login(): self
    {
        return new self('login', null);
    }

    public function takes(mixed $value): bool
    {
        return match ($this->shape) {
            'text' => $value === null || is_string($value),
            'number' => is_int($value) && $value >= 0,
            'count' => $value === null || (is_int($value) && $value >= 0),
            'bit' => $value === 0 || $value === 1,
            'code' => $value === null || (is_string($value) && preg_match('/^(\d{4,12}|set)$/D', $value) === 1),
            'login' => $value === null
                || (is_string($value) && preg_match('/^([A-Za-z0-9]{12,64}|set)$/D', $value) === 1),
            'list' => is_array($value) && array_is_list($value) && array_filter($value, is_string(...)) === $value,
            default => true,
        };
    }
}
