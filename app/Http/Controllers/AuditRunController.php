<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Scope;
use App\Audit\AuditReason;
use App\Fleet\AuditRuns;
use App\Models\AuditRun;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Audits of every customer granted: begun, looked at while they go on, stopped and gone on with. */
final class AuditRunController extends Controller
{
    public function __construct(private readonly Scope $scope, private readonly AuditRuns $runs)
    {
    }

    /** The last one, whoever's night it was. */
    public function show(Request $request): JsonResponse
    {
        $technician = $this->technician($request)->id;

        return new JsonResponse(
            ['run' => $this->scope->technician($technician, fn (): ?array => $this->runs->latest($technician))],
        );
    }

    /** How far it is: what is asked again every second. */
    public function progress(Request $request): JsonResponse
    {
        $technician = $this->technician($request)->id;

        return new JsonResponse(
            ['progress' => $this->scope->technician($technician, fn (): ?array => $this->runs->progress($technician))],
        );
    }

    public function store(Request $request): JsonResponse
    {
        $technician = $this->technician($request)->id;

        return new JsonResponse(['run' => $this->scope->technician($technician, function () use ($technician): ?array {
            $this->runs->begin($technician, AuditReason::Asked);

            return $this->runs->latest($technician);
        })], 202);
    }

    public function stop(Request $request, string $audit): JsonResponse
    {
        return $this->change($request, $audit, $this->runs->stop(...));
    }

    public function resume(Request $request, string $audit): JsonResponse
    {
        return $this->change($request, $audit, $this->runs->resume(...));
    }

    /** @param callable(AuditRun): void $how */
    private function change(Request $request, string $audit, callable $how): JsonResponse
    {
        $technician = $this->technician($request)->id;

        return new JsonResponse(
            ['run' => $this->scope->technician($technician, function () use ($technician, $audit, $how): ?array {
                $how(
                    AuditRun::query()->whereKey($audit)->where('technician_id', $technician)->first()
                    ?? throw new NotFoundHttpException(),
                );

                return $this->runs->latest($technician);
            })],
        );
    }
}
