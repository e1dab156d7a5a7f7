<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Scope;
use App\Models\Ability;
use App\Models\TenantRow;
use App\Secrets\SecretKeeper;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** PINs: which there are, making one, and showing it once. */
final class SecretController extends Controller
{
    public function __construct(private readonly Scope $scope, private readonly SecretKeeper $secrets)
    {
    }

    public function index(Request $request, string $customer): JsonResponse
    {
        $technician = $this->technician($request);

        return new JsonResponse(['secrets' => $this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): array => $this->secrets->known($tenant, $technician->id),
        )]);
    }

    public function store(Request $request, string $customer): JsonResponse
    {
        $technician = $this->technician($request);
        /** @var array{object: string, value?: ?string} $given */
        $given = $request->validate(
            ['object' => ['required', 'string', 'max:200'], 'value' => ['nullable', 'string', 'max:40']],
        );

        return new JsonResponse(['secrets' => $this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technician, $given): array {
                $this->secrets->make($tenant, $technician->id, $given['object'], $given['value'] ?? null);

                return $this->secrets->known($tenant, $technician->id);
            },
        )], 201);
    }

    public function reveal(Request $request, string $customer): JsonResponse
    {
        $technician = $this->technician($request);
        /** @var array{object: string} $given */
        $given = $request->validate(['object' => ['required', 'string', 'max:200']]);
        $value = $this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Edit,
            fn (TenantRow $tenant): string => $this->secrets->reveal($tenant, $technician->id, $given['object']),
        );

        return new JsonResponse(['value' => $value], headers: ['Cache-Control' => 'no-store']);
    }
}
