<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\PushResource;
use App\Models\Push;
use App\Models\PushStep;
use App\Push\PushDesk;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Pushes of one customer: asked for, looked at while they go on, stopped. */
final class PushController extends Controller
{
    public function __construct(private readonly PushDesk $desk)
    {
    }

    public function index(Request $request, string $customer): JsonResponse
    {
        $pushes = $this->desk->all($this->technician($request)->id, $customer);

        return new JsonResponse(['pushes' => array_map(
            static fn (array $push): array => PushResource::of(...$push),
            $pushes,
        )]);
    }

    public function show(Request $request, string $customer, string $push): JsonResponse
    {
        return self::told($this->desk->one($this->technician($request)->id, $customer, $push));
    }

    /** A push of the book as it stands, or of some fields and objects of it; it is carried out by a worker. */
    public function store(Request $request, string $customer): JsonResponse
    {
        /** @var array{only?: ?list<array{object: string, field?: ?string}>} $given */
        $given = $request->validate([
            'only' => ['nullable', 'array', 'min:1', 'max:500'],
            'only.*.object' => ['required', 'string', 'max:200'],
            'only.*.field' => ['nullable', 'string', 'max:100'],
        ]);
        $only = isset($given['only'])
            ? array_map(
                static fn (array $part): array => ['object' => $part['object'], 'field' => $part['field'] ?? null],
                $given['only'],
            )
            : null;

        return self::told($this->desk->begin($this->technician($request)->id, $customer, $only), 202);
    }

    public function stop(Request $request, string $customer, string $push): JsonResponse
    {
        return self::told($this->desk->halt($this->technician($request), $customer, $push));
    }

    /** @param ?array{Push, Collection<int, PushStep>} $push */
    private static function told(?array $push, int $status = 200): JsonResponse
    {
        return $push === null
            ? throw new NotFoundHttpException()
            : new JsonResponse(PushResource::of(...$push), $status);
    }
}
