<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Access\Ability;
use App\Access\Scope;
use App\Security\ApiTokens;
use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** A program signs in with each request, by a token that names a technician and the most it may do. */
final readonly class SignInByToken
{
    /** Set on a request that came with a good token: its id. */
    public const TOKEN = 'roster.token';

    public function __construct(private ApiTokens $tokens, private Scope $scope, private StatefulGuard $guard)
    {
    }

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $given = $request->bearerToken();
        $this->scope->limitTo(null);
        if ($given === null) {
            return $next($request);
        }
        $token = $this->tokens->find($given) ?? throw new AuthenticationException('That token is none of ours, or it has run out.');
        $request->attributes->set(self::TOKEN, $token->id);
        $this->scope->limitTo(Ability::from($token->scope));
        $this->guard->setUser($token->technician);

        return $next($request);
    }
}
