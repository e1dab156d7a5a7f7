<?php

declare(strict_types=1);

namespace App\Ports;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Book\BookRepository;
use App\Models\Ability;
use App\Models\PortCase;
use App\Models\PortPaperRow;
use App\Models\PortState;
use App\Models\StockNumber;
use App\Models\Technician;
use App\Models\TenantRow;
use App\Roster\SummaryKeeper;
use App\Stock\CarrierTrouble;
use App\Time\Clock;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Ports\CutOver;
use Jaunty\Core\Ports\CutOverLine;
use Jaunty\Core\Ports\PortLack;

/**
 * A customer's ports: written down, completed, sent to the carrier, mended and sent again. The carrier is asked outside
 * any transaction, and under our reference, so that what is sent twice is one port.
 */
final readonly class PortDesk
{
    public function __construct(
        private CarrierPorts $carrier,
        private PortPapers $papers,
        private PortReading $reading,
        private Scope $scope,
        private BookRepository $books,
        private SummaryKeeper $summaries,
        private Clock $clock,
        private ActivityLog $log,
    ) {
    }

    /** @return list<PortView> the newest first */
    public function ofCustomer(string $technicianId, string $customer): array
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): array => array_map(
                $this->view(...),
                array_values(PortCase::query()->where('tenant_id', $tenant->id)->orderByDesc('opened_at')
                    ->orderBy('id')
                    ->get()
                    ->all()),
            ),
        );
    }

    /** @return list<array{PortCase, string, string, string}> under way, by their day, with whose: key, name, zone */
    public function underWay(string $technicianId): array
    {
        return $this->scope->technician($technicianId, static function (): array {
            $cases = PortCase::query()->whereIn('state', array_column(PortState::underWay(), 'value'))
                ->orderBy('day')
                ->orderBy('id')
                ->get();
            $customers = TenantRow::query()->whereIn('id', $cases->pluck('tenant_id')->unique())->get()->keyBy('id');

            return array_values(array_map(static fn (PortCase $case): array => [
                $case, $customers[$case->tenant_id]->key ?? '', $customers[$case->tenant_id]->name ?? '',
                $customers[$case->tenant_id]->zone ?? 'UTC',
            ], $cases->all()));
        });
    }

    /**
     * Written down here, and nobody asked yet.
     *
     * @param  string  $id  of this form as it was filled in: sent twice it is one order
     */
    public function open(string $technicianId, string $customer, string $id, PortSaid $said): PortView
    {
        return $this->scope->tenant($technicianId, $customer, Ability::Edit, function (TenantRow $tenant) use (
            $technicianId,
            $id,
            $said,
        ): PortView {
            // A form that is sent twice at once waits for itself.
            TenantRow::query()->whereKey($tenant->id)->lockForUpdate()->firstOrFail();
            $said = $said->readIn($tenant->region);
            $this->requireTheirs($tenant, $said->numbers, $id);
            $isNew = PortCase::query()->whereKey($id)->where('tenant_id', $tenant->id)->doesntExist();
            if ($isNew) {
                (new PortCase())->forceFill([
                    'tenant_id' => $tenant->id, 'id' => $id, 'direction' => 'in', 'state' => PortState::Open,
                    'steps' => [], 'opened_by' => $technicianId, 'opened_at' => $this->clock->now(),
                    ...$said->columns(null),
                ])->save();
            }
            $case = $this->case($tenant, $id);
            if ($case->numbers !== $said->numbers) {
                throw PortRefused::another();
            }
            $this->log->noteOf($tenant->id, $technicianId, 'opened a port', [
                'numbers' => $said->numbers, 'from' => $said->losingCarrier, 'day' => $said->day,
            ]);

            return $this->view($case);
        });
    }

    /** What it says, whole, as long as it can be changed. */
    public function mend(string $technicianId, string $customer, string $id, PortSaid $said): PortView
    {
        return $this->scope->tenant($technicianId, $customer, Ability::Edit, function (TenantRow $tenant) use (
            $technicianId,
            $id,
            $said,
        ): PortView {
            $case = $this->mendable($tenant, $id);
            $said = $said->readIn($tenant->region);
            $this->requireTheirs($tenant, $said->numbers, $id);
            $case->forceFill($said->columns($case->pin))->save();
            $this->log->noteOf($tenant->id, $technicianId, 'changed a port', [
                'numbers' => $said->numbers, 'day' => $said->day,
            ]);

            return $this->view($case);
        });
    }

    /**
     * @param  'authority'|'bill'  $what
     * @param  ?string  $dated  a date: of a bill
     */
    public function putPaper(
        string $technicianId,
        string $customer,
        string $id,
        string $what,
        string $name,
        string $bytes,
        ?string $dated,
    ): PortView {
        return $this->scope->tenant($technicianId, $customer, Ability::Edit, function (TenantRow $tenant) use (
            $technicianId,
            $id,
            $what,
            $name,
            $bytes,
            $dated,
        ): PortView {
            $case = $this->mendable($tenant, $id);
            $paper = new PaperFile($what, $name, PortPapers::kindOf($bytes), $bytes, $dated);
            $this->papers->keep($case, $technicianId, $paper);
            $this->log->noteOf($tenant->id, $technicianId, 'put a paper with a port', [
                'paper' => $paper->paper, 'name' => $paper->name, 'numbers' => $case->numbers,
            ]);

            return $this->view($case);
        });
    }

    /** @return array{PortPaperRow, string} with its bytes */
    public function paper(string $technicianId, string $customer, string $id, string $paperId): array
    {
        return $this->scope->tenant($technicianId, $customer, Ability::Read, function (TenantRow $tenant) use (
            $id,
            $paperId,
        ): array {
            $paper = PortPaperRow::query()->where('tenant_id', $tenant->id)->where('port_id', $id)
                ->where('id', $paperId)
                ->firstOrFail(PortPaperRow::COLUMNS);

            return [$paper, $this->papers->bytes($paper) ?? throw new ModelNotFoundException()];
        });
    }

    /** @return array{PortCase, TenantRow} */
    public function forLetter(string $technicianId, string $customer, string $id): array
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): array => [$this->case($tenant, $id), $tenant],
        );
    }

    /** @return list<CutOverLine> */
    public function cutOver(string $technicianId, string $customer, string $id): array
    {
        return $this->scope->tenant($technicianId, $customer, Ability::Read, function (TenantRow $tenant) use (
            $id,
        ): array {
            $case = $this->case($tenant, $id);

            $book = $this->books->head($tenant->id);

            return CutOver::of($book, $case->wish(), $case->day, $case->lent['number'] ?? null);
        });
    }

    /**
     * To the carrier, whole: what it says and its papers.
     *
     * @throws CarrierTrouble
     * @throws PortRefused where it is not complete, or the carrier takes something amiss
     */
    public function send(string $technicianId, string $customer, string $id): PortView
    {
        [$tenant, $case, $papers] = $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Push,
            function (TenantRow $tenant) use ($technicianId, $id): array {
                $case = $this->mendable($tenant, $id);
                $counting = PortPapers::newest($this->papers->of($case));
                $lacks = $case->wish()->lacks(PortPapers::seen($counting), $this->today($tenant));
                if ($lacks !== []) {
                    throw PortRefused::incomplete($lacks);
                }
                $this->log->noteOf($tenant->id, $technicianId, 'sent a port', [
                    'numbers' => $case->numbers, 'from' => $case->wish()->losingCarrier, 'day' => $case->day,
                ]);

                return [$tenant, $case, array_map(fn (PortPaperRow $row): PaperFile => $this->file($row), $counting)];
            },
        );
        try {
            $there = $this->carrier->open($case->id, $tenant->key, $case->wish(), $case->pin);
            if ($there->state->mayBeMended()) {
                $there = $this->carrier->mend($there->id, $case->wish(), $case->pin);
                foreach ($papers as $paper) {
                    $this->carrier->putPaper($there->id, $paper);
                }
                $there = $this->carrier->send($there->id);
            }
        } catch (CarrierTrouble $trouble) {
            $at = CarrierPorts::field($trouble->at);
            throw $trouble->isRefusal && $at !== null
                ? PortRefused::incomplete([new PortLack($at, "The carrier says: {$trouble->why}.")])
                : $trouble;
        }

        return $this->kept($technicianId, $tenant, $case->id, $there);
    }

    /**
     * @throws CarrierTrouble
     * @throws PortRefused
     */
    public function withdraw(string $technicianId, string $customer, string $id): PortView
    {
        [$tenant, $case] = $this->acted($technicianId, $customer, $id, 'withdrew a port');
        if (! $case->state->mayBeWithdrawn()) {
            throw PortRefused::tooFar($case->state->value);
        }
        if ($case->carrier_id !== null) {
            return $this->kept($technicianId, $tenant, $id, $this->carrier->withdraw($case->carrier_id));
        }

        return $this->scope->tenant($technicianId, $tenant->id, Ability::Push, function (TenantRow $tenant) use (
            $id,
        ): PortView {
            $case = $this->case($tenant, $id);
            $case->forceFill(['state' => PortState::Withdrawn])->save();

            return $this->view($case);
        });
    }

    /**
     * A number for the time of the port: the carrier chooses one from nearby, and the book has it at once.
     *
     * @param  string  $until  a date
     *
     * @throws CarrierTrouble
     * @throws PortRefused
     */
    public function lend(string $technicianId, string $customer, string $id, string $until): PortView
    {
        [$tenant, $case] = $this->acted($technicianId, $customer, $id, 'asked for a number lent', ['until' => $until]);
        if ($case->carrier_id === null) {
            throw PortRefused::unsent();
        }

        return $this->kept($technicianId, $tenant, $id, $this->carrier->lend($case->carrier_id, $until));
    }

    /**
     * Lets numbers go that another carrier asks for, or not.
     *
     * @param  string  $reason  the carrier's word for it, where it is refused
     *
     * @throws CarrierTrouble
     */
    public function answer(
        string $technicianId,
        string $customer,
        string $id,
        bool $isAgreed,
        string $reason,
    ): PortView {
        [$tenant, $case] = $this->acted(
            $technicianId,
            $customer,
            $id,
            $isAgreed ? 'let numbers go' : 'did not let numbers go',
            ['reason' => $reason],
        );
        if ($case->state !== PortState::Asked || $case->carrier_id === null) {
            throw PortRefused::tooFar($case->state->value);
        }
        $there = $this->carrier->answer($case->carrier_id, $isAgreed, $reason);

        return $this->scope->tenant($technicianId, $tenant->id, Ability::Push, function (
            TenantRow $tenant,
            Ability $ability,
        ) use (
            $technicianId,
            $id,
            $there,
        ): PortView {
            $this->reading->left($tenant, $technicianId, $ability, [$there]);
            $this->summaries->findingsSifted($tenant->id, $this->books->head($tenant->id));

            return $this->view($this->case($tenant, $id));
        });
    }

    /**
     * Reads from the carrier how far they are; the book follows what is done.
     *
     * @throws CarrierTrouble
     */
    public function read(string $technicianId, string $customer): void
    {
        $tenant = $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            static fn (TenantRow $row): TenantRow => $row,
        );
        $this->reading->read($technicianId, $tenant, $this->carrier->of($tenant->key), $this->carrier->departures());
    }

    /**
     * As an audit does: of those that come in, where any is under way.
     *
     * @throws CarrierTrouble
     */
    public function follow(string $technicianId, string $customer): void
    {
        [$tenant, $isUnderWay] = $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            static fn (TenantRow $row): array => [$row, PortCase::query()->where('tenant_id', $row->id)
                ->where('direction', 'in')
                ->whereNotNull('carrier_id')
                ->whereIn('state', array_column(PortState::underWay(), 'value'))
                ->exists()],
        );
        if ($isUnderWay) {
            $this->reading->read($technicianId, $tenant, $this->carrier->of($tenant->key), []);
        }
    }

    /**
     * As every night does: who asks for numbers of whose, and how far all are that are under way.
     *
     * @return int how many customers were read
     *
     * @throws CarrierTrouble
     */
    public function followAll(string $technicianId): int
    {
        $leaving = $this->carrier->departures();
        $asked = array_merge(...array_column($leaving, 'numbers'));
        $customers = $this->scope->technician($technicianId, static fn (): array => TenantRow::query()
            ->whereIn('id', PortCase::query()->whereIn('state', array_column(PortState::underWay(), 'value'))
                ->select('tenant_id'))
            ->orWhereIn('id', StockNumber::query()->whereIn('e164', $asked)->whereNotNull('tenant_id')
                ->select('tenant_id'))
            ->orderBy('key')
            ->get()
            ->all());
        foreach ($customers as $tenant) {
            $this->reading->read($technicianId, $tenant, $this->carrier->of($tenant->key), $leaving);
        }

        return count($customers);
    }

    /**
     * @param  array<string, mixed>  $details
     * @return array{TenantRow, PortCase}
     */
    private function acted(
        string $technicianId,
        string $customer,
        string $id,
        string $what,
        array $details = [],
    ): array {
        return $this->scope->tenant($technicianId, $customer, Ability::Push, function (TenantRow $tenant) use (
            $technicianId,
            $id,
            $what,
            $details,
        ): array {
            $case = $this->case($tenant, $id);
            $this->log->noteOf($tenant->id, $technicianId, $what, ['numbers' => $case->numbers] + $details);

            return [$tenant, $case];
        });
    }

    private function kept(string $technicianId, TenantRow $tenant, string $id, PortThere $there): PortView
    {
        return $this->scope->tenant($technicianId, $tenant->id, Ability::Push, function (
            TenantRow $tenant,
            Ability $ability,
        ) use (
            $technicianId,
            $id,
            $there,
        ): PortView {
            $this->reading->came($tenant, $technicianId, $ability, [$there]);
            $this->summaries->findingsSifted($tenant->id, $this->books->head($tenant->id));

            return $this->view($this->case($tenant, $id));
        });
    }

    private function file(PortPaperRow $row): PaperFile
    {
        $bytes = $this->papers->bytes($row) ?? '';

        return new PaperFile($row->kind, $row->name, PortPapers::kindOf($bytes), $bytes, $row->dated);
    }

    private function view(PortCase $case): PortView
    {
        $papers = $this->papers->of($case);
        $people = array_filter([$case->opened_by, ...array_column($papers, 'put_by')], is_string(...));
        /** @var array<string, string> $names */
        $names = Technician::query()->whereIn('id', array_unique($people))->pluck('name', 'id')->all();

        return new PortView(
            $case,
            $papers,
            $case->direction === 'in' && $case->state->mayBeMended()
                ? $case->wish()->lacks(
                    PortPapers::seen(PortPapers::newest($papers)),
                    $this->clock->now()->format('Y-m-d'),
                )
                : [],
            $names,
        );
    }

    private function today(TenantRow $tenant): string
    {
        return $this->clock->dateIn($tenant->zone);
    }

    private function case(TenantRow $tenant, string $id): PortCase
    {
        return PortCase::query()->where('tenant_id', $tenant->id)->where('id', $id)->firstOrFail();
    }

    /** @throws PortRefused */
    private function mendable(TenantRow $tenant, string $id): PortCase
    {
        $case = $this->case($tenant, $id);

        return $case->state->mayBeMended() ? $case : throw PortRefused::tooFar($case->state->value);
    }

    /**
     * @param  list<string>  $numbers
     *
     * @throws NotTheirNumber
     * @throws PortRefused
     */
    private function requireTheirs(TenantRow $tenant, array $numbers, string $but): void
    {
        $book = $this->books->head($tenant->id);
        foreach ($numbers as $place => $number) {
            // Whose it is otherwise is nobody's business here.
            if ($book->find(Reference::to(Kind::Number, $number)) === null) {
                throw new NotTheirNumber($number, $place);
            }
        }
        $others = PortCase::query()->where('tenant_id', $tenant->id)->whereNot('id', $but)
            ->where('direction', 'in')
            ->whereIn('state', array_column(PortState::underWay(), 'value'))
            ->get();
        foreach ($others as $other) {
            foreach (array_intersect($numbers, $other->numbers) as $number) {
                throw PortRefused::underWay(E164::parse($number)->display());
            }
        }
    }
}
