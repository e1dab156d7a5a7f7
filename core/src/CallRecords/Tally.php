<?php

declare(strict_types=1);

namespace Jaunty\Core\CallRecords;

use Jaunty\Core\Calls\Law\Outcome;

/**
 * Calls added up. A call is missed where no person took it; who left a message is missed too, and counted among
 * messages.
 */
final readonly class Tally
{
    /**
     * @param  ?int  $usualWait  seconds, half waited less; of all calls; null where there were none
     * @param  ?int  $longestWait  seconds
     * @param  ?int  $lastAnswered  seconds since 1970
     */
    private function __construct(
        public int $calls,
        public int $answered,
        public int $messages,
        public ?int $usualWait,
        public ?int $longestWait,
        public int $talked,
        public ?int $lastAnswered,
    ) {
    }

    /** @param list<CallRecord> $records */
    public static function of(array $records): self
    {
        $answered = array_values(array_filter($records, static fn (CallRecord $record): bool => $record->isAnswered()));
        $waits = array_map(static fn (CallRecord $record): int => $record->waited, $records);
        sort($waits);

        return new self(
            count($records),
            count($answered),
            count(
                array_filter($records, static fn (CallRecord $record): bool => $record->outcome === Outcome::MessageIn),
            ),
            $waits === [] ? null : $waits[intdiv(count($waits), 2)],
            $waits === [] ? null : $waits[count($waits) - 1],
            array_sum(array_map(static fn (CallRecord $record): int => $record->talked, $records)),
            $answered === [] ? null : max(array_map(static fn (CallRecord $record): int => $record->at, $answered)),
        );
    }

    public function missed(): int
    {
        return $this->calls - $this->answered;
    }

    /** @return array<string, int|null> */
    public function toArray(): array
    {
        return [
            'calls' => $this->calls, 'answered' => $this->answered, 'missed' => $this->missed(),
            'messages' => $this->messages, 'usualWait' => $this->usualWait, 'longestWait' => $this->longestWait,
            'talked' => $this->talked, 'lastAnswered' => $this->lastAnswered,
        ];
    }
}
