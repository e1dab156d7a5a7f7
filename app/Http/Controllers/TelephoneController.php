<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\TelephoneResource;
use App\Telephones\TelephoneDesk;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Telephones of a customer: what models can do, which codes the switch takes, and which are there. */
final class TelephoneController extends Controller
{
    public function __construct(private readonly TelephoneDesk $desk)
    {
    }

    /** Asked every few seconds: where nothing changed the answer is that, and no more. */
    public function index(Request $request, string $customer): JsonResponse
    {
        $view = TelephoneResource::of($this->desk->view($this->technician($request)->id, $customer));
        $answer = new JsonResponse($view);
        $answer->setEtag(hash('xxh128', (string) json_encode(['readAt' => null] + $view)));
        $answer->isNotModified($request);

        return $answer;
    }

    public function secret(Request $request, string $customer, string $device): JsonResponse
    {
        $technician = $this->technician($request)->id;
        $this->desk->renewSecret($technician, $customer, $device);

        return new JsonResponse(TelephoneResource::of($this->desk->view($technician, $customer)));
    }
}
