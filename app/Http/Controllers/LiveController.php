<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Drift\LiveDesk;
use App\Http\Resources\LiveResource;
use App\Push\SwitchMove;
use App\Switching\Switches;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Book against live: as last read, read again, and the run sheet a push would work through. */
final class LiveController extends Controller
{
    public function __construct(private readonly LiveDesk $desk, private readonly Switches $switches)
    {
    }

    public function show(Request $request, string $customer): JsonResponse
    {
        return $this->told($request, $customer);
    }

    public function read(Request $request, string $customer): JsonResponse
    {
        $isKnown = $this->desk->read($this->technician($request)->id, $customer);

        return $this->told($request, $customer, more: ['onSwitch' => $isKnown]);
    }

    /** What callers notice of what the switch holds instead of the book. */
    public function impact(Request $request, string $customer): JsonResponse
    {
        return new JsonResponse(LiveResource::impact($this->desk->weigh($this->technician($request)->id, $customer)));
    }

    public function waive(Request $request, string $customer): JsonResponse
    {
        /** @var array{object: string, path?: ?string, reason: string, until?: ?string} $given */
        $given = $request->validate([
            'object' => ['required', 'string', 'max:200'], 'path' => ['nullable', 'string', 'max:300'],
            'reason' => ['required', 'string', 'max:500'],
            'until' => ['bail', 'nullable', 'string', 'date_format:Y-m-d'],
        ]);
        $this->desk->waive($this->technician($request)->id, $customer, $given);

        return $this->told($request, $customer, 201);
    }

    public function takeWaiverBack(Request $request, string $customer, string $waiver): JsonResponse
    {
        return $this->desk->takeWaiverBack($this->technician($request)->id, $customer, $waiver)
            ? $this->told($request, $customer)
            : throw new NotFoundHttpException();
    }

    public function sign(Request $request, string $customer): JsonResponse
    {
        /** @var array{revision: int, by: string} $given */
        $given = $request->validate([
            'revision' => ['required', 'integer:strict', 'min:1', 'max:2147483647'],
            'by' => ['required', 'string', 'max:120'],
        ]);
        $this->desk->sign($this->technician($request)->id, $customer, $given['revision'], $given['by']);

        return $this->told($request, $customer, 201);
    }

    /** Puts the customer on another switch. */
    public function move(Request $request, string $customer, SwitchMove $move): JsonResponse
    {
        /** @var array{switch: string} $given */
        $given = $request->validate(['switch' => ['required', 'string', Rule::in($this->switches->names())]]);
        $move->to($this->technician($request)->id, $customer, $given['switch']);

        return $this->told($request, $customer);
    }

    /** @param array<string, mixed> $more */
    private function told(Request $request, string $customer, int $status = 200, array $more = []): JsonResponse
    {
        $view = $this->desk->view($this->technician($request)->id, $customer);

        return new JsonResponse($more + LiveResource::of($view, $this->switches->titles()), $status);
    }
}
