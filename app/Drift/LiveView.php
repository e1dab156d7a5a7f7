<?php

declare(strict_types=1);

namespace App\Drift;

use App\Models\LiveSnapshot;
use App\Models\SignedBook;
use App\Switching\SwitchConnector;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Provisioning\Planner;
use Jaunty\Core\Provisioning\RunSheet;
use Jaunty\Core\Provisioning\Unsupported;

/** A customer's book against what was last read of their switch. */
final readonly class LiveView
{
    /**
     * @param  ?Comparison  $compared  null where the switch was never read
     * @param  ?array{SignedBook, Book}  $signed  the newest signature, and the book as it was signed
     * @param  list<string>  $pinsToTell  references of what has a PIN that the switch was not told yet
     */
    public function __construct(
        public Book $book,
        public SwitchConnector $switch,
        public ?LiveSnapshot $snapshot,
        public ?Comparison $compared,
        public ?array $signed,
        public array $pinsToTell,
    ) {
    }

    public function report(): ?DriftReport
    {
        return $this->snapshot === null || $this->compared === null
            ? null
            : DriftReport::of($this->compared, $this->snapshot, $this->signed[1] ?? null);
    }

    /** What a push would work through. */
    public function runSheet(): RunSheet
    {
        return $this->compared === null
            ? Planner::plan(null, $this->switch->capabilities()->of($this->book))
            : Planner::plan($this->compared->live, $this->compared->target);
    }

    /** @return list<Unsupported> */
    public function unsupported(): array
    {
        return $this->switch->capabilities()->unsupported($this->book);
    }
}
