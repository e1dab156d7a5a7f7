<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\House\House;
use App\Http\Resources\ActivityResource;
use App\Log\ActivityDesk;
use App\Log\Sought;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;

/** What was done, by whom: in pages, as a file, and as much of it as a customer may be given. */
final class ActivityController extends Controller
{
    public function __construct(private readonly ActivityDesk $desk, private readonly House $house)
    {
    }

    public function index(Request $request): JsonResponse
    {
        $technician = $this->technician($request);
        [$entries, $next] = $this->desk->page($technician->id, $this->sought($request));

        return new JsonResponse(ActivityResource::page($entries, $next, $this->desk->choices($technician->id)));
    }

    public function csv(Request $request): Response
    {
        $entries = $this->desk->file($this->technician($request)->id, $this->sought($request));

        return new Response(ActivityResource::csv($entries, $this->house->settings()->zone), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="activity.csv"',
        ]);
    }

    public function extract(Request $request, string $customer): JsonResponse
    {
        [$tenant, $entries] = $this->desk->extract(
            $this->technician($request)->id,
            $customer,
            $this->sought($request, $customer),
        );

        return new JsonResponse(ActivityResource::extract($tenant, $entries, $this->house->settings()));
    }

    private function sought(Request $request, ?string $customer = null): Sought
    {
        /**
         * @var array{customer?: ?string, who?: ?string, what?: ?string, from?: ?string, until?: ?string,
         *     words?: ?string, before?: int|string|null} $said
         */
        $said = $request->validate([
            'customer' => ['sometimes', 'nullable', 'string', 'max:200'],
            'who' => ['sometimes', 'nullable', 'string', 'max:200'],
            'what' => ['sometimes', 'nullable', 'string', 'max:200'],
            'from' => ['bail', 'sometimes', 'nullable', 'string', 'date_format:Y-m-d'],
            'until' => ['bail', 'sometimes', 'nullable', 'string', 'date_format:Y-m-d'],
            'words' => ['sometimes', 'nullable', 'string', 'max:200'],
            'before' => ['sometimes', 'nullable', 'integer', 'min:1'],
        ], [
            'from.date_format' => 'A date is wanted, such as 2026-12-31.',
            'until.date_format' => 'A date is wanted, such as 2026-12-31.',
        ]);
        if (isset($said['from'], $said['until']) && $said['from'] > $said['until']) {
            throw ValidationException::withMessages(['until' => 'It would end before it begins.']);
        }
        // Days are those of the reseller's own clock.
        $zone = new \DateTimeZone($this->house->settings()->zone);

        return new Sought(
            $customer ?? $said['customer'] ?? null,
            $said['who'] ?? null,
            $said['what'] ?? null,
            isset($said['from']) ? self::inUtc("{$said['from']} 00:00:00", $zone) : null,
            isset($said['until']) ? self::inUtc("{$said['until']} 00:00:00 +1 day", $zone) : null,
            $said['words'] ?? null,
            isset($said['before']) ? (int) $said['before'] : null,
        );
    }
}
