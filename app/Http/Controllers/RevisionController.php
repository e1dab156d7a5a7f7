<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Book\RevisionDesk;
use App\Http\Resources\RevisionResource;
use App\Models\Revision;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What was entered, by whom and why; and taking it back. */
final class RevisionController extends Controller
{
    public function __construct(private readonly RevisionDesk $desk)
    {
    }

    public function index(Request $request, string $customer): JsonResponse
    {
        /** @var array{object?: ?string} $given */
        $given = $request->validate(['object' => ['nullable', 'string', 'max:200']]);
        $object = $given['object'] ?? null;
        [$book, $revisions] = $this->desk->all($this->technician($request)->id, $customer, $object);

        return new JsonResponse(['revisions' => array_map(
            static fn (Revision $revision): array => RevisionResource::of($revision, $book, $object),
            $revisions,
        )]);
    }

    public function undo(Request $request, string $customer, int $no): JsonResponse
    {
        $revision = $this->desk->undo($this->technician($request)->id, $customer, $no);

        return new JsonResponse(['revision' => $revision->no], 201);
    }
}
