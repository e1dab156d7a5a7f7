<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Ability;
use App\Access\AccessDenied;
use App\Access\CustomerNotFound;
use App\Access\Granted;
use App\Access\Scope;
use App\Access\Staff;
use App\Http\Resources\PeopleResource;
use App\Models\Grant;
use App\Models\Invitation;
use App\Models\Technician;
use App\Models\TenantRow;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;

/** Who is of the staff and what they may do. For leads. */
final class PeopleController extends Controller
{
    public function __construct(private readonly Scope $scope, private readonly Staff $staff, private readonly Clock $clock)
    {
    }

    public function index(Request $request): JsonResponse
    {
        $lead = $this->technician($request);
        if (! $lead->lead) {
            throw AccessDenied::leadsOnly();
        }

        return new JsonResponse($this->scope->technician($lead->id, fn (): array => PeopleResource::of(
            array_values(Technician::query()->orderBy('name')->get()->all()),
            array_values(Grant::query()->orderBy('given_at')->get()->all()),
            array_values(Invitation::query()->whereNull('accepted_at')->orderBy('sent_at')->get()->all()),
            array_values(TenantRow::query()->get()->all()),
            $this->clock->now(),
        )));
    }

    public function let(Request $request): JsonResponse
    {
        $lead = $this->technician($request);
        $today = $this->clock->now()->format('Y-m-d');
        /** @var array{signIn: string, customer?: ?string, ability: string, purpose?: ?string, until?: ?string} $given */
        $given = $request->validate([
            'signIn' => ['required', 'string', 'email:rfc', 'max:200'],
            'customer' => ['nullable', 'string'],
            'ability' => ['required', Rule::enum(Ability::class)],
            'purpose' => ['nullable', 'string', 'max:200'],
            'until' => ['nullable', 'date_format:Y-m-d', "after_or_equal:{$today}"],
        ], [
            'signIn.required' => 'Say who, by mail address.', 'signIn.email' => 'This is no mail address.',
            'until.date_format' => 'A date is wanted, such as 2026-12-31.', 'until.after_or_equal' => 'This day is past.',
        ]);
        $customer = $given['customer'] ?? null;
        $granted = new Granted(
            $customer === null ? null : $this->customer($lead, $customer),
            Ability::from($given['ability']),
            $given['purpose'] ?? null,
            isset($given['until']) ? new \DateTimeImmutable("{$given['until']}T23:59:59Z") : null,
        );

        return new JsonResponse(['isInvited' => $this->staff->let($lead, $given['signIn'], $granted) !== null], 201);
    }

    public function takeAway(Request $request, string $grant): Response
    {
        $this->staff->takeAway($this->technician($request), $grant);

        return new Response(status: 204);
    }

    public function sendAgain(Request $request, string $invitation): Response
    {
        $this->staff->sendAgain($this->technician($request), $invitation);

        return new Response(status: 204);
    }

    public function takeInvitationBack(Request $request, string $invitation): Response
    {
        $this->staff->takeInvitationBack($this->technician($request), $invitation);

        return new Response(status: 204);
    }

    private function customer(Technician $lead, string $key): TenantRow
    {
        return $this->scope->technician($lead->id, static fn (): TenantRow => TenantRow::query()->where('key', $key)->first() ?? throw new CustomerNotFound());
    }
}
