<?php

declare(strict_types=1);

namespace App\Desk;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Activity\Changes;
use App\Audit\Margins;
use App\Book\BookRepository;
use App\Book\DraftDesk;
use App\Book\DraftView;
use App\Book\FieldEdit;
use App\Book\ShownBook;
use App\Models\Ability;
use App\Models\Revision;
use App\Models\TemplateApplication;
use App\Models\TenantRow;
use App\Secrets\SecretKeeper;
use App\TakingOn\ApplyingAgain;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Change\AsTyped;
use Jaunty\Core\Change\ChangeSet;

/** One customer's book with a technician's pending edits: seen, edited, dropped, entered. */
final readonly class BookDesk
{
    /** Objects of a book that is looked over within an edit; a larger one's margin comes after it. */
    private const MOST_LOOKED_OVER_AT_ONCE = 2_000;

    public function __construct(
        private Scope $scope,
        private DraftDesk $drafts,
        private BookRepository $books,
        private ShownBook $shown,
        private Margins $margins,
        private SecretKeeper $secrets,
        private ApplyingAgain $again,
        private ActivityLog $log,
    ) {
    }

    public function view(string $technicianId, string $customer): DeskView
    {
        return $this->at(
            $technicianId,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): ?DraftView => $this->drafts->pending($tenant, $technicianId),
        );
    }

    public function draft(string $technicianId, string $customer): DraftView
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): DraftView => $this->drafts->view($tenant, $technicianId),
        );
    }

    /** @param list<FieldEdit> $edits all are kept, or none */
    public function edit(string $technicianId, string $customer, array $edits): DeskChange
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technicianId, $edits): DeskChange {
                $this->secrets->check($tenant, $technicianId, $edits);

                $view = $this->drafts->edit($tenant, $technicianId, $edits);
                $this->tell($tenant, $technicianId, 'edited the draft', $view->done);

                return $this->changed($tenant, $view);
            },
        );
    }

    /**
     * New objects of which somebody typed the name: key, extension and the rest come from here.
     *
     * @param  list<array{Kind, string, array<string, mixed>}>  $wanted  kind, name, and what else is known
     */
    public function make(string $technicianId, string $customer, array $wanted): DeskChange
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technicianId, $wanted): DeskChange {
                [$view, $made] = $this->drafts->make($tenant, $technicianId, $wanted);
                $this->tell($tenant, $technicianId, 'made new objects in the draft', $view->done);

                return $this->changed($tenant, $view, $made);
            },
        );
    }

    /**
     * What somebody means by names, extensions and digits, in their draft.
     *
     * @param  list<string>  $said
     * @param  list<Kind>  $kinds  of objects that may be meant
     * @return list<array{said: string, value: ?string, fault: ?string}>
     */
    public function meant(string $technicianId, string $customer, array $said, array $kinds, bool $isOutside): array
    {
        $typed = new AsTyped($this->draft($technicianId, $customer)->edited);

        return array_map(static function (string $each) use ($typed, $kinds, $isOutside): array {
            try {
                return ['said' => $each, 'value' => $typed->meantBy($each, $kinds, $isOutside), 'fault' => null];
            } catch (UnusableBook $fault) {
                return ['said' => $each, 'value' => null, 'fault' => $fault->cause];
            }
        }, $said);
    }

    public function drop(string $technicianId, string $customer): void
    {
        $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technicianId): void {
                $this->drafts->drop($tenant, $technicianId);
                $this->log->noteOf($tenant->id, $technicianId, 'dropped the draft');
            },
        );
    }

    /** What was dropped last, put back. */
    public function restore(string $technicianId, string $customer): DeskView
    {
        return $this->at(
            $technicianId,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technicianId): DraftView {
                $view = $this->drafts->restore($tenant, $technicianId);
                $this->tell($tenant, $technicianId, 'put the dropped draft back', $view->changes);

                return $view;
            },
        );
    }

    public function leaveOut(string $technicianId, string $customer, Reference $object, ?string $path): DeskView
    {
        return $this->at(
            $technicianId,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technicianId, $object, $path): DraftView {
                $this->log->noteOf($tenant->id, $technicianId, 'left a change out of the draft', [
                    'object' => (string) $object, 'path' => $path,
                ]);

                return $this->drafts->leaveOut($tenant, $technicianId, $object, $path);
            },
        );
    }

    public function enter(string $technicianId, string $customer, ?string $note): Revision
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Edit,
            fn (TenantRow $tenant): Revision => $this->drafts->enter($tenant, $technicianId, $note),
        );
    }

    /** @return list<TemplateApplication> templates applied to the customer, the first first */
    public function applications(string $technicianId, string $customer): array
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            static fn (TenantRow $tenant): array => array_values(
                TemplateApplication::query()->where('tenant_id', $tenant->id)
                    ->with('version')
                    ->orderBy('applied_at')
                    ->get()
                    ->all(),
            ),
        );
    }

    /**
     * The customer's template once more, with other answers: a draft of what that changes.
     *
     * @param  array<string, mixed>  $answers
     */
    public function answerAgain(string $technicianId, string $customer, array $answers): DeskView
    {
        return $this->at(
            $technicianId,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technicianId, $answers): DraftView {
                $view = $this->again->propose($tenant, $technicianId, $answers);
                $this->tell($tenant, $technicianId, 'answered the template again', $view->changes);

                return $view;
            },
        );
    }

    /** The customer's whole book as entered, to be taken out as a file. */
    public function export(string $technicianId, string $customer): Book
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            function (TenantRow $tenant) use ($technicianId): Book {
                $this->log->noteOf($tenant->id, $technicianId, 'exported a book', [
                    'revision' => $tenant->head_revision,
                ]);

                return $this->books->head($tenant->id);
            },
        );
    }

    private function tell(TenantRow $tenant, string $technicianId, string $what, ?ChangeSet $changes): void
    {
        $this->log->noteOf($tenant->id, $technicianId, $what, Changes::told($changes));
    }

    /** @param callable(TenantRow): ?DraftView $work */
    private function at(string $technicianId, string $customer, Ability $least, callable $work): DeskView
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            $least,
            function (TenantRow $tenant, Ability $may) use ($work): DeskView {
                $view = $work($tenant);

                return new DeskView($tenant, $may, $view, $this->shown->of($tenant->id, $view));
            },
        );
    }

    /** @param ?list<Reference> $made */
    private function changed(TenantRow $tenant, DraftView $view, ?array $made = null): DeskChange
    {
        return new DeskChange(
            $tenant,
            $view,
            $view->edited->size() > self::MOST_LOOKED_OVER_AT_ONCE ? null : $this->margins->of($tenant, $view),
            $made,
        );
    }
}
