<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Books;
use App\Http\Resources\MarginResource;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Calls\RightNow;
use Jaunty\Core\Calls\Telling;

/** What the desk says beside the sheet: findings on the edited book, its week, and what a caller gets right now. */
final class MarginController extends Controller
{
    public function __construct(private readonly Books $books, private readonly Clock $clock)
    {
    }

    public function show(Request $request, string $customer): JsonResponse
    {
        return new JsonResponse(MarginResource::of($this->books->edited($this->technician($request)->id, $customer), $this->clock->now()->getTimestamp()));
    }

    public function now(Request $request, string $customer): JsonResponse
    {
        [$book, $live, $readAt] = $this->books->enteredAndLive($this->technician($request)->id, $customer);
        $said = $this->rightNow($book);

        return new JsonResponse(['book' => $said, 'live' => $live === null ? null : ($live->tenant->mainNumber === null ? null : $this->rightNow($live)), 'readAt' => $readAt]);
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
