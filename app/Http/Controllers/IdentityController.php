<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\CallerIdentity\IdentityDesk;
use App\Http\Resources\IdentityResource;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Which numbers a customer may show, what the network says beside them, and how far they are vouched for. */
final class IdentityController extends Controller
{
    public function __construct(private readonly IdentityDesk $desk)
    {
    }

    public function show(Request $request, string $customer): JsonResponse
    {
        return new JsonResponse(IdentityResource::of($this->desk->of($this->technician($request)->id, $customer)));
    }

    public function read(Request $request, string $customer): JsonResponse
    {
        return new JsonResponse(IdentityResource::of($this->desk->read($this->technician($request)->id, $customer)));
    }

    public function call(Request $request, string $customer): JsonResponse
    {
        /** @var array{number: string} $given */
        $given = $request->validate(
            ['number' => ['required', 'string', 'max:60']],
            ['number.required' => 'Say which number.'],
        );

        return new JsonResponse(IdentityResource::of(
            $this->desk->call($this->technician($request)->id, $customer, $given['number']),
        ), 201);
    }

    public function check(Request $request, string $customer, string $number): JsonResponse
    {
        /** @var array{code: string} $given */
        $given = $request->validate(
            ['code' => ['required', 'string', 'regex:/^[0-9 ]{4,12}$/D']],
            ['code.required' => 'Type the code that was spoken.', 'code.regex' => 'A code is a few digits.'],
        );

        return new JsonResponse(IdentityResource::of($this->desk->check(
            $this->technician($request)->id,
            $customer,
            $number,
            str_replace(' ', '', $given['code']),
        )));
    }

    public function forget(Request $request, string $customer, string $number): JsonResponse
    {
        return new JsonResponse(IdentityResource::of(
            $this->desk->forget($this->technician($request)->id, $customer, $number),
        ));
    }

    public function name(Request $request, string $customer, string $number): JsonResponse
    {
        return new JsonResponse(IdentityResource::of(
            $this->desk->fileName($this->technician($request)->id, $customer, $number),
        ));
    }

    public function texting(Request $request, string $customer, string $number): JsonResponse
    {
        /** @var array{sender: string, purpose: string} $given */
        $given = $request->validate([
            'sender' => ['required', 'string', 'max:100'], 'purpose' => ['required', 'string', 'max:200'],
        ], ['sender.required' => 'Say who sends them.', 'purpose.required' => 'Say what they are for.']);

        return new JsonResponse(IdentityResource::of($this->desk->fileTexting(
            $this->technician($request)->id,
            $customer,
            $number,
            $given['sender'],
            $given['purpose'],
        )));
    }
}
