<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\TelephoneResource;
use App\Telephones\TelephoneDesk;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Telephones of a customer: what models can do, which codes the switch takes. */
final class TelephoneController extends Controller
{
    public function index(Request $request, TelephoneDesk $desk, string $customer): JsonResponse
    {
        return new JsonResponse(TelephoneResource::of($desk->view($this->technician($request)->id, $customer)));
    }
}
