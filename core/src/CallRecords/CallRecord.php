<?php

declare(strict_types=1);

namespace Jaunty\Core\CallRecords;

use Jaunty\Core\Calls\Law\Outcome;

/** A call that was made, as the switch wrote it down, in the book's terms. */
final readonly class CallRecord
{
    /**
     * @param  int  $at  arrival, seconds since 1970
     * @param  ?string  $from  E.164; null where it was withheld or not known
     * @param  string  $called  what was dialled: `number:+1902...`, or an extension's holder
     * @param  ?string  $target  where it ended; null where that is no object any more
     * @param  list<string>  $groups  it came through, as references
     * @param  list<string>  $rang  users who rang, as references
     * @param  int  $waited  seconds until it was taken, or until its end
     * @param  int  $talked  seconds
     * @param  string  $cameAs  the called number as the trunk delivered it
     */
    public function __construct(
        public int $at,
        public ?string $from,
        public string $called,
        public Outcome $outcome,
        public ?string $target,
        public array $groups,
        public array $rang,
        public int $waited,
        public int $talked,
        public string $cameAs = '',
    ) {
    }

    public function isAnswered(): bool
    {
        return $this->outcome === Outcome::Answered;
    }
}
