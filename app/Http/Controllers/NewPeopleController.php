<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\NewPeopleDesk;
use App\Http\Problem\FieldFault;
use App\Http\Resources\AnswersResource;
use App\Http\Resources\SlotResource;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Templates\Batch;

/** People pasted at a customer that exists: how a list is read, and taking them into the draft. */
final class NewPeopleController extends Controller
{
    public function __construct(private readonly NewPeopleDesk $desk)
    {
    }

    /** A pasted block, or rows as they were mended: read anew, with what would be made of them. Nothing is kept. */
    public function read(Request $request, string $customer): JsonResponse
    {
        /**
         * @var array{text?: ?string, rows?: ?list<array<string, ?string>>,
         *     batch?: ?array{first?: ?string, count?: ?string, step?: ?string, name?: ?string}} $given
         */
        $given = $request->validate([
            'text' => ['nullable', 'string', 'max:2000000'], 'batch' => ['nullable', 'array'],
            'batch.*' => ['nullable', 'string', 'max:200'], ...self::rows('nullable'),
        ]);
        $batch = $given['batch'] ?? null;
        [$pasted, $rows, $people] = $this->desk->read(
            $this->technician($request)->id,
            $customer,
            $given['text'] ?? '',
            [...self::filled($given['rows'] ?? []), ...$batch === null ? [] : Batch::read(
                $batch['first'] ?? '',
                $batch['count'] ?? '',
                $batch['step'] ?? '',
                $batch['name'] ?? '',
            )->rows],
        );

        return new JsonResponse([
            'asked' => SlotResource::of($people->slot),
            'rows' => array_map(static fn (array $row): object => (object) $row, $rows),
            'unmatched' => $pasted->unmatched,
            'understood' => array_map(static fn (array $row): object => (object) $row, $people->understood),
            'readAs' => (object) $people->readAs,
            'faults' => array_map(
                static fn (FieldFault $fault): array => $fault->toArray(),
                AnswersResource::faults($people->faults),
            ),
            'makes' => $people->makes,
        ]);
    }

    public function store(Request $request, string $customer): JsonResponse
    {
        /** @var array{rows: list<array<string, ?string>>} $given */
        $given = $request->validate(self::rows('required'));
        [$taken, $pending] = $this->desk->take(
            $this->technician($request)->id,
            $customer,
            self::filled($given['rows']),
        );

        return new JsonResponse(['taken' => $taken, 'pending' => $pending]);
    }

    /**
     * @param  list<array<string, ?string>>  $rows
     * @return list<array<string, string>> without cells that are empty
     */
    private static function filled(array $rows): array
    {
        return array_map(
            static fn (array $row): array => array_filter(
                $row,
                static fn (?string $cell): bool => $cell !== null && $cell !== '',
            ),
            $rows,
        );
    }

    /** @return array<string, list<string>> */
    private static function rows(string $rule): array
    {
        return [
            'rows' => [$rule, 'array', 'list', 'max:5000'],
            'rows.*' => ['array', 'max:20'],
            'rows.*.*' => ['nullable', 'string', 'max:500'],
        ];
    }
}
