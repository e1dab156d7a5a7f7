<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Accounts;
use App\Access\BreakGlass;
use App\Access\Granted;
use App\Access\Leads;
use App\Access\Staff;
use App\House\House;
use App\Http\Resources\PeopleResource;
use App\Models\Ability;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** Who is of the staff and what they may do. For leads. */
final class PeopleController extends Controller
{
    public function __construct(
        private readonly Staff $staff,
        private readonly Accounts $accounts,
        private readonly Leads $leads,
        private readonly House $house,
        private readonly Clock $clock,
    ) {
    }

    public function index(Request $request): JsonResponse
    {
        return new JsonResponse(
            PeopleResource::of(...[
                ...$this->staff->all($this->technician($request)), $this->clock->now(), $this->house->settings()->zone,
            ]),
        );
    }

    public function let(Request $request): JsonResponse
    {
        $lead = $this->technician($request);
        $this->leads->requirePeople($lead);
        $zone = new \DateTimeZone($this->house->settings()->zone);
        $today = $this->clock->dateIn($zone->getName());
        /**
         * @var array{signIn: string, customer?: string, ability: string, purpose?: ?string, from?: ?string,
         *     until?: ?string} $given
         */
        $given = $request->validate([
            'signIn' => ['required', 'string', 'email:rfc', 'max:200'],
            // Every customer is said in so many words: a field that is missing or empty opens nothing.
            'customer' => ['required_without:everyCustomer', 'prohibits:everyCustomer', 'string'],
            'everyCustomer' => ['sometimes', 'accepted'],
            'ability' => ['required', Rule::enum(Ability::class)],
            'purpose' => ['nullable', 'string', 'max:200'],
            'from' => ['bail', 'nullable', 'string', 'date_format:Y-m-d', 'before:2100-01-01'],
            'until' => [
                'bail', 'nullable', 'string', 'date_format:Y-m-d', "after_or_equal:{$today}", 'before:2100-01-01',
            ],
        ], [
            'signIn.required' => 'Say who, by mail address.', 'signIn.email' => 'This is no mail address.',
            'customer.required_without' => 'Say for which customer, or for every one.',
            'customer.prohibits' => 'Either a customer, or every one.',
            'until.date_format' => 'A date is wanted, such as 2026-12-31.',
            'until.after_or_equal' => 'This day is past.', 'until.before' => 'No grant lasts so long; leave it empty.',
            'from.date_format' => 'A date is wanted, such as 2026-12-31.',
            'from.before' => 'This is in another century.',
        ]);
        if (isset($given['from'], $given['until']) && $given['from'] > $given['until']) {
            throw ValidationException::withMessages(['until' => 'It would end before it begins.']);
        }
        $customer = $given['customer'] ?? null;
        $granted = new Granted(
            $customer === null ? null : $this->staff->customer($lead, $customer),
            Ability::from($given['ability']),
            $given['purpose'] ?? null,
            isset($given['until']) ? self::inUtc("{$given['until']} 23:59:59", $zone) : null,
            isset($given['from']) ? self::inUtc("{$given['from']} 00:00:00", $zone) : null,
        );

        return new JsonResponse(['isInvited' => $this->staff->let($lead, $given['signIn'], $granted) !== null], 201);
    }

    /** Switches somebody off, and hands on what they saw to. */
    public function close(Request $request, string $technician): Response
    {
        /** @var array{heir?: ?string} $given */
        $given = $request->validate(['heir' => ['sometimes', 'nullable', 'uuid']]);
        $this->accounts->switchOff($this->technician($request), $technician, $given['heir'] ?? null);

        return new Response(status: 204);
    }

    public function leaves(Request $request, string $technician): JsonResponse
    {
        return new JsonResponse($this->accounts->leaves($this->technician($request), $technician));
    }

    public function lead(Request $request, string $technician): Response
    {
        /** @var array{lead: bool} $given */
        $given = $request->validate(['lead' => ['required', 'boolean:strict']]);
        $this->accounts->lead($this->technician($request), $technician, $given['lead']);

        return new Response(status: 204);
    }

    public function resetSecondFactor(Request $request, string $technician): Response
    {
        $this->accounts->resetSecondFactor($this->technician($request), $technician);

        return new Response(status: 204);
    }

    public function sendPasswordLetter(Request $request, string $technician): Response
    {
        $this->accounts->sendPasswordLetter($this->technician($request), $technician);

        return new Response(status: 204);
    }

    /** For anybody of the staff: a grant for two hours, that leads are told of. */
    public function breakGlass(Request $request, BreakGlass $glass): JsonResponse
    {
        /** @var array{customer: string, ability: string, reason: string} $given */
        $given = $request->validate([
            'customer' => ['required', 'string', 'max:200'],
            'ability' => ['required', Rule::in(['read', 'edit', 'push'])],
            'reason' => ['required', 'string', 'min:10', 'max:500'],
        ], [
            'customer.required' => 'Say which customer, by its whole name.',
            'reason.required' => 'Say why: leads read it.', 'reason.min' => 'Say it in a sentence: leads read it.',
        ]);
        $taken = $glass->take(
            $this->technician($request),
            $given['customer'],
            Ability::from($given['ability']),
            trim($given['reason']),
        );

        return new JsonResponse([
            'customer' => $taken['key'], 'name' => $taken['name'],
            'until' => $taken['until']->format(\DateTimeInterface::ATOM),
        ], 201);
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
