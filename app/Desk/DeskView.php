<?php

declare(strict_types=1);

namespace App\Desk;

use App\Audit\Margin;
use App\Book\DraftView;
use App\Models\TenantRow;
use Jaunty\Core\Book\Reference;

/** One customer's book with a technician's pending edits, and what is said beside it where it was asked for. */
final readonly class DeskView
{
    /** @param ?list<Reference> $made new objects of which somebody typed the name; null where none were asked for */
    public function __construct(
        public TenantRow $tenant,
        public DraftView $view,
        public ?Margin $margin = null,
        public ?array $made = null,
    ) {
    }
}
