<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\SiteResource;
use App\Places\PlanDesk;
use App\Places\SiteDesk;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Plans of floors. */
final class PlanController extends Controller
{
    public function __construct(private readonly PlanDesk $plans, private readonly SiteDesk $sites)
    {
    }

    /** The body is the file. */
    public function store(Request $request, string $customer, string $site): JsonResponse
    {
        /** @var array{floor: string} $given */
        $given = $request->validate(['floor' => ['required', 'string', 'max:200']]);
        $technicianId = $this->technician($request)->id;
        $this->plans->put($technicianId, $customer, $site, $given['floor'], $request->getContent());

        return new JsonResponse(SiteResource::all($this->sites->all($technicianId, $customer)), 201);
    }

    /** Another picture is another plan: this one may be kept. */
    public function show(Request $request, string $customer, string $plan): Response
    {
        [$row, $bytes] = $this->plans->get($this->technician($request)->id, $customer, $plan);

        return new Response($bytes, 200, [
            'Content-Type' => $row->type, 'Content-Disposition' => 'inline',
            'Cache-Control' => 'private, max-age=86400, immutable',
        ]);
    }

    public function destroy(Request $request, string $customer, string $plan): JsonResponse
    {
        $technicianId = $this->technician($request)->id;
        $this->plans->remove($technicianId, $customer, $plan);

        return new JsonResponse(SiteResource::all($this->sites->all($technicianId, $customer)));
    }
}
