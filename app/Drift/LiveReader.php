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
use App\Switching\Switches;
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
        private Switches $switches,
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
        [$tenantId, $book, $known, $session] = $this->scope->tenant(
            $technicianId,
            $tenant,
            Ability::Read,
            function (TenantRow $row): array {
                $book = $this->books->head($row->id);
                $switch = $this->switches->of($row);
                $known = $this->bindings->load($row->id, $switch->name(), [$book]);

                return [$row->id, $book, $known, $switch->open($book, $known)];
            },
        );
        $reading = $session->read();
        if ($reading !== null) {
            $this->scope->tenant(
                $technicianId,
                $tenantId,
                Ability::Read,
                fn (TenantRow $row): null => $this->keep($row, $book, $known, $reading),
            );
        }

        return $reading;
    }

    private function keep(TenantRow $tenant, Book $book, Bindings $known, Reading $reading): null
    {
        $this->keepReading($tenant, $reading);
        $this->bind($tenant, $book, $known, $reading->bindings);
        $this->comparer->settle($tenant, $book, $reading->live);
        $compared = $this->comparer->compare($tenant, $book, $reading->live);
        $this->summaries->liveRead($tenant->id, $compared->inspection($this->clock->now()->getTimestamp()));

        return null;
    }

    /** Each that says something else than the one before; of those that say the same, when they last did. */
    private function keepReading(TenantRow $tenant, Reading $reading): void
    {
        $live = self::json(BookFormat::toValue($reading->live));
        $edits = self::json(array_map(static fn (LiveEdit $edit): array => [
            'object' => $edit->object, 'field' => $edit->field, 'at' => $edit->at->format(\DateTimeInterface::ATOM),
            'by' => $edit->by,
        ], $reading->edits));
        $mark = hash('sha256', "{$tenant->connector} {$live} {$edits}");
        $newest = LiveSnapshot::query()->where('tenant_id', $tenant->id)->orderByDesc('serial')->first(['id', 'mark']);
        if ($newest?->mark === $mark) {
            LiveSnapshot::query()->where('tenant_id', $tenant->id)->whereKey($newest->id)->update([
                'read_at' => $this->clock->now(),
            ]);

            return;
        }
        LiveSnapshot::query()->insert([
            'tenant_id' => $tenant->id, 'id' => (string) Str::uuid(), 'connector' => $tenant->connector,
            'book' => $live, 'edits' => $edits, 'mark' => $mark, 'read_at' => $this->clock->now(),
        ]);
    }

    /** What was paired now is bound from now on, with the version seen; most of it was before. */
    private function bind(TenantRow $tenant, Book $book, Bindings $known, Bindings $found): void
    {
        foreach ($found->all() as $name => $bound) {
            $reference = Reference::parse($name);
            $object = $book->find($reference);
            $before = $known->of($reference);
            if ($object?->id() !== null && [$before?->externalId, $before?->version] !== [
                $bound->externalId,
                $bound->version,
            ]) {
                $this->bindings->put($tenant->id, $tenant->connector, $object->id(), $bound);
            }
        }
    }

    private static function json(mixed $value): string
    {
        return json_encode($value, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
    }
}
