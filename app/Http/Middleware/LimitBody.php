<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\HttpException;

/** No route of the API takes files yet; JSON of a megabyte is more than any screen sends. */
final class LimitBody
{
    public const MOST_BYTES = 1_000_000;

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        if (strlen($request->getContent()) > self::MOST_BYTES) {
            throw new HttpException(413);
        }

        return $next($request);
    }
}
