<?php

declare(strict_types=1);

namespace App\Drift;

use App\Access\Scope;
use App\Book\BookRepository;
use App\Models\Ability;
use App\Models\LiveSnapshot;
use App\Models\TenantRow;
use App\Roster\SummaryKeeper;
use App\Switching\Bindings;
use App\Switching\BindingStore;
use App\Switching\LiveEdit;
use App\Switching\Reading;
use App\Switching\SwitchConnector;
use App\Switching\SwitchTrouble;
use App\Time\Clock;
use Illuminate\Support\Str;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Reference;

/** Reads a customer from the switch and keeps what was found. The switch is asked outside any transaction. */
final readonly class LiveReader
{
    public function __construct(
        private Scope $scope,
        private BookRepository $books,
        private BindingStore $bindings,
        private SwitchConnector $switch,
        private Comparer $comparer,
        private SummaryKeeper $summaries,
        private Clock $clock,
    ) {
    }

    /**
     * @return ?Reading null where the switch does not know the customer; then nothing is kept
     *
     * @throws SwitchTrouble
     */
    public function read(string $technicianId, string $tenant): ?Reading
    {
        [$tenantId, $book, $known] = $this->scope->tenant(
            $technicianId,
            $tenant,
            Ability::Read,
            function (TenantRow $row): array {
                $book = $this->books->head($row->id);

                return [$row->id, $book, $this->bindings->load($row->id, $this->switch->name(), [$book])];
            },
        );
        $reading = $this->switch->read($book, $known);
        if ($reading !== null) {
            $this->scope->tenant(
                $technicianId,
                $tenantId,
                Ability::Read,
                fn (): null => $this->keep($tenantId, $book, $known, $reading),
            );
        }

        return $reading;
    }

    private function keep(string $tenantId, Book $book, Bindings $known, Reading $reading): null
    {
        // Only the newest is ever asked for: a whole book for each reading of each night would be most of the database.
        LiveSnapshot::query()->where('tenant_id', $tenantId)->delete();
        LiveSnapshot::query()->insert([
            'tenant_id' => $tenantId,
            'id' => (string) Str::uuid(),
            'connector' => $this->switch->name(),
            'book' => self::json(BookFormat::toValue($reading->live)),
            'edits' => self::json(array_map(static fn (LiveEdit $edit): array => [
                'object' => $edit->object, 'field' => $edit->field, 'at' => $edit->at->format(\DateTimeInterface::ATOM),
                'by' => $edit->by,
            ], $reading->edits)),
            'read_at' => $this->clock->now(),
        ]);
        $this->bind($tenantId, $book, $known, $reading->bindings);
        $this->comparer->settle($tenantId, $book, $reading->live);
        $compared = $this->comparer->compare($tenantId, $book, $reading->live);
        $this->summaries->liveRead($tenantId, $compared->inspection($this->clock->now()->getTimestamp()));

        return null;
    }

    /** What was paired now is bound from now on, with the version seen; most of it was before. */
    private function bind(string $tenantId, Book $book, Bindings $known, Bindings $found): void
    {
        foreach ($found->all() as $name => $bound) {
            $reference = Reference::parse($name);
            $object = $book->find($reference);
            $before = $known->of($reference);
            if ($object?->id() !== null && [$before?->externalId, $before?->version] !== [
                $bound->externalId,
                $bound->version,
            ]) {
                $this->bindings->put($tenantId, $this->switch->name(), $object->id(), $bound);
            }
        }
    }

    private static function json(mixed $value): string
    {
        return json_encode($value, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
    }
}
