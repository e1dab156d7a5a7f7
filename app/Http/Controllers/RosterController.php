<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Fleet\RosterDesk;
use App\Http\Resources\RosterResource;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Every customer granted to the technician, a line each. */
final class RosterController extends Controller
{
    public function __construct(private readonly RosterDesk $desk)
    {
    }

    public function index(Request $request): JsonResponse
    {
        return JsonResponse::fromJsonString(RosterResource::json($this->desk->rows($this->technician($request)->id)));
    }
}
