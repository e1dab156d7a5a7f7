<?php

declare(strict_types=1);

namespace App\Log;

/** What was done, as it is read. */
final readonly class Entry
{
    /**
     * @param  array<string, mixed>  $detail
     * @param  list<array{object: ?string, path: ?string, op: string, before: mixed, after: mixed}>  $changes
     * @param  ?int  $count  of changes, where there are more than are told
     */
    private function __construct(
        public int $id,
        public \DateTimeImmutable $at,
        public ?string $who,
        public ?string $signIn,
        public ?string $customer,
        public ?string $customerName,
        public string $what,
        public array $detail,
        public array $changes,
        public ?int $count,
    ) {
    }

    public static function of(\stdClass $row): self
    {
        $values = get_object_vars($row);
        $text = static fn (string $name): ?string => is_string($values[$name] ?? null) ? $values[$name] : null;
        $detail = json_decode($text('detail') ?? '{}', true);
        $detail = is_array($detail) ? array_filter($detail, is_string(...), ARRAY_FILTER_USE_KEY) : [];
        $changes = [];
        foreach (is_array($detail['changes'] ?? null) ? $detail['changes'] : [] as $change) {
            if (is_array($change)) {
                $said = static fn (string $name): ?string => is_string($change[$name] ?? null) ? $change[$name] : null;
                $changes[] = [
                    'object' => $said('object'), 'path' => $said('path'), 'op' => $said('op') ?? 'set',
                    'before' => $change['before'] ?? null, 'after' => $change['after'] ?? null,
                ];
            }
        }
        $count = $detail['count'] ?? null;
        unset($detail['changes'], $detail['count']);

        return new self(
            is_int($values['id'] ?? null) ? $values['id'] : 0,
            (new \DateTimeImmutable($text('happened_at') ?? 'now'))->setTimezone(new \DateTimeZone('UTC')),
            $text('who'),
            $text('sign_in'),
            $text('customer'),
            $text('customer_name'),
            $text('what') ?? '',
            $detail,
            $changes,
            is_int($count) ? $count : null,
        );
    }

    /** @return list<array{name: string, said: string}> what it tells besides its changes */
    public function told(): array
    {
        $told = [];
        foreach ($this->detail as $name => $value) {
            $told[] = ['name' => self::spaced($name), 'said' => self::said($value)];
        }

        return $told;
    }

    /** A value on one line. */
    public static function said(mixed $value): string
    {
        return match (true) {
            $value === null => '',
            is_bool($value) => $value ? 'yes' : 'no',
            is_scalar($value) => (string) $value,
            is_array($value) && array_is_list($value) && array_filter($value, is_scalar(...)) === $value => implode(
                ', ',
                array_map(self::said(...), $value),
            ),
            default => json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR),
        };
    }

    private static function spaced(string $name): string
    {
        return mb_strtolower((string) preg_replace('/(?<=[a-z])(?=[A-Z])/', ' ', $name));
    }
}
