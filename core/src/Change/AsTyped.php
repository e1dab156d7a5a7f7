<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Fields\Field;
use Jaunty\Core\Book\Fields\Fields;
use Jaunty\Core\Book\Fields\HasItems;
use Jaunty\Core\Book\Fields\LeadsTo;
use Jaunty\Core\Book\Fields\Phone;
use Jaunty\Core\Book\Fields\PointsAt;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\RefersToMany;
use Jaunty\Core\Book\Fields\Treats;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Numbering\TypedNumber;
use Jaunty\Core\Numbering\UnusableNumber;
use Jaunty\Core\Templates\LooseLine;
use Jaunty\Core\Templates\PersonName;
use Jaunty\Core\Templates\Slug;

/**
 * Values of fields as people type them, made what the book writes: telephone numbers, addresses of devices, names of
 * objects where the book has references, and keys for items of lists that came without.
 */
final class AsTyped
{
    private const OUTSIDE = 'outside:';

    /** What a field is called that holds a telephone number where none is declared to. */
    private const NUMBER = 'number';

    /** The same of a device's address, which is printed on it in several ways. */
    private const HARDWARE = 'hardware';

    /** Fields that say what an item is about, by which one without a key is called. */
    private const ABOUT = ['who' => 1, 'user' => 1, 'to' => 1, 'name' => 1, 'number' => 1, 'from' => 1, 'when' => 1];

    private const HARDWARE_DIGITS = '/^[0-9a-f]{12}$/D';

    private TypedNumber $numbers;

    private readonly Meant $meant;

    public function __construct(Book $book)
    {
        $this->numbers = TypedNumber::of($book);
        $this->meant = new Meant($book);
    }

    /** From now on it reads by a book in which one object is another one, is new or is gone. */
    public function follow(Book $book, Reference $changed): void
    {
        $this->numbers = TypedNumber::of($book);
        $this->meant->follow($book, $changed);
    }

    /**
     * @param  string  $path  of the field in the object; empty for the fields of a whole object
     *
     * @throws UnusableBook naming the field, with the reason
     */
    public function read(Reference $object, string $path, mixed $value): mixed
    {
        $fields = Fields::of($object->kind->class());
        $at = (string) $object . ($path === '' ? '' : '.' . str_replace('/', '.', $path));
        if ($path !== '') {
            return $this->value($at, substr((string) strrchr("/{$path}", '/'), 1), $fields->at($path), $value);
        }
        $read = [];
        foreach (is_array($value) ? $value : [] as $name => $inner) {
            $read[$name] = $this->value("{$at}.{$name}", (string) $name, $fields->at((string) $name), $inner);
        }

        return $read;
    }

    /**
     * What somebody meant by a name, an extension, digits or a word, without a field it was typed into.
     *
     * @param  list<Kind>  $kinds  of objects that may be meant
     * @param  bool  $isOutside  whether an outside number is an answer too
     *
     * @throws UnusableBook saying why it is nobody
     */
    public function meantBy(string $typed, array $kinds, bool $isOutside): string
    {
        try {
            $meant = $this->meant->read('', $typed, $kinds, $isOutside, false);
        } catch (UnusableBook $fault) {
            $meant = $this->meantByLine($typed, $kinds) ?? throw $fault;
        }
        $read = $this->value('', '', null, $meant);

        return is_string($read) ? $read : $meant;
    }

    /**
     * The person of a line out of a mail: `Marsh, Ines <ines@inlet.example> ext. 201`.
     *
     * @param  list<Kind>  $kinds
     */
    private function meantByLine(string $typed, array $kinds): ?string
    {
        $line = LooseLine::read($typed);
        if (! in_array(Kind::User, $kinds, true)) {
            return null;
        }
        foreach ([$line->mail, PersonName::of($line->name)->whole(), $line->extension] as $said) {
            if ($said === null || $said === '' || $said === $typed) {
                continue;
            }
            try {
                return $this->meant->read('', $said, $kinds, false, false);
            } catch (UnusableBook) {
                // Then by what else stands in the line.
            }
        }

        return null;
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

    private function value(string $path, string $name, ?Field $field, mixed $value): mixed
    {
        if (is_array($value)) {
            return $this->values($path, $field, $value);
        }
        if (! is_string($value)) {
            return $value;
        }
        if ($name === self::HARDWARE) {
            return self::hardware($value);
        }
        $value = $this->meant($path, $field, $value);
        $prefix = str_starts_with($value, self::OUTSIDE) ? self::OUTSIDE : '';
        $typed = trim(substr($value, strlen($prefix)));
        $isNumber = $field instanceof Phone || $name === self::NUMBER;
        if ($prefix === '' && (! $isNumber || $typed === '') || preg_match(Number::E164, $typed) === 1) {
            return $value;
        }
        try {
            return $prefix . $this->numbers->read($typed);
        } catch (UnusableNumber $fault) {
            throw UnusableBook::noNumber($path, $fault);
        }
    }

    /**
     * @param  array<mixed>  $values
     * @return array<mixed>
     */
    private function values(string $path, ?Field $field, array $values): array
    {
        $read = [];
        foreach ($values as $name => $inner) {
            $item = is_array($inner) && is_string($inner['item'] ?? null) ? $inner['item'] : (string) $name;
            $inside = $field instanceof RefersToMany ? $field : $field?->inside($item);
            $read[$name] = $this->value("{$path}.{$item}", (string) $name, $inside, $inner);
        }

        return $field instanceof HasItems && array_is_list($read) ? self::withItems($read) : $read;
    }

    private function meant(string $path, ?Field $field, string $value): string
    {
        $anything = array_values(array_filter(Kind::listed(), static fn (Kind $kind): bool => $kind->takesCalls()));

        return match (true) {
            trim($value) === '' => $value,
            $field instanceof Refers => $this->meant->read($path, $value, [$field->to], false, false),
            $field instanceof PointsAt => $this->meant->read($path, $value, $field->kinds, false, false),
            $field instanceof RefersToMany => $this->meant->read(
                $path,
                $value,
                $field->to === null ? Kind::listed() : [$field->to],
                false,
                false,
            ),
            $field instanceof LeadsTo => $this->meant->read(
                $path,
                $value,
                $field->only === [] ? $anything : $field->only,
                true,
                $field->only === [],
            ),
            $field instanceof Treats => $this->meant->read($path, $value, $anything, true, true),
            default => $value,
        };
    }

    /**
     * Items of a list by keys of their own: those that came without get one, by whom they are about.
     *
     * @param  list<mixed>  $items
     * @return list<mixed>
     */
    private static function withItems(array $items): array
    {
        $keyed = array_column(array_filter($items, is_array(...)), 'item');
        $taken = array_fill_keys(array_filter($keyed, is_string(...)), 1);
        foreach ($items as $place => $item) {
            if (is_array($item) && ! isset($item['item'])) {
                $said = array_values(array_filter(array_intersect_key($item, self::ABOUT), is_string(...)))[0] ?? '';
                $wanted = Slug::of((string) preg_replace('/^[a-z]+:/', '', $said));
                $key = $wanted;
                for ($no = 2; isset($taken[$key]); $no++) {
                    $key = "{$wanted}-{$no}";
                }
                $taken[$key] = 1;
                $items[$place] = ['item' => $key] + $item;
            }
        }

        return $items;
    }
}
