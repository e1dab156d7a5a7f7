<?php

declare(strict_types=1);

namespace App\Desk;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Activity\Changes;
use App\Book\DraftDesk;
use App\Book\KnownNumbers;
use App\Models\Ability;
use App\Models\TenantRow;
use App\Time\Clock;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Hours\ZoneClock;
use Jaunty\Core\Templates\NewPeople;
use Jaunty\Core\Templates\PastedTable;
use Jaunty\Core\Templates\UnusableAnswers;

/** People who come to a customer's book as a list. */
final readonly class NewPeopleDesk
{
    public function __construct(
        private Scope $scope,
        private DraftDesk $drafts,
        private Clock $clock,
        private ActivityLog $log,
        private KnownNumbers $numbers,
    ) {
    }

    /**
     * What would be made of a block and of rows. Nothing is kept.
     *
     * @param  list<array<string, string>>  $rows  that were read before, without empty cells
     * @return array{PastedTable, list<array<string, string>>, NewPeople} the block as read, every row, and the people
     */
    public function read(string $technicianId, string $customer, string $text, array $rows): array
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            function (TenantRow $tenant) use ($technicianId, $text, $rows): array {
                $book = $this->drafts->view($tenant, $technicianId)->edited;
                $pasted = PastedTable::read($text, NewPeople::table($book), array_map(
                    static fn (Group $group): string => $group->label(),
                    $book->all(Group::class),
                ));
                $all = [...$rows, ...$pasted->rows];

                return [$pasted, $all, $this->people($book, $all)];
            },
        );
    }

    /**
     * All of them into the draft, or none.
     *
     * @param  list<array<string, string>>  $rows  without empty cells
     * @return array{int, int} how many were taken, and how many changes are pending
     */
    public function take(string $technicianId, string $customer, array $rows): array
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technicianId, $rows): array {
                $people = $this->people($this->drafts->view($tenant, $technicianId)->edited, $rows);
                if ($people->faults !== []) {
                    throw new UnusableAnswers($people->faults);
                }
                $changes = ChangeSet::of(...$people->operations);
                $view = $this->drafts->propose($tenant, $technicianId, $changes, null);
                $told = Changes::told($changes);
                $this->log->noteOf($tenant->id, $technicianId, 'put new people into the draft', $told);

                return [count($people->makes), count($view->changes->operations)];
            },
        );
    }

    /** @param list<array<string, string>> $rows */
    private function people(Book $book, array $rows): NewPeople
    {
        return NewPeople::read(
            $book,
            $rows,
            ZoneClock::of($book->tenant->zone)->day($this->clock->now()->getTimestamp()),
            $this->numbers->whyNot(...),
        );
    }
}
