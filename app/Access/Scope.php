<?php

declare(strict_types=1);

namespace App\Access;

use App\Activity\ActivityLog;
use App\Models\Ability;
use App\Models\Grant;
use App\Models\TenantRow;
use App\Time\Clock;
use Illuminate\Database\ConnectionInterface;

/**
 * Opens one of the scopes of row-level security for a transaction: what lies outside it cannot be read or written, even
 * by a query that forgot to say which customer it is about.
 */
final class Scope
{
    private ?string $open = null;

    private ?Ability $most = null;

    public function __construct(
        private readonly ConnectionInterface $db,
        private readonly Clock $clock,
        private readonly ActivityLog $log,
    ) {
    }

    /**
     * One customer, for a technician whose grant covers the ability.
     *
     * @template T
     *
     * @param  string  $tenant  the customer's key, or its id
     * @param  callable(TenantRow, Ability): T  $work  given the customer and how far one may go there
     * @return T
     *
     * @throws CustomerNotFound where there is no grant at all
     * @throws AccessDenied where the grant does not reach so far
     */
    public function tenant(string $technicianId, string $tenant, Ability $least, callable $work): mixed
    {
        return $this->inTransaction(
            "{$technicianId} {$tenant}",
            function () use ($technicianId, $tenant, $least, $work): mixed {
                [$row, $granted, $ability] = $this->begun($technicianId, $tenant);
                if (! $granted->covers($least)) {
                    throw AccessDenied::lacks($least);
                }
                if (! $ability->covers($least)) {
                    throw AccessDenied::factorFor($least->value);
                }
                $this->keepWithin($least);

                return $work($row, $this->most === null || $this->most->covers($ability) ? $ability : $this->most);
            },
        );
    }

    /**
     * A customer that is about to come into being. Only a grant for every customer covers one that does not exist yet.
     *
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     *
     * @throws AccessDenied
     */
    public function newTenant(string $technicianId, string $tenantId, callable $work): mixed
    {
        return $this->inTransaction(
            "{$technicianId} {$tenantId}",
            function () use ($technicianId, $tenantId, $work): mixed {
                if (in_array('edit', $this->set($technicianId, $tenantId), true)) {
                    throw AccessDenied::factorFor('edit');
                }
                if (! $this->mayTakeOn($technicianId)) {
                    throw AccessDenied::everyCustomer();
                }
                $this->keepWithin(Ability::Edit);

                return $work();
            },
        );
    }

    /**
     * Every customer granted to the technician, for lists; nothing of a customer's book.
     *
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     */
    public function technician(string $technicianId, callable $work): mixed
    {
        return $this->inTransaction($technicianId, function () use ($technicianId, $work): mixed {
            if (in_array('read', $this->set($technicianId, null), true)) {
                throw AccessDenied::factorFor('read');
            }

            return $work();
        });
    }

    /** From now on no more than this may be done, whatever is granted: a token's scope. Unset: as granted. */
    public function limitTo(?Ability $most): void
    {
        $this->most = $most;
    }

    /** @throws AccessDenied where a token is at work that may not do as much */
    public function requireWithin(Ability $least): void
    {
        $this->keepWithin($least);
    }

    private function keepWithin(Ability $least): void
    {
        if ($this->most !== null && ! $this->most->covers($least)) {
            throw AccessDenied::scope($least);
        }
    }

    /** Whether the technician in scope may do anything at all, for anybody. */
    public function hasAnyGrant(string $technicianId): bool
    {
        return $this->grants($technicianId)->isNotEmpty();
    }

    /** Whether the technician in scope may take customers on, and the token at work, where one is, as well. */
    public function mayTakeOn(string $technicianId): bool
    {
        return ($this->most === null || $this->most->covers(Ability::Edit)) && $this->grants($technicianId)
            ->contains(
                static fn (Grant $grant): bool => $grant->tenant_id === null && $grant->ability->covers(Ability::Edit),
            );
    }

    /** @return \Illuminate\Support\Collection<int, Grant> those that hold now */
    private function grants(string $technicianId): \Illuminate\Support\Collection
    {
        $now = $this->clock->now();

        return Grant::query()->where('technician_id', $technicianId)->get()
            ->filter(static fn (Grant $grant): bool => $grant->holds($now))
            ->values();
    }

