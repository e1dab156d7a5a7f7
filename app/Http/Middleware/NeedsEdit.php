<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Access\Scope;
use App\Models\Ability;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * A token that may only read changes nothing, on whatever route: those that read by another method than GET say so
 * where they are listed.
 */
final readonly class NeedsEdit
{
    public function __construct(private Scope $scope)
    {
    }

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        if (! $request->isMethodSafe()) {
            $this->scope->requireWithin(Ability::Edit);
        }

        return $next($request);
    }
}
