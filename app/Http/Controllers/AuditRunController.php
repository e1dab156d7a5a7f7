<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Fleet\AuditRunDesk;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Audits of every customer granted: begun, looked at while they go on, stopped and gone on with. */
final class AuditRunController extends Controller
{
    public function __construct(private readonly AuditRunDesk $desk)
    {
    }

    public function show(Request $request): JsonResponse
    {
        return new JsonResponse(['run' => $this->desk->latest($this->technician($request)->id)]);
    }

    public function progress(Request $request): JsonResponse
    {
        return new JsonResponse(['progress' => $this->desk->progress($this->technician($request)->id)]);
    }

    public function store(Request $request): JsonResponse
    {
        return new JsonResponse(['run' => $this->desk->begin($this->technician($request)->id)], 202);
    }

    public function stop(Request $request, string $audit): JsonResponse
    {
        return self::told($this->desk->stop($this->technician($request)->id, $audit));
    }

    public function resume(Request $request, string $audit): JsonResponse
    {
        return self::told($this->desk->resume($this->technician($request)->id, $audit));
    }

    /** @param array{bool, ?array<string, mixed>} $changed */
    private static function told(array $changed): JsonResponse
    {
        return $changed[0] ? new JsonResponse(['run' => $changed[1]]) : throw new NotFoundHttpException();
    }
}
