<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Scope;
use App\Book\BookRepository;
use App\Book\Undo;
use App\Http\Resources\DraftResource;
use App\Models\Ability;
use App\Models\Revision;
use App\Models\TenantRow;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Change\Operation;

/** What was entered, by whom and why; and taking it back. */
final class RevisionController extends Controller
{
    private const MOST_SHOWN = 200;

    public function __construct(private readonly Scope $scope)
    {
    }

    public function index(Request $request, string $customer, BookRepository $books): JsonResponse
    {
        /** @var array{object?: ?string} $given */
        $given = $request->validate(['object' => ['nullable', 'string', 'max:200']]);
        $object = $given['object'] ?? null;

        return new JsonResponse($this->scope->tenant(
            $this->technician($request)->id,
            $customer,
            Ability::Read,
            static function (TenantRow $tenant) use ($books, $object): array {
                $book = $books->head($tenant->id);
                $revisions = Revision::query()->where('tenant_id', $tenant->id)->with('technician')->orderByDesc('no')
                    ->when($object !== null, static fn ($query) => $query->whereRaw(
                        'exists (select from json_array_elements(operations) operation where '
                            . 'operation ->> \'object\' = ?)',
                        [$object],
                    ))
                    ->limit(self::MOST_SHOWN)->get();

                return ['revisions' => $revisions->map(static fn (Revision $revision): array => [
                    'no' => $revision->no,
                    'source' => $revision->source,
                    'note' => $revision->note,
                    'undoes' => $revision->undoes,
                    'by' => $revision->technician->name,
                    'at' => $revision->entered_at->toAtomString(),
                    'changes' => array_values(array_map(
                        static fn (Operation $operation): array => DraftResource::change($operation, $book),
                        array_filter(
                            $revision->changes()->operations,
                            static fn (Operation $operation): bool => $object === null
                                || (string) $operation->object === $object,
                        ),
                    )),
                ])->values()->all()];
            },
        ));
    }

    public function undo(Request $request, string $customer, int $no, Undo $undo): JsonResponse
    {
        $technician = $this->technician($request);
        $revision = $this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Edit,
            static fn (TenantRow $tenant): Revision => $undo->revision($tenant, $technician->id, $no),
        );

        return new JsonResponse(['revision' => $revision->no], 201);
    }
}
