<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Books;
use App\Desk\MarginDesk;
use App\Http\Resources\MarginResource;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Calls\OneCall\Telling;
use Jaunty\Core\Calls\Year\RightNow;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What the desk says beside the sheet: findings on the edited book, its week, and what a caller gets right now. */
final class MarginController extends Controller
{
    public function __construct(
        private readonly MarginDesk $desk,
        private readonly Books $books,
        private readonly Clock $clock,
    ) {
    }

    public function show(Request $request, string $customer): JsonResponse
    {
        return new JsonResponse(
            MarginResource::of($this->desk->margin($this->technician($request)->id, $customer)),
        );
    }

    public function waive(Request $request, string $customer): JsonResponse
    {
        /** @var array{fingerprint: string, reason: string, until?: ?string} $given */
        $given = $request->validate([
            'fingerprint' => ['required', 'string', 'max:64'],
            'reason' => ['required', 'string', 'max:500'],
            'until' => ['bail', 'nullable', 'string', 'date_format:Y-m-d'],
        ]);

        return new JsonResponse(MarginResource::of($this->desk->waive(
            $this->technician($request)->id,
            $customer,
            $given['fingerprint'],
            $given['reason'],
            $given['until'] ?? null,
        )), 201);
    }

    public function takeWaiverBack(Request $request, string $customer, string $waiver): JsonResponse
    {
        $margin = $this->desk->takeBack($this->technician($request)->id, $customer, $waiver);

        return $margin === null
            ? throw new NotFoundHttpException()
            : new JsonResponse(MarginResource::of($margin));
    }

    public function now(Request $request, string $customer): JsonResponse
    {
        [$book, $live, $readAt] = $this->books->enteredAndLive($this->technician($request)->id, $customer);
        $said = $this->rightNow($book);

        return new JsonResponse([
            'book' => $said,
            'live' => $live === null ? null : ($live->tenant->mainNumber === null ? null : $this->rightNow($live)),
            'readAt' => $readAt,
        ]);
    }

    /** @return ?array<string, mixed> */
    private function rightNow(Book $book): ?array
    {
        $now = RightNow::of($book, $this->clock->now()->getTimestamp());

        return $now === null ? null : [
            'number' => $now->number,
            'telling' => $now->telling->toArray(),
            'until' => $now->until === null ? null : gmdate(\DateTimeInterface::ATOM, $now->until),
            'next' => $now->next instanceof Telling ? $now->next->toArray() : null,
        ];
    }
}
