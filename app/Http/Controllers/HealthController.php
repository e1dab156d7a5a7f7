<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Leads;
use App\Watch\Check;
use App\Watch\Checks;
use App\Watch\OpenMetrics;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** How the house is: for leads, and for programs that watch it. */
final class HealthController extends Controller
{
    public function __construct(private readonly Checks $checks)
    {
    }

    public function show(Request $request, Leads $leads): JsonResponse
    {
        $leads->requireSettings($this->technician($request));

        return new JsonResponse(['checks' => array_map(static fn (Check $check): array => [
            'name' => $check->name, 'health' => $check->health->value, 'said' => $check->said,
        ], $this->checks->all())]);
    }

    /** For whoever has the token of the settings file; without one there is no such address. */
    public function metrics(Request $request): Response
    {
        $token = config('roster.metrics_token');
        if (! is_string($token) || $token === '' || ! hash_equals($token, (string) $request->bearerToken())) {
            throw new NotFoundHttpException();
        }

        return new Response(OpenMetrics::text($this->checks->all()), 200, ['Content-Type' => OpenMetrics::TYPE]);
    }
}
