<?php

declare(strict_types=1);

namespace App\House;

/**
 * How long what grows with time is kept, in days.
 *
 * What was entered, pushed and done is kept as long as the customer is: it is what questions are answered from.
 */
final readonly class Retention
{
    /** Least and most days of each, and as it comes. */
    public const BOUNDS = [
        'readings' => [7, 3650, 90], 'calls' => [1, 3650, 90], 'recordings' => [30, 3650, 365],
        'papers' => [30, 3650, 730], 'logs' => [1, 365, 14], 'backups' => [1, 3650, 35],
    ];

    public function __construct(
        /** Readings of switches in which something differed from the one before; identical ones are not kept at all. */
        public int $readings,
        public int $calls,
        /** Versions of recordings that no book has used since. */
        public int $recordings,
        /** Answers, drafts that were dropped, and runs of audits. */
        public int $papers,
        public int $logs,
        /** How long backups are kept elsewhere: what a purge cannot reach before. */
        public int $backups,
    ) {
    }

    /** @param array<mixed> $days by name; what is missing or out of bounds is as it comes */
    public static function of(array $days): self
    {
        $of = static function (string $name) use ($days): int {
            [$least, $most, $usual] = self::BOUNDS[$name];
            $said = $days[$name] ?? null;

            return is_int($said) && $said >= $least && $said <= $most ? $said : $usual;
        };

        return new self($of('readings'), $of('calls'), $of('recordings'), $of('papers'), $of('logs'), $of('backups'));
    }

    /** @return array<string, int> */
    public function toArray(): array
    {
        return [
            'readings' => $this->readings, 'calls' => $this->calls, 'recordings' => $this->recordings,
            'papers' => $this->papers, 'logs' => $this->logs, 'backups' => $this->backups,
        ];
    }
}
