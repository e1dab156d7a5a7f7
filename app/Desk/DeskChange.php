<?php

declare(strict_types=1);

namespace App\Desk;

use App\Audit\Margin;
use App\Book\DraftView;
use App\Models\TenantRow;
use Jaunty\Core\Book\Reference;

/** What an edit made otherwise on a desk, and what is said beside it now. */
final readonly class DeskChange
{
    /**
     * @param  ?Margin  $margin  null where it takes longer than somebody waits for an edit, and is asked for
     * @param  ?list<Reference>  $made  new objects of which somebody typed the name; null where none were asked for
     */
    public function __construct(
        public TenantRow $tenant,
        public DraftView $view,
        public ?Margin $margin,
        public ?array $made = null,
    ) {
    }
}
