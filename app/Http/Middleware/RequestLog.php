<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Technician;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Log;
use Symfony\Component\HttpFoundation\Response;

/**
 * A line of the log for each request, and a number that goes with everything said while it is worked at. By its route,
 * never by its address or body: those hold customers' numbers, codes of letters, passwords.
 */
final class RequestLog
{
    private const HEADER = 'X-Request-Id';

    private const BYTES = 8;

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $id = bin2hex(random_bytes(self::BYTES));
        $began = hrtime(true);
        Log::withContext(['request' => $id]);
        $response = $next($request);
        $response->headers->set(self::HEADER, $id);
        $technician = $request->user();
        Log::info('request', [
            'method' => $request->method(), 'route' => $request->route()?->uri() ?? '-',
            'status' => $response->getStatusCode(), 'ms' => intdiv(hrtime(true) - $began, 1_000_000),
            'technician' => $technician instanceof Technician ? $technician->id : null,
        ]);

        return $response;
    }
}
