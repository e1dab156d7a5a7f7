<?php

declare(strict_types=1);

namespace App\CallerIdentity;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Book\BookRepository;
use App\Models\Ability;
use App\Models\NumberRegistration;
use App\Models\StockNumber;
use App\Models\Technician;
use App\Models\TenantRow;
use App\Models\VerifiedNumber;
use App\Roster\SummaryKeeper;
use App\Stock\CarrierTrouble;
use App\Time\Clock;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Numbering\UnusableNumber;
use Jaunty\Core\Outbound\Vouching;

/**
 * Which numbers a customer may show, and what the network says beside them. The carrier is asked outside any
 * transaction.
 */
final readonly class IdentityDesk
{
    /** Common practice in North America: caller name databases hold 15 characters. */
    private const LONGEST_NAME = 15;

    public function __construct(
        private CarrierNames $carrier,
        private Scope $scope,
        private BookRepository $books,
        private SummaryKeeper $summaries,
        private ActivityLog $log,
        private Clock $clock,
    ) {
    }

    public function of(string $technicianId, string $customer): IdentityView
    {
        return $this->scope->tenant($technicianId, $customer, Ability::Read, $this->view(...));
    }

    public function vouching(string $technicianId, string $customer): Vouching
    {
        return $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            static fn (TenantRow $tenant): Vouching => self::vouchingOf($tenant),
        );
    }

    /**
     * Has a number of another carrier's called with a code.
     *
     * @param  string  $typed  as people write numbers
     *
     * @throws CarrierTrouble
     */
    public function call(string $technicianId, string $customer, string $typed): IdentityView
    {
        [$tenant, $number] = $this->scope->tenant($technicianId, $customer, Ability::Push, function (
            TenantRow $tenant,
        ) use (
            $technicianId,
            $typed,
        ): array {
            try {
                $number = (string) E164::parse($typed, explode('-', (string) $tenant->region)[0]);
            } catch (UnusableNumber $fault) {
                throw IdentityRefused::unreadable($fault->getMessage());
            }
            if (StockNumber::query()->where('tenant_id', $tenant->id)->where('e164', $number)->exists()) {
                throw IdentityRefused::ours($number);
            }
            $this->log->noteOf($tenant->id, $technicianId, 'had a number called with a code', ['number' => $number]);

            return [$tenant, $number];
        });
        $this->carrier->call($number);

        return $this->scope->tenant($technicianId, $tenant->id, Ability::Push, function (TenantRow $tenant) use (
            $technicianId,
            $number,
        ): IdentityView {
            VerifiedNumber::query()->upsert([[
                'tenant_id' => $tenant->id, 'number' => $number, 'called_at' => $this->clock->now(),
                'called_by' => $technicianId,
            ]], ['tenant_id', 'number'], ['called_at', 'called_by']);

            return $this->view($tenant);
        });
    }

    /**
     * @throws CarrierTrouble
     * @throws IdentityRefused
     */
    public function check(string $technicianId, string $customer, string $number, string $code): IdentityView
    {
        $tenant = $this->scope->tenant($technicianId, $customer, Ability::Push, function (TenantRow $tenant) use (
            $technicianId,
            $number,
        ): TenantRow {
            if ($this->called($tenant, $number)->doesntExist()) {
                throw IdentityRefused::notCalled();
            }
            $this->log->noteOf($tenant->id, $technicianId, 'read back the code of a number', ['number' => $number]);

            return $tenant;
        });
        try {
            $isRight = $this->carrier->isRight($number, $code);
        } catch (CarrierTrouble $trouble) {
            throw $trouble->at === null ? $trouble : IdentityRefused::byCarrier('code', $trouble->why);
        }
        if (! $isRight) {
            throw IdentityRefused::wrongCode();
        }

        return $this->scope->tenant($technicianId, $tenant->id, Ability::Push, function (TenantRow $tenant) use (
            $technicianId,
            $number,
        ): IdentityView {
            $this->called($tenant, $number)->update([
                'verified_at' => $this->clock->now(), 'verified_by' => $technicianId,
            ]);
            $this->summaries->findingsSifted($tenant->id, $this->books->head($tenant->id));

            return $this->view($tenant);
        });
    }

    /** It may be shown no more. */
    public function forget(string $technicianId, string $customer, string $number): IdentityView
    {
        return $this->scope->tenant($technicianId, $customer, Ability::Push, function (TenantRow $tenant) use (
            $technicianId,
            $number,
        ): IdentityView {
            $this->called($tenant, $number)->delete();
            $this->log->noteOf($tenant->id, $technicianId, 'forgot a verified number', ['number' => $number]);
            $this->summaries->findingsSifted($tenant->id, $this->books->head($tenant->id));

            return $this->view($tenant);
        });
    }

    /**
     * Tells the network the name that the book gives a number.
     *
     * @throws CarrierTrouble
     * @throws IdentityRefused
     */
    public function fileName(string $technicianId, string $customer, string $number): IdentityView
    {
        return $this->file($technicianId, $customer, $number, 'name', static function (Number $found): array {
            $name = trim((string) $found->callerName);

            return match (true) {
                $name === '' => throw IdentityRefused::nameless(),
                mb_strlen($name) > self::LONGEST_NAME => throw IdentityRefused::tooLong(self::LONGEST_NAME),
                default => ['name' => $name],
            };
        });
    }

    /**
     * Tells the network what a number's text messages are for.
     *
     * @throws CarrierTrouble
     * @throws IdentityRefused
     */
    public function fileTexting(
        string $technicianId,
        string $customer,
        string $number,
        string $sender,
        string $purpose,
    ): IdentityView {
        $said = ['sender' => $sender, 'purpose' => $purpose];

        return $this->file($technicianId, $customer, $number, 'texting', static fn (): array => $said);
    }

    /**
     * Reads from the carrier how far the customer's registrations are.
     *
     * @throws CarrierTrouble
     */
    public function read(string $technicianId, string $customer): IdentityView
    {
        $all = $this->carrier->all();

        return $this->scope->tenant($technicianId, $customer, Ability::Read, function (TenantRow $tenant) use (
            $all,
        ): IdentityView {
            foreach ($all as $there) {
                $this->registered($tenant, $there);
            }
            $this->summaries->findingsSifted($tenant->id, $this->books->head($tenant->id));

            return $this->view($tenant);
        });
    }

    /**
     * As every night does.
     *
     * @return int how many customers have any
     *
     * @throws CarrierTrouble
     */
    public function readAll(string $technicianId): int
    {
        $byNumber = [];
        foreach ($this->carrier->all() as $there) {
            $byNumber[$there->number][] = $there;
        }
        $whose = $this->scope->technician($technicianId, static fn (): array => StockNumber::query()
            ->whereIn('e164', array_map(strval(...), array_keys($byNumber)))
            ->whereNotNull('tenant_id')
            ->pluck('tenant_id', 'e164')
            ->all());
        $customers = [];
        foreach (array_filter($whose, is_string(...)) as $number => $tenantId) {
            $customers[$tenantId] = [...$customers[$tenantId] ?? [], ...$byNumber[$number]];
        }
        foreach ($customers as $tenantId => $theirs) {
            $this->scope->tenant($technicianId, $tenantId, Ability::Read, function (TenantRow $tenant) use (
                $theirs,
            ): void {
                foreach ($theirs as $there) {
                    $this->registered($tenant, $there);
                }
                $this->summaries->findingsSifted($tenant->id, $this->books->head($tenant->id));
            });
        }

        return count($customers);
    }

    /**
     * @param  'name'|'texting'  $kind
     * @param  \Closure(Number): array<string, string>  $said
     */
    private function file(
        string $technicianId,
        string $customer,
        string $number,
        string $kind,
        \Closure $said,
    ): IdentityView {
        [$tenant, $told] = $this->scope->tenant($technicianId, $customer, Ability::Push, function (
            TenantRow $tenant,
        ) use (
            $technicianId,
            $number,
            $kind,
            $said,
        ): array {
            $found = $this->books->head($tenant->id)->find(Reference::to(Kind::Number, $number));
            if (! $found instanceof Number) {
                throw IdentityRefused::notTheirs($number);
            }
            $told = $said($found);
            $this->log->noteOf($tenant->id, $technicianId, "filed the {$kind} of a number", [
                'number' => $number,
            ] + $told);

            return [$tenant, $told];
        });
        try {
            $there = $this->carrier->register($number, $kind, $told);
        } catch (CarrierTrouble $trouble) {
            throw $trouble->at === null
                ? $trouble
                : IdentityRefused::byCarrier($trouble->at === 'msisdn' ? 'number' : $trouble->at, $trouble->why);
        }

        return $this->scope->tenant($technicianId, $tenant->id, Ability::Push, function (TenantRow $tenant) use (
            $technicianId,
            $there,
            $told,
        ): IdentityView {
            NumberRegistration::query()->upsert([[
                'tenant_id' => $tenant->id, 'number' => $there->number, 'kind' => $there->kind,
                'said' => json_encode($told, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
                'state' => $there->state->value, 'remark' => $there->remark, 'filed_by' => $technicianId,
                'filed_at' => $this->clock->now(), 'read_at' => $this->clock->now(),
            ]], ['tenant_id', 'number', 'kind'], ['said', 'state', 'remark', 'filed_by', 'filed_at', 'read_at']);
            $this->summaries->findingsSifted($tenant->id, $this->books->head($tenant->id));

            return $this->view($tenant);
        });
    }

    private function registered(TenantRow $tenant, RegistrationThere $there): void
    {
        NumberRegistration::query()->where('tenant_id', $tenant->id)->where('number', $there->number)
            ->where('kind', $there->kind)
            ->update([
                'state' => $there->state->value, 'remark' => $there->remark, 'read_at' => $this->clock->now(),
            ]);
    }

    /** @return \Illuminate\Database\Eloquent\Builder<VerifiedNumber> */
    private function called(TenantRow $tenant, string $number): \Illuminate\Database\Eloquent\Builder
    {
        return VerifiedNumber::query()->where('tenant_id', $tenant->id)->where('number', $number);
    }

    private function view(TenantRow $tenant): IdentityView
    {
        $called = array_values(VerifiedNumber::query()->where('tenant_id', $tenant->id)->orderBy('number')
            ->get()
            ->all());
        $registrations = array_values(NumberRegistration::query()->where('tenant_id', $tenant->id)->orderBy('number')
            ->orderBy('kind')
            ->get()
            ->all());
        $people = array_filter(
            [...array_column($called, 'called_by'), ...array_column($registrations, 'filed_by')],
            is_string(...),
        );
        /** @var array<string, string> $names */
        $names = Technician::query()->whereIn('id', array_unique($people))->pluck('name', 'id')->all();

        return new IdentityView(
            $called,
            $registrations,
            array_map(
                static fn (Number $number): string => $number->key,
                $this->books->head($tenant->id)->all(Number::class),
            ),
            self::vouchingOf($tenant),
            $names,
        );
    }

    private static function vouchingOf(TenantRow $tenant): Vouching
    {
        $texts = static fn (array $all): array => array_values(array_filter($all, is_string(...)));

        return new Vouching(
            $texts(StockNumber::query()->where('tenant_id', $tenant->id)
                ->whereIn('state', ['taken', 'lent', 'portingOut'])
                ->pluck('e164')
                ->all()),
            $texts(VerifiedNumber::query()->where('tenant_id', $tenant->id)->whereNotNull('verified_at')
                ->pluck('number')
                ->all()),
        );
    }
}
