<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Access\Scope;
use App\Models\Ability;
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
        // A program keeps no cookie: a session for each of its requests would only be a row that nobody asks for again.
        config(['session.driver' => $given === null ? config('session.kept_in') : 'array']);
        if ($given === null) {
            return $next($request);
        }
        $token = $this->tokens->find($given)
            ?? throw new AuthenticationException('That token is none of ours, or it has run out.');
        $request->attributes->set(self::TOKEN, $token->id);
        $this->scope->limitTo(Ability::from($token->scope));
        $this->guard->setUser($token->technician);

        $response = $next($request);
        foreach ($response->headers->getCookies() as $cookie) {
            $response->headers->removeCookie($cookie->getName(), $cookie->getPath(), $cookie->getDomain());
        }

        return $response;
    }
}
