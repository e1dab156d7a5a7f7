<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Access\Role;
use App\Models\Grant;
use App\Models\Invitation;
use App\Models\Technician;
use App\Models\TenantRow;

/** The staff with what each may do, and who was asked to join. */
final readonly class PeopleResource
{
    /**
     * @param  list<Technician>  $technicians
     * @param  list<Grant>  $grants
     * @param  list<Invitation>  $invitations
     * @param  list<TenantRow>  $granted  to the reader
     * @return array<string, mixed>
     */
    public static function of(
        array $technicians,
        array $grants,
        array $invitations,
        array $granted,
        \DateTimeImmutable $now,
        string $zone,
    ): array {
        $customers = [];
        foreach ($granted as $customer) {
            $customers[$customer->id] = $customer;
        }
        $names = array_column($technicians, 'name', 'id');

        return [
            'people' => array_map(static fn (Technician $technician): array => [
                'id' => $technician->id, 'name' => $technician->name, 'signIn' => $technician->sign_in,
                'lead' => $technician->lead, 'secondFactor' => $technician->usesSecondFactor(),
                'grants' => array_values(array_map(
                    static fn (Grant $grant): array => [
                        'id' => $grant->id, 'ability' => $grant->ability->value,
                        ...self::customer($grant->tenant_id, $customers), 'purpose' => $grant->purpose,
                        'from' => self::day($grant->starts_at, $zone), 'until' => self::day($grant->until, $zone),
                        'role' => Role::ofGrant($grant->ability)->value, 'inEmergency' => $grant->in_emergency,
                        'holds' => $grant->holds($now),
                        'hasRunOut' => $grant->until !== null && $grant->until <= $now,
                    ],
                    array_filter($grants, static fn (Grant $grant): bool => $grant->technician_id === $technician->id),
                )),
            ], $technicians),
            'invitations' => array_map(static fn (Invitation $invitation): array => [
                'id' => $invitation->id, 'signIn' => $invitation->sign_in, 'ability' => $invitation->ability->value,
                'role' => Role::ofGrant($invitation->ability)->value,
                ...self::customer($invitation->tenant_id, $customers),
                'purpose' => $invitation->purpose, 'from' => self::day($invitation->grant_from, $zone),
                'until' => self::day($invitation->grant_until, $zone),
                'invitedBy' => $names[$invitation->invited_by] ?? '',
                'sentAt' => $invitation->sent_at->toAtomString(),
                'openUntil' => $invitation->open_until->toAtomString(), 'isOpen' => $invitation->open_until > $now,
            ], $invitations),
        ];
    }

    private static function day(?\DateTimeInterface $at, string $zone): ?string
    {
        return $at === null
            ? null
            : \DateTimeImmutable::createFromInterface($at)->setTimezone(new \DateTimeZone($zone))->format('Y-m-d');
    }

    /**
     * @param  array<string, TenantRow>  $customers  by id
     * @return array{everyCustomer: bool, customer: ?string, customerName: ?string}
     */
    private static function customer(?string $id, array $customers): array
    {
        $customer = $id === null ? null : $customers[$id] ?? null;

        return ['everyCustomer' => $id === null, 'customer' => $customer?->key, 'customerName' => $customer?->name];
    }
}
