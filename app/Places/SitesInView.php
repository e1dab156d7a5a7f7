<?php

declare(strict_types=1);

namespace App\Places;

use App\Book\BookRepository;
use App\Book\DraftDesk;
use App\Models\TenantRow;
use App\Time\Clock;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;

/** A customer's sites as somebody has them in view, and instants as they are said there. In the customer's scope. */
final readonly class SitesInView
{
    public function __construct(
        private BookRepository $books,
        private DraftDesk $drafts,
        private Clock $clock,
    ) {
    }

    /** With what is pending of the technician. */
    public function shown(TenantRow $tenant, string $technicianId): Book
    {
        return $this->drafts->pending($tenant, $technicianId)->edited ?? $this->entered($tenant);
    }

    public function entered(TenantRow $tenant): Book
    {
        return $this->books->head($tenant->id);
    }

    /** @throws SiteTrouble */
    public static function site(Book $book, string $key): Site
    {
        $site = $book->find(Reference::to(Kind::Site, $key));

        return $site instanceof Site ? $site : throw SiteTrouble::unknown($key);
    }

    /**
     * When something was done there, in UTC, as rows are written and compared.
     *
     * @param  string  $said  `2026-12-01T14:05`, by the clock of the site
     * @param  int  $mostDays  ago
     *
     * @throws SiteTrouble
     */
    public function past(TenantRow $tenant, Site $site, string $said, int $mostDays): \DateTimeImmutable
    {
        $now = $this->clock->now();
        $zone = new \DateTimeZone($site->zone ?? $tenant->zone);
        $at = (new \DateTimeImmutable($said, $zone))->setTimezone(new \DateTimeZone('UTC'));
        if ($at > $now) {
            throw SiteTrouble::toCome($now->setTimezone($zone));
        }

        return $at < $now->modify("-{$mostDays} days") ? throw SiteTrouble::longAgo($mostDays) : $at;
    }
}