    /** Whether a person is at work, and no token. */
    public function isPerson(): bool
    {
        return $this->most === null;
    }

    /** Whether the technician in scope may order what costs: by a grant for every customer that says so. */
    public function mayBill(string $technicianId): bool
    {
        return $this->most === null && $this->grants($technicianId)->contains(
            static fn (Grant $grant): bool => $grant->tenant_id === null && $grant->ability->covers(Ability::Bill),
        );
    }

    /**
     * @return array{TenantRow, Ability, Ability} the customer, the most that is granted there, and how far that reaches
     *     where a second factor is required and missing; its scope open
     *
     * @throws CustomerNotFound
     */
    private function begun(string $technicianId, string $customer): array
    {
        $now = $this->clock->now();
        $row = $this->db->selectOne(
            'select roster_open(?, ?, ?) as told',
            [$technicianId, $customer, $now->format(\DateTimeInterface::ATOM)],
        );
        $told = is_object($row) && isset($row->told) && is_string($row->told)
            ? json_decode($row->told, true, flags: JSON_THROW_ON_ERROR)
            : null;
        if (! is_array($told) || ! is_array($told['tenant']) || ! is_array($told['grants'])) {
            throw new CustomerNotFound();
        }
        $widest = null;
        foreach ($told['grants'] as $grant) {
            $ability = is_array($grant) && is_string($grant['ability']) ? Ability::from($grant['ability']) : null;
            // Of a customer's book whoever orders what costs may read.
            $ability = $ability === Ability::Bill ? Ability::Read : $ability;
            if ($ability !== null && ($widest === null || $ability->covers($widest))) {
                $widest = $ability;
            }
        }
        if ($widest === null) {
            throw new CustomerNotFound();
        }
        $needs = self::missing($told);
        if (in_array('read', $needs, true)) {
            throw AccessDenied::factorFor('read');
        }
        $reaches = $widest;
        foreach ([Ability::Push, Ability::Edit] as $each) {
            if (in_array($each->value, $needs, true) && $reaches->covers($each)) {
                $reaches = $each === Ability::Push ? Ability::Edit : Ability::Read;
            }
        }

        return [
            (new TenantRow())->newFromBuilder(array_filter($told['tenant'], is_string(...), ARRAY_FILTER_USE_KEY)),
            $widest,
            $reaches,
        ];
    }

    /** @return list<string> what a second factor is required for, where theirs is off */
    private function set(string $technicianId, ?string $tenantId): array
    {
        $row = $this->db->selectOne(
            "select set_config('app.technician_id', ?, true), set_config('app.tenant_id', ?, true), "
                . "set_config('app.now', ?, true), json_build_object("
                . "'factor', (select totp_confirmed_at is not null from technicians where id = ?), "
                . "'factorFor', (select settings -> 'secondFactorFor' from house)) as told",
            [
                $technicianId, $tenantId ?? '', $this->clock->now()->format(\DateTimeInterface::ATOM), $technicianId,
            ],
        );
        $told = is_object($row) && isset($row->told) && is_string($row->told)
            ? json_decode($row->told, true, flags: JSON_THROW_ON_ERROR)
            : null;

        return self::missing(is_array($told) ? $told : []);
    }

    /**
     * @param  array<mixed>  $told
     * @return list<string>
     */
    private static function missing(array $told): array
    {
        return is_array($told['factorFor'] ?? null) && ($told['factor'] ?? null) === false
            ? array_values(array_filter($told['factorFor'], is_string(...)))
            : [];
    }

    /**
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     */
    private function inTransaction(string $scope, callable $work): mixed
    {
        if ($this->open !== null) {
            // A setting made in an inner transaction would leak outward; nobody needs a scope inside another.
            throw new \LogicException("Scope {$scope} opened inside scope {$this->open}");
        }
        $this->open = $scope;
        try {
            return $this->db->transaction(fn (): mixed => $this->log->holding($work));
        } finally {
            $this->open = null;
        }
    }
}
