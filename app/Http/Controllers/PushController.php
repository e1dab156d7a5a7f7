<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Scope;
use App\Http\Resources\PushResource;
use App\Models\Ability;
use App\Models\Push;
use App\Models\PushStep;
use App\Models\TenantRow;
use App\Push\PushDesk;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Pushes: asked for, watched, stopped. */
final class PushController extends Controller
{
    private const MOST_SHOWN = 20;

    public function __construct(private readonly Scope $scope, private readonly PushDesk $desk)
    {
    }

    public function index(Request $request, string $customer): JsonResponse
    {
        return new JsonResponse($this->scope->tenant(
            $this->technician($request)->id,
            $customer,
            Ability::Read,
            static function (TenantRow $tenant): array {
                $pushes = Push::query()->where('tenant_id', $tenant->id)
                    ->with('technician')
                    ->orderByDesc('serial')
                    ->limit(self::MOST_SHOWN)
                    ->get();
                $steps = PushStep::query()->where('tenant_id', $tenant->id)->whereIn(
                    'push_id',
                    $pushes->pluck('id'),
                )->orderBy('position')->get()->groupBy('push_id');

                return [
                    'pushes' => $pushes
                    ->map(static fn (Push $push): array => PushResource::of($push, $steps->get($push->id, collect())))
                    ->values()
                    ->all(),
                ];
            },
        ));
    }

    public function show(Request $request, string $customer, string $push): JsonResponse
    {
        return new JsonResponse($this->scope->tenant(
            $this->technician($request)->id,
            $customer,
            Ability::Read,
            static fn (TenantRow $tenant): array => self::one($tenant, self::find($tenant, $push)),
        ));
    }

    public function store(Request $request, string $customer): JsonResponse
    {
        $technician = $this->technician($request);
        /** @var array{only?: ?list<array{object: string, field?: ?string}>} $given */
        $given = $request->validate([
            'only' => ['nullable', 'array', 'list', 'min:1', 'max:1000'],
            'only.*.object' => ['required', 'string', 'max:200'],
            'only.*.field' => ['nullable', 'string', 'max:100'],
        ]);
        $only = isset($given['only'])
            ? array_map(
                static fn (array $part): array => ['object' => $part['object'], 'field' => $part['field'] ?? null],
                $given['only'],
            )
            : null;

        return new JsonResponse($this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Push,
            fn (TenantRow $tenant): array => self::one($tenant, $this->desk->ask($tenant, $technician->id, $only)),
        ), 202);
    }

    public function stop(Request $request, string $customer, string $push): JsonResponse
    {
        $technician = $this->technician($request);

        return new JsonResponse($this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Push,
            function (TenantRow $tenant) use ($push, $technician): array {
                $this->desk->stop(self::find($tenant, $push), $technician->name);

                return self::one($tenant, self::find($tenant, $push));
            },
        ));
    }

    private static function find(TenantRow $tenant, string $id): Push
    {
        return Push::query()->where('tenant_id', $tenant->id)->whereKey($id)->with('technician')->first()
            ?? throw new NotFoundHttpException();
    }

    /** @return array<string, mixed> */
    private static function one(TenantRow $tenant, Push $push): array
    {
        return PushResource::of(
            $push,
            PushStep::query()->where('tenant_id', $tenant->id)->where('push_id', $push->id)->orderBy('position')->get(),
        );
    }
}
