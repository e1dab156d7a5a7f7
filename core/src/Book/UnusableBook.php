<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\CoreException;
use Jaunty\Core\Numbering\UnusableNumber;

/** A book, object or destination that cannot be read; names the place and the cause. */
final class UnusableBook extends \DomainException implements CoreException
{
    private const LONGEST_VALUE_SHOWN = 60;

    private const MOST_NAMED = 4;

    private function __construct(public readonly string $path, public readonly string $cause)
    {
        parent::__construct($path === '' ? $cause : "{$path}: {$cause}");
    }

    public static function wrongType(string $path, string $expected, mixed $value): self
    {
        return new self($path, "expected {$expected}, found " . self::show($value));
    }

    /** @param list<string> $known */
    public static function unknownField(string $path, string $field, array $known): self
    {
        return new self(self::join($path, $field), 'unknown field' . self::nearest($field, $known));
    }

    public static function missing(string $path, string $field): self
    {
        return new self(self::join($path, $field), 'is required and missing');
    }

    /** @param list<string> $allowed */
    public static function notOneOf(string $path, string $value, array $allowed): self
    {
        return new self(
            $path,
            self::show($value) . ' is not one of ' . implode(', ', $allowed) . self::nearest($value, $allowed),
        );
    }

    /** What somebody typed is nobody, or may be several: `$why` says which. */
    public static function unclear(string $path, string $why): self
    {
        return new self($path, $why);
    }

    public static function malformed(string $path, string $what, mixed $value): self
    {
        return new self($path, self::show($value) . " is not {$what}");
    }

    public static function outOfRange(string $path, int $value, int $least, int $most): self
    {
        return new self($path, "{$value} is not between {$least} and {$most}");
    }

    public static function twice(string $path, string $what, string $value): self
    {
        return new self($path, "{$what} " . self::show($value) . ' stands here twice');
    }

    public static function keptForGood(string $path): self
    {
        return new self(
            $path,
            'is what the object is known by, and stays as it is; make another object and take this one out',
        );
    }

    public static function idTaken(Reference $object, string $id, BookObject $holder): self
    {
        return new self(
            "{$object}.id",
            self::show($id) . " is the id of {$holder->label()} already; leave it out, and it gets one of its own",
        );
    }

    public static function danglingReference(string $path, string $reference): self
    {
        return new self($path, self::show($reference) . ' is not in the book');
    }

    public static function extensionTaken(Reference $object, string $extension, BookObject $holder): self
    {
        return new self("{$object}.extension", "{$extension} is taken by {$holder->label()}");
    }

    public static function noNumber(string $path, UnusableNumber $why): self
    {
        return new self($path, $why->getMessage());
    }

    /** @param non-empty-list<string> $by names of what leads to it, with the field */
    public static function stillNeeded(Reference $gone, BookObject $object, array $by): self
    {
        $more = count($by) - self::MOST_NAMED;

        return new self(
            (string) $gone,
            "{$object->label()} is still needed by "
                . implode(', ', array_slice($by, 0, self::MOST_NAMED))
                . ($more > 0 ? " and {$more} more" : '')
                . '; take it out there first',
        );
    }

    /** @param string $path of the leg */
    public static function deviceElsewhere(string $hardware, string $path): self
    {
        return new self(
            $path,
            'the device ' . implode(':', str_split($hardware, 2)) . ' is at another customer; take it out there first',
        );
    }

    /** @param string $why of Evidence */
    public static function unbelievable(string $path, string $why): self
    {
        return new self($path, $why);
    }

    public static function customerTaken(string $path, string $key): self
    {
        return new self($path, "the key {$key} is another customer's; give the book one of its own");
    }

    public static function wrongKind(string $path, Reference $reference, Kind $expected): self
    {
        return new self($path, "{$reference} should be a {$expected->value}");
    }

    private static function join(string $path, string $field): string
    {
        return $path === '' ? $field : "{$path}.{$field}";
    }

    private static function show(mixed $value): string
    {
        if (! is_scalar($value)) {
            return $value === null ? 'null' : get_debug_type($value);
        }
        $text = json_encode($value, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE);

        return mb_strimwidth($text === false ? '?' : $text, 0, self::LONGEST_VALUE_SHOWN, '…');
    }

    /** @param list<string> $candidates */
    private static function nearest(string $value, array $candidates): string
    {
        $best = null;
        $bestDistance = 3;
        foreach ($candidates as $candidate) {
            $distance = levenshtein(substr($value, 0, 60), $candidate);
            if ($distance < $bestDistance) {
                [$best, $bestDistance] = [$candidate, $distance];
            }
        }

        return $best === null ? '' : "; did you mean {$best}?";
    }
}
