<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Headers on every answer. Everything the page loads ships with it, so nothing from elsewhere and nothing inline is
 * allowed.
 */
final class SecurityHeaders
{
    private const HEADERS = [
        'Content-Security-Policy' => "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; "
            . "img-src 'self' data:; connect-src 'self'; media-src 'self'; form-action 'self'; base-uri 'none'; "
            . "frame-ancestors 'none'",
        'X-Content-Type-Options' => 'nosniff',
        'X-Frame-Options' => 'DENY',
        'Referrer-Policy' => 'same-origin',
        'Permissions-Policy' => 'camera=(), geolocation=(), microphone=(self)',
        'Cross-Origin-Opener-Policy' => 'same-origin',
        'Cross-Origin-Resource-Policy' => 'same-origin',
    ];

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        foreach (self::HEADERS as $name => $value) {
            $response->headers->set($name, $value);
        }
        if ($request->is('api/*')) {
            $response->headers->set('Cache-Control', 'no-store, private');
        }
        $response->headers->remove('X-Powered-By');

        return $response;
    }
}
