<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Ports;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\PortSeen;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Book\Site;

/** What a port order says is not what the book says, or not what the losing carrier has on file. */
final readonly class DetailsMismatch implements Rule
{
    public function about(): About
    {
        return new About(
            'ports.details-mismatch',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->surroundings->ports ?? [] as $port) {
            [$said, $fix] = $this->differences($inspection, $port);
            if ($port->rejected !== null) {
                $said = ["it was turned down: {$port->rejected}", ...$said];
            }
            if ($said !== []) {
                $numbers = array_values(array_filter(
                    array_map(static fn (string $key): ?Number => self::number($inspection, $key), $port->numbers),
                ));
                $first = $numbers[0] ?? $inspection->book->tenant;
                yield Found::of(
                    [
                        'numbers' => $inspection->names->several($numbers === [] ? $port->numbers : $numbers),
                        'state' => $port->rejected === null ? 'open' : 'rejected',
                        'said' => implode('; ', $said),
                    ],
                    $first,
                    ...array_slice($numbers, 1),
                )->fixedBy($port->rejected === null ? $fix : null);
            }
        }
    }

    /** @return array{list<string>, ?Fix} */
    private function differences(Inspection $inspection, PortSeen $port): array
    {
        $said = [];
        $fix = null;
        if (! self::same($port->name, $inspection->book->tenant->name)) {
            $said[] = "it is in the name of {$port->name}, and the customer is called "
                . "{$inspection->book->tenant->name}";
        }
        if (! $this->hasAddress($inspection, $port)) {
            $said[] = "{$port->street}, {$port->postcode} is no site's address";
        }
        foreach ($port->numbers as $key) {
            $number = self::number($inspection, $key);
            if ($number === null) {
                $said[] = "{$inspection->names->of($key)} is not in the book";
            } elseif ($number->status !== NumberStatus::PortingIn) {
                $said[] = "{$inspection->names->of($number)} does not come over by the book";
            } elseif ($number->from !== $port->day) {
                $said[] = "{$inspection->names->of($number)} comes over on "
                    . "{$inspection->day->said($port->day)} by the order and "
                    . ($number->from === null ? 'on no day' : "on {$inspection->day->said($number->from)}")
                    . ' by the book';
                $fix ??= Fix::set("Expect it on {$inspection->day->said($port->day)}", $number, 'from', $port->day);
            }
        }

        // Mending the day mends the whole only where nothing else differs.
        return [$said, count($said) === 1 ? $fix : null];
    }

    private function hasAddress(Inspection $inspection, PortSeen $port): bool
    {
        $sites = array_filter(
            $inspection->book->all(Site::class),
            static fn (Site $site): bool => self::same($site->address['postcode'] ?? '', $port->postcode)
                && self::same($site->address['street'] ?? '', $port->street),
        );

        return $sites !== [];
    }

    private static function number(Inspection $inspection, string $key): ?Number
    {
        return array_values(array_filter(
            $inspection->book->all(Number::class),
            static fn (Number $number): bool => $number->key === $key,
        ))[0] ?? null;
    }

    /** Carriers compare letters and digits, not how they are spaced (common practice). */
    private static function same(string $one, string $other): bool
    {
        $bare = static fn (string $text): string => (string) preg_replace('/[^\p{L}\p{N}]+/u', '', mb_strtolower(
            $text,
        ));

        return $bare($one) === $bare($other);
    }
}
