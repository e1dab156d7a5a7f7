<?php

declare(strict_types=1);

namespace App\Book;

use App\Models\Draft;
use App\Models\DroppedDraft;
use App\Models\Revision;
use App\Models\TenantRow;
use App\Switching\Switches;
use App\Time\Clock;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Evidence;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Change\AsTyped;
use Jaunty\Core\Change\ChangeError;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\Clash;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Change\Merge;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Change\OperationKind;
use Jaunty\Core\Templates\NewObject;

/**
 * Pending edits, kept on the server at each keystroke that ends one: they survive a reload, a sign-out and a dead
 * browser.
 */
final readonly class DraftDesk
{
    public function __construct(
        private BookRepository $books,
        private RevisionWriter $revisions,
        private Applications $applications,
        private Switches $switches,
        private Clock $clock,
    ) {
    }

    public function view(TenantRow $tenant, string $technicianId): DraftView
    {
        $head = $this->books->head($tenant->id);
        $merge = Merge::onto($head, $this->stored($tenant->id, $technicianId));

        return new DraftView(
            $head,
            $merge->changes->applyTo($head),
            $merge->changes,
            $merge->clashes,
            $tenant->head_revision,
        );
    }

    /** As `view`, and null where nothing is pending: the book itself is not read then. */
    public function pending(TenantRow $tenant, string $technicianId): ?DraftView
    {
        return $this->row($tenant->id, $technicianId) === null ? null : $this->view($tenant, $technicianId);
    }

    /**
     * @param  list<FieldEdit>  $edits
     *
     * @throws UnusableBook|UnusableEdits|ChangeError when a field cannot hold its new value; nothing of the edits is
     *     kept then
     */
    public function edit(TenantRow $tenant, string $technicianId, array $edits): DraftView
    {
        // Two edits of one technician, sent at once from two windows, take turns here.
        $tenant = TenantRow::query()->whereKey($tenant->id)->lockForUpdate()->firstOrFail();
        $view = $this->view($tenant, $technicianId);
        $edited = $view->edited;
        $edited = self::carriedOut($edits, $edited);
        $this->believe($view->edited, $edited, $edits);
        $edited->checkNotNeeded(array_values(array_filter(array_map(
            static fn (FieldEdit $edit): ?BookObject => $edit->kind === OperationKind::Delete
                ? $view->edited->find($edit->object)
                : null,
            $edits,
        ))));
        $named = array_map(static fn (FieldEdit $edit): Reference => $edit->object, $edits);
        self::checkChanged($view->edited, $edited, $named);
        $touched = self::each([...$view->changes->objects(), ...$named]);
        $changes = Diff::in(
            $view->head,
            $this->switches->of($tenant)->capabilities()->granularity()->fit($edited, $touched),
            $touched,
        );
        $undecided = array_values(
            array_filter($view->clashes, static fn (Clash $clash): bool => ! self::decides($edits, $clash)),
        );
        $this->store($tenant, $technicianId, [
            ...$changes->toArray(),
            ...array_map(static fn (Clash $clash): array => self::asOperation($clash), $undecided),
        ]);

        // What was loaded for the edit is what is shown after it; where somebody has to decide, the merge says how that
        // looks now.
        $after = $undecided === [] ? null : $this->view($tenant, $technicianId);
        $now = $after->edited ?? $changes->applyTo($view->head);

        return new DraftView(
            $view->head,
            $now,
            $after->changes ?? $changes,
            $after->clashes ?? [],
            $tenant->head_revision,
            self::each([
                ...$touched,
                ...array_map(static fn (Clash $clash): Reference => $clash->object, $view->clashes),
            ]),
            array_map(static fn (FieldEdit $edit): Kind => $edit->object->kind, array_values(array_filter(
                $edits,
                static fn (FieldEdit $edit): bool => $edit->kind === OperationKind::Create,
            ))),
            Diff::in($view->edited, $now, $touched),
        );
    }

    /**
     * That a sound book still is one, as far as some objects of it can spoil it.
     *
     * @param  list<Reference>  $changed
     *
     * @throws UnusableBook
     */
    private static function checkChanged(Book $before, Book $after, array $changed): void
    {
        $after->checkReferencesOf($changed);
        [$bringsIds, $bringsExtensions] = [false, false];
        foreach ($changed as $reference) {
            [$was, $is] = [$before->find($reference), $after->find($reference)];
            $bringsIds = $bringsIds || $was === null && $is?->id() !== null;
            $bringsExtensions = $bringsExtensions
                || $is?->extension() !== null && $is->extension() !== $was?->extension();
        }
        if ($bringsIds) {
            $after->checkReferences();
        }
        if ($bringsExtensions) {
            $after->checkExtensions($changed);
        }
    }

    /**
     * @param  list<Reference>  $references
     * @return list<Reference> each once
     */
    private static function each(array $references): array
    {
        return array_values(array_combine(array_map(strval(...), $references), $references));
    }

    /**
     * New objects by their names, each as the ones before it stand already.
     *
     * @param  list<array{Kind, string, array<string, mixed>}>  $wanted  kind, name, and fields that are known beyond
     *     what such an object begins with
     * @return array{DraftView, list<Reference>} and what was made, in order
     *
     * @throws UnusableBook|ChangeError when one cannot be made; none is made then
     */
    public function make(TenantRow $tenant, string $technicianId, array $wanted): array
    {
        $book = $this->view($tenant, $technicianId)->edited;
        $typed = new AsTyped($book);
        $edits = [];
        foreach ($wanted as [$kind, $name, $fields]) {
            $new = NewObject::called($name, $kind, $book);
            $edits[] = $edit = FieldEdit::of('create', (string) $new->reference, null, $fields + $new->fields);
            $book = $edit->applyTo($book, $typed);
            $typed->follow($book, $edit->object);
        }

        return [
            $this->edit($tenant, $technicianId, $edits),
            array_map(static fn (FieldEdit $edit): Reference => $edit->object, $edits),
        ];
    }

    /**
     * All of them, or what is wrong with each that cannot be: whoever pasted a block mends it in one go.
     *
     * @param  list<FieldEdit>  $edits
     *
     * @throws UnusableBook|UnusableEdits|ChangeError
     */
    private static function carriedOut(array $edits, Book $book): Book
    {
        $typed = new AsTyped($book);
        $faults = [];
        foreach ($edits as $edit) {
            try {
                $book = $edit->applyTo($book, $typed);
                // Who was made, taken out or renamed is called otherwise by the next.
                $typed->follow($book, $edit->object);
            } catch (UnusableBook $fault) {
                $faults[] = $fault;
            }
        }
        if (count($faults) > 1) {
            throw new UnusableEdits($faults);
        }

        return $faults === [] ? $book : throw $faults[0];
    }

    /**
     * What somebody will rely on one day is refused where it cannot be so; what stood there before is the audit's to
     * find.
     *
     * @param  list<FieldEdit>  $edits
     *
     * @throws UnusableBook
     */
    private function believe(Book $before, Book $edited, array $edits): void
    {
        foreach ($edits as $edit) {
            $object = $edited->find($edit->object);
            $known = $before->find($edit->object);
            foreach ($object === null ? [] : Evidence::doubts($object) as $path => $why) {
                $was = $known === null ? null : Evidence::doubts($known)[$path] ?? null;
                if ($was !== $why) {
                    throw UnusableBook::unbelievable("{$edit->object}." . str_replace('/', '.', $path), $why);
                }
            }
        }
    }

    /**
     * Changes from elsewhere put into the draft, as if the technician had made them: merged onto what is pending, the
     * rest shown as clashes.
     *
     * @param  ?array{version: string, answers: array<string, mixed>, made: array<string, mixed>, origins: array<string,
     *     string>}  $application  of a template, kept once the draft is entered
     */
    public function propose(TenantRow $tenant, string $technicianId, ChangeSet $changes, ?array $application): DraftView
    {
        TenantRow::query()->whereKey($tenant->id)->lockForUpdate()->firstOrFail();
        $view = $this->view($tenant, $technicianId);
        $merge = Merge::onto($view->edited, $changes);
        $edited = $merge->changes->applyTo($view->edited);
        // Where somebody has to decide, the rest may hang in the air until he has: entering looks at it whole.
        if ($merge->clashes === []) {
            $edited->checkReferences();
            $edited->checkExtensions();
        }
        $this->store($tenant, $technicianId, [
            ...Diff::between($view->head, $edited)->toArray(),
            ...array_map(self::asOperation(...), [...$view->clashes, ...$merge->clashes]),
        ]);
        $isNothing = $changes->isEmpty()
            || Diff::between($view->head, $edited)->isEmpty() && $view->clashes === [] && $merge->clashes === [];
        if ($application !== null && $isNothing) {
            // The newer version, or the other answers, change nothing here: there is nothing to enter, and it is
            // applied.
            $this->applications->add(
                $tenant->id,
                $application['version'],
                $application['answers'],
                BookFormat::fromValue($application['made']),
            );
        } elseif ($application !== null) {
            $this->applied($tenant->id, $technicianId, $application);
        }

        return $this->view($tenant, $technicianId);
    }

    /** Takes the pending edits away; until others are dropped they can be put back. */
    public function drop(TenantRow $tenant, string $technicianId): void
    {
        $row = $this->row($tenant->id, $technicianId);
        if ($row !== null) {
            DroppedDraft::query()->upsert([[
                'tenant_id' => $tenant->id, 'technician_id' => $technicianId,
                'operations' => json_encode(
                    $row->operations,
                    JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
                ),
                'application' => $row->application === null
                    ? null
                    : json_encode(
                        $row->application,
                        JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
                    ),
                'schema_version' => $row->schema_version,
                'dropped_at' => $this->clock->now(),
            ]], ['tenant_id', 'technician_id'], ['operations', 'application', 'schema_version', 'dropped_at']);
        }
        $this->forget($tenant, $technicianId);
    }

    /** @throws NothingToEnter where nothing was dropped */
    public function restore(TenantRow $tenant, string $technicianId): DraftView
    {
        $dropped = DroppedDraft::query()->where('tenant_id', $tenant->id)
            ->where('technician_id', $technicianId)
            ->first()
            ?? throw new NothingToEnter();
        $view = $this->propose($tenant, $technicianId, $dropped->changes(), null);
        if ($dropped->application !== null) {
            $this->applied($tenant->id, $technicianId, $dropped->application);
        }
        DroppedDraft::query()->where('tenant_id', $tenant->id)->where('technician_id', $technicianId)->delete();

        return $view;
    }

    /**
     * One pending change less; the others stay as they are.
     *
     * @param  ?string  $path  null for an object that comes or goes
     *
     * @throws UnusableBook|ChangeError when another pending change needs it
     */
    public function leaveOut(TenantRow $tenant, string $technicianId, Reference $object, ?string $path): DraftView
    {
        TenantRow::query()->whereKey($tenant->id)->lockForUpdate()->firstOrFail();
        $view = $this->view($tenant, $technicianId);
        $left = array_values(array_filter(
            $view->changes->operations,
            static fn (Operation $each): bool => ! $each->object->equals($object) || $each->path !== $path,
        ));
        $edited = ChangeSet::of(...$left)->applyTo($view->head);
        $edited->checkNotNeeded(array_values(array_filter([$path === null ? $view->edited->find($object) : null])));
        $edited->checkReferences();
        $edited->checkExtensions([$object]);
        $this->store($tenant, $technicianId, [
            ...ChangeSet::of(...$left)->toArray(),
            ...array_map(self::asOperation(...), $view->clashes),
        ]);

        return $this->view($tenant, $technicianId);
    }

    private function forget(TenantRow $tenant, string $technicianId): void
    {
        Draft::query()->where('tenant_id', $tenant->id)->where('technician_id', $technicianId)->delete();
    }

    /**
     * @throws ClashesFound|NothingToEnter|NumberNotFree|UnusableBook
     */
    public function enter(TenantRow $tenant, string $technicianId, ?string $note): Revision
    {
        $application = $this->row($tenant->id, $technicianId)?->application;
        $revision = $this->revisions->enter(
            $tenant,
            $technicianId,
            $this->stored($tenant->id, $technicianId),
            $application === null ? RevisionSource::Edit : RevisionSource::Template,
            $note,
            origins: $application['origins'] ?? [],
        );
        if ($application !== null) {
            $this->applications->add(
                $tenant->id,
                $application['version'],
                $application['answers'],
                BookFormat::fromValue($application['made']),
            );
        }
        $this->forget($tenant, $technicianId);

        return $revision;
    }

    /**
     * @param array{version: string, answers: array<string, mixed>, made: array<string, mixed>, origins: array<string,
     *     string>} $application of a template, kept once the draft is entered
     */
    private function applied(string $tenantId, string $technicianId, array $application): void
    {
        Draft::query()->where('tenant_id', $tenantId)->where('technician_id', $technicianId)
            ->update(['application' => json_encode(
                $application,
                JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
            )]);
    }

    private function stored(string $tenantId, string $technicianId): ChangeSet
    {
        return $this->row($tenantId, $technicianId)?->changes() ?? ChangeSet::of();
    }

    private function row(string $tenantId, string $technicianId): ?Draft
    {
        return Draft::query()->where('tenant_id', $tenantId)->where('technician_id', $technicianId)->first();
    }

    /** @param list<array<string, mixed>> $operations */
    private function store(TenantRow $tenant, string $technicianId, array $operations): void
    {
        if ($operations === []) {
            $this->forget($tenant, $technicianId);

            return;
        }
        Draft::query()->upsert([[
            'tenant_id' => $tenant->id,
            'technician_id' => $technicianId,
            'base_revision' => $tenant->head_revision,
            'operations' => json_encode(
                $operations,
                JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
            ),
            'schema_version' => BookFormat::VERSION,
            'updated_at' => $this->clock->now(),
        ]], ['tenant_id', 'technician_id'], ['base_revision', 'operations', 'schema_version', 'updated_at']);
    }

    /** @param list<FieldEdit> $edits */
    private static function decides(array $edits, Clash $clash): bool
    {
        foreach ($edits as $edit) {
            if ($edit->decides($clash->object, $clash->path)) {
                return true;
            }
        }

        return false;
    }

    /** @return array<string, mixed> what we meant, where somebody has to decide */
    private static function asOperation(Clash $clash): array
    {
        return match (true) {
            $clash->path !== null => Operation::set(
                $clash->object,
                $clash->path,
                $clash->base,
                $clash->ours,
            )->toArray(),
            default => [
                'op' => $clash->ours === null ? OperationKind::Delete->value : OperationKind::Create->value,
                'object' => (string) $clash->object, 'before' => $clash->base, 'after' => $clash->ours,
            ],
        };
    }
}
