<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Numbering\UnusableNumber;

/**
 * One JSON object of a book being read, with the path that leads to it, so that every fault can say where it stands.
 * Each getter takes a field's name and returns a checked value, or the default where the field is missing.
 */
final readonly class Node
{
    public const SLUG = '/^[a-z0-9][a-z0-9.-]*$/D';

    public const MOST_TEXT = 10_000;

    /** @param array<string, mixed> $fields */
    private function __construct(private array $fields, public string $path)
    {
    }

    /** @throws UnusableBook when the value is no JSON object */
    public static function of(mixed $value, string $path = ''): self
    {
        if (! is_array($value) || ($value !== [] && array_is_list($value))) {
            throw UnusableBook::wrongType($path, 'an object', $value);
        }

        /** @var array<string, mixed> $value */
        return new self($value, $path);
    }

    /** Refuses every field but these. */
    public function allow(string ...$fields): void
    {
        $this->allowNamed(array_flip($fields));
    }

    /**
     * The same with the names as keys, for whoever asks it of many.
     *
     * @internal
     *
     * @param  array<array-key, mixed>  $fields  by name
     *
     * @throws UnusableBook
     */
    public function allowNamed(array $fields): void
    {
        foreach (array_diff_key($this->fields, $fields) as $field => $_) {
            throw UnusableBook::unknownField($this->path, (string) $field, array_map(strval(...), array_keys($fields)));
        }
    }

    /** @return list<string> the names of the fields that stand here */
    public function fields(): array
    {
        return array_map(strval(...), array_keys($this->fields));
    }

    public function isNullOrMissing(string $field): bool
    {
        return ! isset($this->fields[$field]);
    }

    /** Whether the field stands here at all, null included. */
    public function has(string $field): bool
    {
        return array_key_exists($field, $this->fields);
    }

    public function isText(string $field): bool
    {
        return is_string($this->fields[$field] ?? null);
    }

    /** @return array<string, mixed> every field as it stands */
    public function bare(): array
    {
        return $this->fields;
    }

    /** The bare value, for a caller that checks it by other means. */
    public function any(string $field): mixed
    {
        return $this->fields[$field] ?? null;
    }

    public function at(string $field): string
    {
        return $this->path === '' ? $field : "{$this->path}.{$field}";
    }

    public function text(string $field, ?string $default = null): string
    {
        if ($default === null && $this->isNullOrMissing($field)) {
            throw UnusableBook::missing($this->path, $field);
        }

        return $this->textOrNull($field) ?? (string) $default;
    }

    public function textOrNull(string $field): ?string
    {
        $value = $this->fields[$field] ?? null;
        if ($value === null) {
            return null;
        }
        if (! is_string($value) || ! mb_check_encoding($value, 'UTF-8')) {
            throw UnusableBook::wrongType($this->at($field), 'text', $value);
        }
        if (strlen($value) > self::MOST_TEXT || preg_match('/[\x00-\x08\x0B\x0C\x0E-\x1F\x7F]/', $value) === 1) {
            throw UnusableBook::malformed(
                $this->at($field),
                'text of reasonable length without control characters',
                $value,
            );
        }

        return $value;
    }

    public function matching(string $field, string $pattern, string $what): string
    {
        $value = $this->text($field);
        if (preg_match($pattern, $value) !== 1) {
            throw UnusableBook::malformed($this->at($field), $what, $value);
        }

        return $value;
    }

    public function matchingOrNull(string $field, string $pattern, string $what): ?string
    {
        return $this->isNullOrMissing($field) ? null : $this->matching($field, $pattern, $what);
    }

    /** A telephone number in E.164 that some country could have. */
    public function phone(string $field): string
    {
        return self::checkedPhone(
            $this->matching($field, Number::E164, 'a telephone number in E.164 (+19025550100)'),
            $this->at($field),
        );
    }

    public function phoneOrNull(string $field): ?string
    {
        return $this->isNullOrMissing($field) ? null : $this->phone($field);
    }

    /** @throws UnusableBook naming $path, with the reason */
    public static function checkedPhone(string $number, string $path): string
    {
        try {
            return (string) E164::exactly($number);
        } catch (UnusableNumber $fault) {
            throw UnusableBook::noNumber($path, $fault);
        }
    }

    public function slug(string $field): string
    {
        return $this->matching($field, self::SLUG, 'a key (small letters, digits, dots and hyphens)');
    }

    public function extension(): ?string
    {
        return $this->matchingOrNull('extension', '/^[0-9]{1,15}$/D', 'an extension (digits only)');
    }

    public function id(): ?string
    {
        return $this->matchingOrNull('id', '/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/D', 'a UUID in small letters');
    }

    public function date(string $field): ?string
    {
        $value = $this->matchingOrNull($field, '/^\d{4}-\d{2}-\d{2}$/D', 'a date (2026-12-25)');
        if (
            $value !== null
            && ! checkdate((int) substr($value, 5, 2), (int) substr($value, 8, 2), (int) substr($value, 0, 4))
        ) {
            throw UnusableBook::malformed($this->at($field), 'a day of the calendar', $value);
        }

        return $value;
    }

    public function zone(string $field): string
    {
        return Zone::parse($this->text($field), $this->at($field));
    }

    public function zoneOrNull(string $field): ?string
    {
        return $this->isNullOrMissing($field) ? null : $this->zone($field);
    }

    public function flag(string $field, bool $default): bool
    {
        $value = $this->fields[$field] ?? $default;
        if (! is_bool($value)) {
            throw UnusableBook::wrongType($this->at($field), 'true or false', $value);
        }

        return $value;
    }

    public function whole(string $field, int $default, int $least, int $most): int
    {
        $value = $this->fields[$field] ?? $default;
        if (! is_int($value)) {
            throw UnusableBook::wrongType($this->at($field), 'a whole number', $value);
        }
        if ($value < $least || $value > $most) {
            throw UnusableBook::outOfRange($this->at($field), $value, $least, $most);
        }

        return $value;
    }

    public function number(string $field, int|float $default, int|float $least, int|float $most): int|float
    {
        $value = $this->fields[$field] ?? $default;
        if (! is_int($value) && ! is_float($value) || is_nan((float) $value)) {
            throw UnusableBook::wrongType($this->at($field), 'a number', $value);
        }
        if ($value < $least || $value > $most) {
            throw UnusableBook::malformed($this->at($field), "between {$least} and {$most}", $value);
        }

        return $value;
    }

    /**
     * @template E of \BackedEnum
     *
     * @param  class-string<E>  $enum
     * @param  E  $default
     * @return E
     */
    public function choice(string $field, string $enum, \BackedEnum $default): \BackedEnum
    {
        $value = $this->textOrNull($field);
        if ($value === null) {
            return $default;
        }

        return $enum::tryFrom($value)
            ?? throw UnusableBook::notOneOf($this->at($field), $value, array_map(
                static fn (\BackedEnum $case): string => (string) $case->value,
                array_values($enum::cases()),
            ));
    }

    public function reference(string $field, Kind $kind): ?Reference
    {
        $value = $this->textOrNull($field);
        if ($value === null) {
            return null;
        }
        $reference = Reference::parse($value, $this->at($field));
        if ($reference->kind !== $kind) {
            throw UnusableBook::wrongKind($this->at($field), $reference, $kind);
        }

        return $reference;
    }

    /** @return list<Reference> all of one kind */
    public function references(string $field, Kind $kind): array
    {
        $references = [];
        foreach ($this->texts($field) as $index => $text) {
            $path = "{$this->at($field)}[{$index}]";
            $reference = Reference::parse($text, $path);
            $references[] = $reference->kind === $kind
                ? $reference
                : throw UnusableBook::wrongKind($path, $reference, $kind);
        }

        return $references;
    }

    public function destination(string $field): ?Destination
    {
        $value = $this->textOrNull($field);

        return $value === null ? null : Destination::parse($value, $this->at($field));
    }

    /** A nested object; one that is missing is empty, so all of its own defaults hold. */
    public function object(string $field): self
    {
        return self::of($this->fields[$field] ?? [], $this->at($field));
    }

    /** @return list<string> */
    public function texts(string $field): array
    {
        $values = [];
        foreach ($this->values($field) as $index => $value) {
            if (! is_string($value)) {
                throw UnusableBook::wrongType("{$this->at($field)}[{$index}]", 'text', $value);
            }
            $values[] = $value;
        }

        return $values;
    }

    /** @return list<self> the objects of a list */
    public function nodes(string $field): array
    {
        $nodes = [];
        foreach ($this->values($field) as $index => $value) {
            $nodes[] = self::of($value, "{$this->at($field)}[{$index}]");
        }

        return $nodes;
    }

    /**
     * The items of a list, each with an `item` key that no other item of the list has.
     *
     * @template T
     *
     * @param  callable(self): T  $read
     * @return list<T>
     */
    public function items(string $field, callable $read): array
    {
        $seen = [];
        $items = [];
        foreach ($this->nodes($field) as $node) {
            $item = $node->slug('item');
            if (isset($seen[$item])) {
                throw UnusableBook::twice($node->at('item'), 'item', $item);
            }
            $seen[$item] = true;
            $items[] = $read($node);
        }

        return $items;
    }

    /**
     * Objects by name, such as the keys of a menu: an object of objects, or a list of items as Change writes it.
     *
     * @return array<array-key, self>
     */
    public function keyed(string $field): array
    {
        $value = $this->fields[$field] ?? [];
        $value = $value instanceof \stdClass ? (array) $value : $value;
        if (! is_array($value)) {
            throw UnusableBook::wrongType($this->at($field), 'an object', $value);
        }
        $nodes = [];
        foreach ($value as $name => $inner) {
            $item = is_array($inner) ? $inner['item'] ?? null : null;
            $name = is_string($item) ? $item : $name;
            $nodes[$name] = self::of($inner, "{$this->at($field)}.{$name}");
        }

        return $nodes;
    }

    /** @return list<mixed> */
    private function values(string $field): array
    {
        $value = $this->fields[$field] ?? [];
        if (! is_array($value) || ! array_is_list($value)) {
            throw UnusableBook::wrongType($this->at($field), 'a list', $value);
        }

        return $value;
    }
}
