<?php

declare(strict_types=1);

namespace App\Book;

use App\Activity\ActivityLog;
use App\Models\Revision;
use App\Models\TenantRow;
use App\Support\Parts;
use App\Time\Clock;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Database\QueryException;
use Illuminate\Support\Str;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Change\Merge;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Change\OperationKind;
use Jaunty\Core\Numbering\E164;

/**
 * The one path for every change: lock the customer, merge onto head, check, apply, write a revision, all in the
 * transaction of the scope that is open. Nothing else writes objects.
 */
final readonly class RevisionWriter
{
    /** A whole book is kept beside every so many-th revision: earlier ones are reached from there. */
    private const KEPT_EVERY = 100;

    public function __construct(
        private BookRepository $books,
        private ObjectProjection $projection,
        private AfterRevision $after,
        private ConnectionInterface $db,
        private ActivityLog $log,
        private Clock $clock,
        private SinceSigned $sinceSigned,
        private KnownNumbers $numbers,
    ) {
    }

    /**
     * @param  array<string, string>  $origins  by reference, of objects that a template makes
     *
     * @throws ClashesFound
     * @throws NothingToEnter
     * @throws NumberNotFree
     * @throws UnusableBook when the book would not be usable afterwards
     */
    public function enter(
        TenantRow $tenant,
        string $technicianId,
        ChangeSet $changes,
        RevisionSource $source,
        ?string $note = null,
        ?int $undoes = null,
        array $origins = [],
    ): Revision {
        $locked = TenantRow::query()->whereKey($tenant->id)->lockForUpdate()->firstOrFail();
        $head = $this->books->head($tenant->id);
        $merge = Merge::onto($head, $this->withIds($changes));
        if ($merge->clashes !== []) {
            throw new ClashesFound($merge->clashes);
        }
        $book = $merge->changes->applyTo($head);
        if (Diff::between($head, $book)->isEmpty()) {
            throw new NothingToEnter();
        }
        $book->checkReferences();
        $book->checkExtensions();
        $this->moveNumbers($merge->changes, $book);
        $this->projection->write($tenant->id, $head, $book, $origins);

        return $this->record($locked, $technicianId, $book, $merge->changes, $source, $note, $undoes);
    }

    /**
     * Revision 1 of a customer just taken on.
     *
     * @param  array<string, string>  $origins
     */
    public function begin(
        TenantRow $tenant,
        string $technicianId,
        Book $book,
        array $origins,
        RevisionSource $source = RevisionSource::TakingOn,
    ): Revision {
        $book->checkReferences();
        $book->checkExtensions();
        $changes = ChangeSet::of(...array_map(Operation::create(...), $book->objects()));
        $this->moveNumbers($changes, $book);
        $this->projection->writeNew($tenant->id, $book, $origins);

        return $this->record($tenant, $technicianId, $book, $changes, $source, null, null);
    }

    private function record(
        TenantRow $tenant,
        string $technicianId,
        Book $book,
        ChangeSet $changes,
        RevisionSource $source,
        ?string $note,
        ?int $undoes,
    ): Revision {
        $no = $tenant->head_revision + 1;
        $tenant->forceFill([
            'head_revision' => $no,
            'name' => $book->tenant->name,
            'stage' => $book->tenant->state->value,
            'region' => $book->tenant->region,
            'zone' => $book->tenant->zone,
        ])->save();
        Revision::query()->insert([
            'tenant_id' => $tenant->id,
            'no' => $no,
            'technician_id' => $technicianId,
            'source' => $source->value,
            'note' => $note,
            'undoes' => $undoes,
            'schema_version' => BookFormat::VERSION,
            'operations' => json_encode(
                $changes->toArray(),
                JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
            ),
            'entered_at' => $this->clock->now(),
        ]);
        if ($no % self::KEPT_EVERY === 0) {
            $this->books->keep($tenant->id, $no);
        }
        $this->sinceSigned->keep($tenant->id, $book, $no);
        if ($note === null && $source === RevisionSource::Edit) {
            $this->unnoted($tenant->id, $changes);
        }
        $this->after->bookChanged($tenant->id, $book);
        $this->log->noteOf($tenant->id, $technicianId, 'revision entered', [
            'revision' => $no,
            'source' => $source->value,
        ]);

        return Revision::query()->where('tenant_id', $tenant->id)->where('no', $no)->with('technician')->firstOrFail();
    }

    /** Fields that were edited without a word, each once. */
    private function unnoted(string $tenantId, ChangeSet $changes): void
    {
        $rows = [];
        foreach ($changes->operations as $operation) {
            if ($operation->path !== null) {
                $rows["{$operation->object} {$operation->path}"] = [
                    'tenant_id' => $tenantId, 'object' => (string) $operation->object, 'path' => $operation->path,
                    'schema_version' => BookFormat::VERSION,
                ];
            }
        }
        foreach (Parts::of(array_values($rows)) as $some) {
            $this->db->table('unnoted_fields')->insertOrIgnore($some);
        }
    }

    /** Mints ids for new objects before anything is written, so that the revision holds them. */
    private function withIds(ChangeSet $changes): ChangeSet
    {
        return ChangeSet::of(...array_map(
            static fn (Operation $operation): Operation => $operation->kind === OperationKind::Create
                ? $operation->withId((string) Str::uuid())
                : $operation,
            $changes->operations,
        ));
    }

    /**
     * Ownership follows the book: a number that comes in is taken from stock, one that goes is given back. One that is
     * another carrier's still may stand in the book; in service it has to be ours.
     */
    private function moveNumbers(ChangeSet $changes, Book $book): void
    {
        foreach ($changes->operations as $operation) {
            if ($operation->object->kind !== Kind::Number) {
                continue;
            }
            $number = $operation->object->key;
            $object = $book->find($operation->object);
            $as = $object instanceof Number ? $object->status : NumberStatus::Active;
            if ($operation->kind === OperationKind::Delete) {
                $this->db->select('select release_number(?)', [$number]);
            } elseif ($operation->kind === OperationKind::Create) {
                $this->take($number, $as);
            } elseif ($operation->path === 'status' && ! ($known = $this->numbers->of($number))->mayStand($as)) {
                throw NumberNotFree::known($number, $known);
            }
        }
    }

    private function take(string $number, NumberStatus $as): void
    {
        $known = $this->numbers->of($number);
        if (! $known->mayStand($as)) {
            throw NumberNotFree::known($number, $known);
        }
        try {
            if ($as === NumberStatus::PortingIn) {
                $this->db->select('select await_number(?, ?)', [$number, E164::parse($number)->region()]);
            } else {
                $this->db->select('select take_number(?)', [$number]);
            }
        } catch (QueryException $fault) {
            if (str_contains($fault->getMessage(), 'is not free')) {
                throw NumberNotFree::known($number, Known::Taken);
            }
            throw $fault;
        }
    }
}
