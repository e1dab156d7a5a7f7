<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\HttpException;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Refuses what no field can hold, wherever it stands: bytes that are no text, the sign NUL, numbers without end. */
final class ReadableInput
{
    /** Whole numbers are kept exactly so far (2^53, as JSON is read everywhere). */
    private const MOST = 9_007_199_254_740_992;

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        if (! self::isText(rawurldecode($request->getPathInfo()))) {
            throw new NotFoundHttpException();
        }
        $body = $request->getContent();
        if (
            $body !== ''
            && $request->isJson()
            && json_decode($body, true) === null
            && json_last_error() !== JSON_ERROR_NONE
        ) {
            throw new HttpException(400, 'What was sent is not JSON: ' . lcfirst(json_last_error_msg()) . '.');
        }
        self::look($request->query->all(), '');
        if ($request->isJson()) {
            self::look($request->json()->all(), '');
        }

        return $next($request);
    }

    private static function look(mixed $value, string $path): void
    {
        if (is_array($value)) {
            foreach ($value as $field => $each) {
                if (! self::isText((string) $field)) {
                    throw ValidationException::withMessages(
                        [$path === '' ? 'body' : $path => 'A field here has a name that is no text.'],
                    );
                }
                self::look($each, $path === '' ? (string) $field : "{$path}.{$field}");
            }
        } elseif (is_string($value) && ! self::isText($value)) {
            throw ValidationException::withMessages([$path => 'This holds a sign that is no text. Type it again.']);
        } elseif (is_float($value) && (! is_finite($value) || abs($value) > self::MOST)) {
            throw ValidationException::withMessages([$path => 'This number is too large.']);
        } elseif (is_int($value) && abs($value) > self::MOST) {
            throw ValidationException::withMessages([$path => 'This number is too large.']);
        }
    }

    private static function isText(string $text): bool
    {
        return ! str_contains($text, "\0") && mb_check_encoding($text, 'UTF-8');
    }
}
