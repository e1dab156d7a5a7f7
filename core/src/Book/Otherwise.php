<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Each;
use Jaunty\Core\Book\Fields\LeadsTo;

/** Where a hunt group sends calls that no member takes, case by case. A blank case goes where no answer goes. */
final readonly class Otherwise implements BookPart
{
    use DeclaredPart;

    public const CASES = [
        'closed', 'holiday', 'closedByHand', 'nobodySignedIn', 'allUnreachable', 'allBusy', 'noAnswer', 'queueFull',
        'exit',
    ];

    /** @param array<string, ?Destination> $cases */
    private function __construct(
        #[Each(self::CASES, new LeadsTo())]
        public array $cases,
    ) {
    }

    public function of(string $case): ?Destination
    {
        return $this->cases[$case] ?? null;
    }
}
