<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Feeds\CalendarFeeds;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The calendar of what is to come: its address for its technician, and its events for whoever has the address. */
final class FeedController extends Controller
{
    public function __construct(private readonly CalendarFeeds $feeds)
    {
    }

    public function show(Request $request): JsonResponse
    {
        $feed = $this->feeds->of($this->technician($request));

        return new JsonResponse([
            'madeAt' => $feed?->made_at->toAtomString(), 'readAt' => $feed?->read_at?->toAtomString(),
        ]);
    }

    public function store(Request $request): JsonResponse
    {
        return new JsonResponse(['address' => $this->feeds->make($this->technician($request))], 201);
    }

    public function destroy(Request $request): Response
    {
        $this->feeds->takeBack($this->technician($request));

        return new Response(status: 204);
    }

    public function read(string $code): Response
    {
        return new Response($this->feeds->read($code), 200, [
            'Content-Type' => 'text/calendar; charset=utf-8', 'Cache-Control' => 'private, no-store',
        ]);
    }
}
