<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Ability;
use App\Models\ApiToken;
use App\Security\ApiTokens;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;

/** A technician's own tokens for programs. */
final class ApiTokenController extends Controller
{
    public function __construct(private readonly ApiTokens $tokens)
    {
    }

    public function index(Request $request): JsonResponse
    {
        $tokens = $this->tokens->all($this->technician($request));

        return new JsonResponse(['tokens' => array_map(self::shown(...), $tokens)]);
    }

    public function store(Request $request): JsonResponse
    {
        /** @var array{name: string, scope: string, days?: ?int} $given */
        $given = $request->validate([
            'name' => ['required', 'string', 'max:80'],
            'scope' => ['required', Rule::in(['read', 'edit', 'push'])],
            'days' => ['bail', 'nullable', 'integer:strict', 'min:1', 'max:3650'],
        ]);
        [$row, $token] = $this->tokens->make(
            $this->technician($request),
            $given['name'],
            Ability::from($given['scope']),
            $given['days'] ?? null,
        );

        return new JsonResponse(self::shown($row) + ['token' => $token], 201);
    }

    public function destroy(Request $request, string $token): Response
    {
        $this->tokens->takeBack($this->technician($request), $token);

        return new Response(status: 204);
    }

    /** @return array<string, ?string> */
    private static function shown(ApiToken $token): array
    {
        return [
            'id' => $token->id, 'name' => $token->name, 'scope' => $token->scope,
            'madeAt' => $token->made_at->toAtomString(),
            'until' => $token->until?->toAtomString(), 'lastUsedAt' => $token->last_used_at?->toAtomString(),
        ];
    }
}
