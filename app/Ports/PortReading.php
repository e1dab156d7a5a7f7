<?php

declare(strict_types=1);

namespace App\Ports;

use App\Access\Scope;
use App\Book\BookRepository;
use App\Book\RevisionSource;
use App\Book\RevisionWriter;
use App\Models\Ability;
use App\Models\PortCase;
use App\Models\PortState;
use App\Models\StockNumber;
use App\Models\TenantRow;
use App\Roster\SummaryKeeper;
use App\Time\Clock;
use Illuminate\Database\ConnectionInterface;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Identity\NameBasedUuid;
use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Ports\PortFollowing;

/** Keeps what the carrier says of ports; numbers and book follow by themselves, for whoever may change the book. */
final readonly class PortReading
{
    public function __construct(
        private Scope $scope,
        private BookRepository $books,
        private RevisionWriter $revisions,
        private SummaryKeeper $summaries,
        private Clock $clock,
        private ConnectionInterface $db,
    ) {
    }

    /**
     * @param  list<PortThere>  $coming  all of this customer's
     * @param  list<DepartureThere>  $leaving  of every customer's
     */
    public function read(string $technicianId, TenantRow $tenant, array $coming, array $leaving): void
    {
        $this->scope->tenant($technicianId, $tenant->id, Ability::Read, function (
            TenantRow $tenant,
            Ability $ability,
        ) use (
            $technicianId,
            $coming,
            $leaving,
        ): void {
            $this->came($tenant, $technicianId, $ability, $coming);
            $this->left($tenant, $technicianId, $ability, $leaving);
            // Rules hold the book against what is ordered.
            $this->summaries->findingsSifted($tenant->id, $this->books->head($tenant->id));
        });
    }

    /**
     * In the customer's scope.
     *
     * @param  list<PortThere>  $there
     */
    public function came(TenantRow $tenant, string $technicianId, Ability $ability, array $there): void
    {
        $done = [];
        foreach ($there as $port) {
            $case = PortCase::query()->where('tenant_id', $tenant->id)
                ->where(static fn ($any) => $any->where('carrier_id', $port->id)
                    ->when(self::isUuid($port->reference), static fn ($or) => $or->orWhere('id', $port->reference)))
                ->first();
            if ($case === null) {
                continue;
            }
            $case->forceFill([
                'carrier_id' => $port->id, 'state' => $port->state, 'remark' => $port->remark,
                'remark_at' => $port->remarkAt, 'day' => $port->firmDay ?? $case->day, 'lent' => $port->lent,
                'steps' => $this->steps($case, $port), 'read_at' => $this->clock->now(),
            ])->save();
            if ($port->lent !== null) {
                $this->db->select('select number_lent(?, ?::date, ?)', [
                    $port->lent['number'], $port->lent['until'], E164::parse($port->lent['number'])->region(),
                ]);
            }
            if ($port->state === PortState::Done) {
                $done[] = $port;
            }
        }
        $arrived = array_merge(...array_map(static fn (PortThere $port): array => $port->numbers, $done));
        if ($arrived !== []) {
            $this->db->select('select numbers_arrived(?::text[])', [self::list($arrived)]);
            $this->follow(
                $tenant,
                $technicianId,
                $ability,
                PortFollowing::arrived($this->books->head($tenant->id), $arrived),
                'The carrier says that they came over',
            );
        }
    }

    /**
     * In the customer's scope.
     *
     * @param  list<DepartureThere>  $there  of every customer's; those of others are passed over
     */
    public function left(TenantRow $tenant, string $technicianId, Ability $ability, array $there): void
    {
        foreach ($there as $departure) {
            $id = NameBasedUuid::of($tenant->id, $departure->id);
            $case = PortCase::query()->where('tenant_id', $tenant->id)->where('id', $id)->first();
            $theirs = $case === null
                ? array_values(array_filter(StockNumber::query()->where('tenant_id', $tenant->id)
                    ->whereIn('e164', $departure->numbers)
                    ->orderBy('e164')
                    ->pluck('e164')
                    ->all(), is_string(...)))
                : $case->numbers;
            if ($theirs === [] || $case?->state === $departure->state) {
                continue;
            }
            $case ??= (new PortCase())->forceFill([
                'tenant_id' => $tenant->id, 'id' => $id, 'direction' => 'out', 'numbers' => $theirs,
                'said' => ['losingCarrier' => $departure->gaining, 'name' => $departure->subscriber],
                'opened_at' => $this->clock->now(), 'steps' => [], 'carrier_id' => $departure->id,
            ]);
            $case->forceFill([
                'state' => $departure->state, 'day' => $departure->day, 'answer_by' => $departure->answerBy,
                'remark' => $departure->remark, 'read_at' => $this->clock->now(),
                'steps' => [...$case->steps, $this->step($departure->state, $departure->remark)],
            ])->save();
            $this->db->select('select numbers_leave(?::text[], ?)', [self::list($theirs), match ($departure->state) {
                PortState::Gone => 'gone',
                PortState::Refused => 'stay',
                default => 'leave',
            }]);
            $book = $this->books->head($tenant->id);
            $this->follow($tenant, $technicianId, $ability, match ($departure->state) {
                PortState::Agreed => PortFollowing::leaving($book, $theirs, $departure->day),
                PortState::Gone => PortFollowing::gone($book, $theirs),
                default => ChangeSet::of(),
            }, "They go to {$departure->gaining}");
        }
    }

    private function follow(
        TenantRow $tenant,
        string $technicianId,
        Ability $ability,
        ChangeSet $changes,
        string $why,
    ): void {
        // Whoever may only look leaves the book as it is; a rule says that it is behind.
        if (! $changes->isEmpty() && $ability->covers(Ability::Edit)) {
            $this->revisions->enter($tenant, $technicianId, $changes, RevisionSource::Edit, $why);
        }
    }

    /** @return list<array{state: string, remark: string, at: string}> those known, and the new ones as of now */
    private function steps(PortCase $case, PortThere $port): array
    {
        $new = array_slice($port->steps, count($case->steps));

        return [...$case->steps, ...array_map(
            fn (array $step): array => $this->step($step['state'], $step['remark']),
            $new,
        )];
    }

    /** @return array{state: string, remark: string, at: string} */
    private function step(PortState $state, string $remark): array
    {
        return ['state' => $state->value, 'remark' => $remark, 'at' => $this->clock->now()->format(DATE_ATOM)];
    }

    private static function isUuid(string $text): bool
    {
        return preg_match('/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/D', $text) === 1;
    }

    /** @param list<string> $numbers */
    private static function list(array $numbers): string
    {
        return '{' . implode(',', $numbers) . '}';
    }
}
