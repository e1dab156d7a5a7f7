<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Numbering\TypedNumber;
use Jaunty\Core\Numbering\UnusableNumber;

/** Values of fields as people type them, made what the book writes: telephone numbers, and addresses of devices. */
final readonly class AsTyped
{
    private const OUTSIDE = 'outside:';

    /** What a field is called that holds a telephone number, wherever it stands. */
    private const NUMBER = 'number';

    /** The same of a device's address, which is printed on it in several ways. */
    private const HARDWARE = 'hardware';

    private const HARDWARE_DIGITS = '/^[0-9a-f]{12}$/D';

    private TypedNumber $numbers;

    public function __construct(Book $book)
    {
        $this->numbers = TypedNumber::of($book);
    }

    /**
     * @param  string  $path  of the field in the object; empty for the fields of a whole object
     *
     * @throws UnusableBook naming the field, with the reason
     */
    public function read(Reference $object, string $path, mixed $value): mixed
    {
        return $this->value(
            (string) $object . ($path === '' ? '' : '.' . str_replace('/', '.', $path)),
            substr((string) strrchr("/{$path}", '/'), 1),
            $value,
        );
    }

    /**
     * Twelve hex digits in pairs or fours, with colons, dashes, dots or spaces between; what is none of it is left for
     * the book to refuse.
     */
    private static function hardware(string $typed): ?string
    {
        $digits = strtolower((string) preg_replace('/[\s:.-]/', '', $typed));

        return trim($typed) === '' ? null : (preg_match(self::HARDWARE_DIGITS, $digits) === 1 ? $digits : $typed);
    }

    private function value(string $path, string $field, mixed $value): mixed
    {
        if (is_array($value)) {
            $read = [];
            foreach ($value as $name => $inner) {
                $item = is_array($inner) && is_string($inner['item'] ?? null) ? $inner['item'] : (string) $name;
                $read[$name] = $this->value("{$path}.{$item}", (string) $name, $inner);
            }

            return $read;
        }
        if (! is_string($value)) {
            return $value;
        }
        if ($field === self::HARDWARE) {
            return self::hardware($value);
        }
        $prefix = str_starts_with($value, self::OUTSIDE) ? self::OUTSIDE : '';
        $typed = trim(substr($value, strlen($prefix)));
        if ($prefix === '' && ($field !== self::NUMBER || $typed === '') || preg_match(Number::E164, $typed) === 1) {
            return $value;
        }
        try {
            return $prefix . $this->numbers->read($typed);
        } catch (UnusableNumber $fault) {
            throw UnusableBook::noNumber($path, $fault);
        }
    }
}
