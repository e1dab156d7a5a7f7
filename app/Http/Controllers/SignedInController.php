<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Activity\ActivityLog;
use App\Security\SignedIn;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Where one is signed in, and signing out everywhere else. */
final class SignedInController extends Controller
{
    public function __construct(private readonly SignedIn $signedIn)
    {
    }

    public function index(Request $request): JsonResponse
    {
        return new JsonResponse(
            ['sessions' => $this->signedIn->of($this->technician($request), $request->session()->getId())],
        );
    }

    public function endOne(Request $request, ActivityLog $log, string $session): Response
    {
        $technician = $this->technician($request);
        if (! $this->signedIn->endOne($technician, $session)) {
            throw new NotFoundHttpException();
        }
        $log->note($technician->id, 'ended one of their sign-ins');

        return new Response(status: 204);
    }

    public function endOthers(Request $request, ActivityLog $log): JsonResponse
    {
        $technician = $this->technician($request);
        $ended = $this->signedIn->endOthers($technician, $request->session()->getId());
        $log->note($technician->id, 'signed out everywhere else');

        return new JsonResponse(['ended' => $ended]);
    }
}
