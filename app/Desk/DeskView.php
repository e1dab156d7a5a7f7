<?php

declare(strict_types=1);

namespace App\Desk;

use App\Book\DraftView;
use App\Models\Ability;
use App\Models\TenantRow;

/** One customer's whole book with a technician's pending edits. */
final readonly class DeskView
{
    /**
     * @param  Ability  $may  how far the technician may go here
     * @param  ?DraftView  $view  null where nothing is pending
     * @param  list<string>  $objects  of the edited book, as JSON
     */
    public function __construct(
        public TenantRow $tenant,
        public Ability $may,
        public ?DraftView $view,
        public array $objects,
    ) {
    }
}
