<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Fleet\RosterDesk;
use App\Fleet\RosterSought;
use App\Http\Resources\RosterResource;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** Every customer granted to the technician: their order, and the lines of those in view. */
final class RosterController extends Controller
{
    private const KEY = 'regex:/^[a-z0-9][a-z0-9.-]*$/D';

    public function __construct(private readonly RosterDesk $desk)
    {
    }

    public function index(Request $request): JsonResponse
    {
        /**
         * @var array{stage?: ?string, findings?: ?string, drift?: ?string, region?: ?string, who?: ?string,
         *     words?: ?string, sort?: ?string, most?: int|string} $said
         */
        $said = $request->validate([
            'stage' => ['sometimes', 'nullable', 'string', 'max:40'],
            'findings' => ['sometimes', 'nullable', Rule::in(RosterSought::FINDINGS)],
            'drift' => ['sometimes', 'nullable', Rule::in(RosterSought::DRIFT)],
            'region' => ['sometimes', 'nullable', 'string', 'max:40'],
            'who' => ['sometimes', 'nullable', 'string', 'max:40'],
            'words' => ['sometimes', 'nullable', 'string', 'max:200'],
            'most' => ['sometimes', 'integer', 'between:1,' . RosterDesk::AT_FIRST],
            'sort' => ['sometimes', 'nullable', 'string', 'regex:/^-?(' . implode('|', RosterSought::SORTS) . ')$/D'],
        ]);
        $sort = $said['sort'] ?? 'name';
        $page = $this->desk->page($this->technician($request)->id, new RosterSought(
            $said['stage'] ?? '',
            $said['findings'] ?? 'any',
            $said['drift'] ?? 'any',
            $said['region'] ?? '',
            $said['who'] ?? '',
            $said['words'] ?? '',
            ltrim($sort, '-'),
            str_starts_with($sort, '-'),
        ), (int) ($said['most'] ?? RosterDesk::AT_FIRST));

        return JsonResponse::fromJsonString(RosterResource::json($page['rows'], [
            'order' => $page['order'], 'total' => $page['total'], 'stages' => $page['stages'],
            'regions' => $page['regions'], 'people' => $page['people'], 'at' => $page['at'],
        ]));
    }

    public function lines(Request $request): JsonResponse
    {
        /** @var array{keys: list<string>} $said */
        $said = $request->validate([
            'keys' => ['required', 'array', 'list', 'max:' . RosterDesk::MOST_LINES], 'keys.*' => ['string', self::KEY],
        ]);

        return JsonResponse::fromJsonString(
            RosterResource::json($this->desk->lines($this->technician($request)->id, $said['keys'])),
        );
    }

    public function changes(Request $request): JsonResponse
    {
        /** @var array{since: string} $said */
        $said = $request->validate(['since' => ['required', 'string', 'date', 'max:40']]);
        $changes = $this->desk->changes($this->technician($request)->id, $said['since']);

        return JsonResponse::fromJsonString(RosterResource::json($changes['rows'], [
            'isMany' => $changes['isMany'], 'total' => $changes['total'], 'at' => $changes['at'],
        ]));
    }

    public function names(Request $request): JsonResponse
    {
        return new JsonResponse(['customers' => $this->desk->names($this->technician($request)->id)]);
    }

    public function beside(Request $request, string $customer): JsonResponse
    {
        return new JsonResponse($this->desk->beside($this->technician($request)->id, $customer));
    }
}
