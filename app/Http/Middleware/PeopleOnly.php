<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Access\AccessDenied;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Sessions, second factors and tokens are dealt with by people: a token that leaked must not make another. */
final class PeopleOnly
{
    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        return $request->attributes->has(SignInByToken::TOKEN) ? throw AccessDenied::peopleOnly() : $next($request);
    }
}
