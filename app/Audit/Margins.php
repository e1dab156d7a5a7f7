<?php

declare(strict_types=1);

namespace App\Audit;

use App\Book\BookRepository;
use App\Book\DraftView;
use App\Models\TenantRow;
use App\Time\Clock;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Book\Book;

/** What the desk says beside the sheet, of a book that is loaded already. In the customer's scope. */
final readonly class Margins
{
    public function __construct(
        private Audits $audits,
        private FindingWaivers $waivers,
        private Clock $clock,
        private BookRepository $books,
    ) {
    }

    /**
     * @param  ?list<Finding>  $found  in the edited book, where it was audited already
     */
    public function of(TenantRow $tenant, DraftView $view, ?array $found = null): Margin
    {
        return $this->margin(
            $tenant,
            $view->edited,
            $found ?? $this->audits->of($tenant->id, $view->edited, $view->head),
        );
    }

    /** Of the book as entered, whatever anybody has pending. */
    public function entered(TenantRow $tenant): Margin
    {
        $head = $this->books->head($tenant->id);

        return $this->margin($tenant, $head, $this->audits->of($tenant->id, $head, $head));
    }

    /** @param list<Finding> $found */
    private function margin(TenantRow $tenant, Book $book, array $found): Margin
    {
        return new Margin(
            $book,
            $this->waivers->sift($tenant->id, $tenant->zone, $found),
            $this->clock->now()->getTimestamp(),
        );
    }
}
