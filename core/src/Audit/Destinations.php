<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Otherwise;

/** Where an object sends calls, field by field, whatever its kind. */
final class Destinations
{
    private const FIELDS = [
        'destination', 'carrierDiversion', 'then', 'to', 'who', 'invalid', 'silence', 'zero', 'siteOut', 'operator', 'outside', 'inside',
        'always', 'doNotDisturb', 'unreachable', 'onACall', 'busy', ...Otherwise::CASES,
    ];

    /** Ranges and dates end in a `to` as well. */
    private const WRITTEN = '/^(?:[a-z]+:\S+|operator|directory|again|back|release|busy)$/D';

    /** @var ?\WeakMap<BookObject, array<string, string>> objects never change, and many rules ask this of each */
    private static ?\WeakMap $known = null;

    /** @return array<string, string> as the book writes them, by path: `members/van/who` to `outside:+19025550177` */
    public static function of(BookObject $object): array
    {
        self::$known ??= new \WeakMap();

        return self::$known[$object] ??= self::in($object->toArray(), '');
    }

    /** @return array<string, string> E.164 by path */
    public static function outsideOf(BookObject $object): array
    {
        $found = [];
        foreach (self::of($object) as $path => $to) {
            if (str_starts_with($to, 'outside:')) {
                $found[$path] = substr($to, strlen('outside:'));
            }
        }

        return $found;
    }

    /**
     * @param  array<mixed>  $fields
     * @return array<string, string>
     */
    private static function in(array $fields, string $path): array
    {
        $found = [];
        foreach ($fields as $name => $value) {
            $item = is_array($value) && is_string($value['item'] ?? null) ? $value['item'] : (string) $name;
            if (is_array($value)) {
                $found += self::in($value, "{$path}{$item}/");
            } elseif (is_string($value) && in_array($name, self::FIELDS, true) && preg_match(self::WRITTEN, $value) === 1) {
                $found[$path . $name] = $value;
            }
        }

        return $found;
    }
}
