<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;

/** A browser proves that a request comes from our own page. A program has no cookies that another page could borrow. */
final class CheckOrigin extends ValidateCsrfToken
{
    /** @param \Illuminate\Http\Request $request */
    protected function inExceptArray($request): bool
    {
        return $request->attributes->has(SignInByToken::TOKEN) || parent::inExceptArray($request);
    }

    /**
     * @param \Illuminate\Http\Request $request
     * @param \Symfony\Component\HttpFoundation\Response $response
     */
    protected function addCookieToResponse($request, $response)
    {
        return $request->attributes->has(SignInByToken::TOKEN)
            ? $response
            : parent::addCookieToResponse($request, $response);
    }
}
