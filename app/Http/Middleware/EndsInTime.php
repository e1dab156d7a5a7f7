<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Nobody stays signed in for longer than a long working day, however often they come back. */
final readonly class EndsInTime
{
    public const SINCE = 'signed-in-at';

    private const MOST_SECONDS = 16 * 3600;

    public function __construct(private StatefulGuard $guard)
    {
    }

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        if ($request->attributes->has(SignInByToken::TOKEN) || ! $request->hasSession()) {
            return $next($request);
        }
        $since = $request->session()->get(self::SINCE);
        if (! is_int($since)) {
            $request->session()->put(self::SINCE, time());
        } elseif (time() - $since > self::MOST_SECONDS) {
            $this->guard->logout();
            $request->session()->invalidate();
            throw new AuthenticationException('You have been signed in for a long day. Sign in again.');
        }

        return $next($request);
    }
}
