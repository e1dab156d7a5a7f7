<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Secrets\SecretDesk;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** PINs: which there are, making one, and showing it once. */
final class SecretController extends Controller
{
    public function __construct(private readonly SecretDesk $desk)
    {
    }

    public function index(Request $request, string $customer): JsonResponse
    {
        return new JsonResponse(['secrets' => $this->desk->known($this->technician($request)->id, $customer)]);
    }

    public function store(Request $request, string $customer): JsonResponse
    {
        /** @var array{object: string, value?: ?string} $given */
        $given = $request->validate(
            ['object' => ['required', 'string', 'max:200'], 'value' => ['nullable', 'string', 'max:40']],
        );
        $known = $this->desk->make(
            $this->technician($request)->id,
            $customer,
            $given['object'],
            $given['value'] ?? null,
        );

        return new JsonResponse(['secrets' => $known], 201);
    }

    public function reveal(Request $request, string $customer): JsonResponse
    {
        /** @var array{object: string} $given */
        $given = $request->validate(['object' => ['required', 'string', 'max:200']]);
        $value = $this->desk->reveal($this->technician($request)->id, $customer, $given['object']);

        return new JsonResponse(['value' => $value], headers: ['Cache-Control' => 'no-store']);
    }
}
