<?php

declare(strict_types=1);

namespace App\Book;

use App\Models\Revision;
use App\Models\TenantRow;

/** Takes a revision back: its inverse, merged onto head and entered as a revision of its own. */
final readonly class Undo
{
    public function __construct(private RevisionWriter $revisions)
    {
    }

    /**
     * @throws ClashesFound where later revisions changed the same fields
     * @throws CannotUndo
     * @throws NothingToEnter where it was undone already
     */
    public function revision(TenantRow $tenant, string $technicianId, int $no): Revision
    {
        $revision = Revision::query()->where('tenant_id', $tenant->id)->where('no', $no)->first()
            ?? throw CannotUndo::unknown($no);
        if (in_array($revision->source, [RevisionSource::TakingOn->value, RevisionSource::Import->value], true)) {
            throw CannotUndo::takingOn();
        }

        return $this->revisions->enter(
            $tenant,
            $technicianId,
            $revision->changes()->inverse(),
            RevisionSource::Undo,
            undoes: $no,
        );
    }
}
