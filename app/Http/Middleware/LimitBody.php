<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\HttpException;

/** JSON of a megabyte is more than any screen sends; recordings and whole books are files. */
final class LimitBody
{
    public const MOST_BYTES = 1_000_000;

    /** Ten minutes of sixteen bits at 16 kHz. */
    public const MOST_BYTES_OF_SOUND = 20_000_000;

    /** Papers and plans may have ten; whatever is a little more is told so by whoever takes them. */
    public const MOST_BYTES_OF_FILE = 11_000_000;

    /** A book of 8,000 users, the most that a worker has memory to look through. */
    public const MOST_BYTES_OF_BOOK = 4_000_000;

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $most = match (true) {
            $request->is('api/customers/*/prompts/*/recordings') => self::MOST_BYTES_OF_SOUND,
            $request->is('api/customers/*/ports/*/papers'), $request->is('api/customers/*/sites/*/plans')
                => self::MOST_BYTES_OF_FILE,
            $request->is('api/taking-on/book') => self::MOST_BYTES_OF_BOOK,
            default => self::MOST_BYTES,
        };
        if (strlen($request->getContent()) > $most) {
            throw new HttpException(413);
        }

        return $next($request);
    }
}
