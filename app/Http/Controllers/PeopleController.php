<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\AccessDenied;
use App\Access\Granted;
use App\Access\Staff;
use App\Http\Resources\PeopleResource;
use App\Models\Ability;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;

/** Who is of the staff and what they may do. For leads. */
final class PeopleController extends Controller
{
    private const MOST_TOLD = 200;

    public function __construct(
        private readonly Staff $staff,
        private readonly Clock $clock,
    ) {
    }

    public function index(Request $request): JsonResponse
    {
        return new JsonResponse(
            PeopleResource::of(...[...$this->staff->all($this->technician($request)), $this->clock->now()]),
        );
    }

    public function let(Request $request): JsonResponse
    {
        $lead = $this->technician($request);
        if (! $lead->lead) {
            throw AccessDenied::leadsOnly();
        }
        $today = $this->clock->now()->format('Y-m-d');
        /** @var array{signIn: string, customer?: string, ability: string, purpose?: ?string, until?: ?string} $given */
        $given = $request->validate([
            'signIn' => ['required', 'string', 'email:rfc', 'max:200'],
            // Every customer is said in so many words: a field that is missing or empty opens nothing.
            'customer' => ['required_without:everyCustomer', 'prohibits:everyCustomer', 'string'],
            'everyCustomer' => ['sometimes', 'accepted'],
            'ability' => ['required', Rule::enum(Ability::class)],
            'purpose' => ['nullable', 'string', 'max:200'],
            'until' => ['bail', 'nullable', 'string', 'date_format:Y-m-d', "after_or_equal:{$today}"],
        ], [
            'signIn.required' => 'Say who, by mail address.', 'signIn.email' => 'This is no mail address.',
            'customer.required_without' => 'Say for which customer, or for every one.',
            'customer.prohibits' => 'Either a customer, or every one.',
            'until.date_format' => 'A date is wanted, such as 2026-12-31.',
            'until.after_or_equal' => 'This day is past.',
        ]);
        $customer = $given['customer'] ?? null;
        $granted = new Granted(
            $customer === null ? null : $this->staff->customer($lead, $customer),
            Ability::from($given['ability']),
            $given['purpose'] ?? null,
            isset($given['until']) ? new \DateTimeImmutable("{$given['until']}T23:59:59Z") : null,
        );

        return new JsonResponse(['isInvited' => $this->staff->let($lead, $given['signIn'], $granted) !== null], 201);
    }

    public function close(Request $request, string $technician): Response
    {
        $this->staff->close($this->technician($request), $technician);

        return new Response(status: 204);
    }

    /** Who signed in or failed to, and what was done to accounts: the latest first. */
    public function activity(Request $request): JsonResponse
    {
        return new JsonResponse(['activity' => array_map(
            static fn (\stdClass $row): array => self::told(get_object_vars($row)),
            $this->staff->activity($this->technician($request), self::MOST_TOLD),
        )]);
    }

    /**
     * @param  array<mixed>  $row
     * @return array{who: ?string, what: string, detail: list<string>, at: string}
     */
    private static function told(array $row): array
    {
        $detail = json_decode(is_string($row['detail'] ?? null) ? $row['detail'] : '{}', true);

        return [
            'who' => is_string($row['who'] ?? null) ? $row['who'] : null,
            'what' => is_string($row['what'] ?? null) ? $row['what'] : '',
            'detail' => array_values(array_filter(is_array($detail) ? $detail : [], is_string(...))),
            'at' => (new \DateTimeImmutable(is_string($row['happened_at'] ?? null) ? $row['happened_at'] : 'now'))
                ->setTimezone(new \DateTimeZone('UTC'))
                ->format('Y-m-d\TH:i:s\Z'),
        ];
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
}
