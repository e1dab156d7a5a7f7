<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Scope;
use App\Book\DraftDesk;
use App\Http\Problem\FieldFault;
use App\Http\Resources\AnswersResource;
use App\Http\Resources\SlotResource;
use App\Models\Ability;
use App\Models\TenantRow;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Hours\ZoneClock;
use Jaunty\Core\Templates\NewPeople;
use Jaunty\Core\Templates\PastedTable;
use Jaunty\Core\Templates\UnusableAnswers;

/** People pasted at a customer that exists: how a list is read, and taking them into the draft. */
final class NewPeopleController extends Controller
{
    public function __construct(
        private readonly Scope $scope,
        private readonly DraftDesk $drafts,
        private readonly Clock $clock,
    ) {
    }

    /** A pasted block, or rows as they were mended: read anew, with what would be made of them. Nothing is kept. */
    public function read(Request $request, string $customer): JsonResponse
    {
        $technician = $this->technician($request);
        /** @var array{text?: ?string, rows?: ?list<array<string, ?string>>} $given */
        $given = $request->validate(['text' => ['nullable', 'string', 'max:2000000'], ...self::rows('nullable')]);
        $book = $this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): Book => $this->drafts->view($tenant, $technician->id)->edited,
        );
        $pasted = PastedTable::read($given['text'] ?? '', NewPeople::table($book));
        $rows = [...self::filled($given['rows'] ?? []), ...$pasted->rows];
        $people = $this->people($book, $rows);

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

    /** All of them into the draft, or none. */
    public function store(Request $request, string $customer): JsonResponse
    {
        $technician = $this->technician($request);
        /** @var array{rows: list<array<string, ?string>>} $given */
        $given = $request->validate(self::rows('required'));

        return new JsonResponse($this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technician, $given): array {
                $people = $this->people(
                    $this->drafts->view($tenant, $technician->id)->edited,
                    self::filled($given['rows']),
                );
                if ($people->faults !== []) {
                    throw new UnusableAnswers($people->faults);
                }
                $view = $this->drafts->propose($tenant, $technician->id, ChangeSet::of(...$people->operations), null);

                return ['taken' => count($people->makes), 'pending' => count($view->changes->operations)];
            },
        ));
    }

    /** @param list<array<string, string>> $rows */
    private function people(Book $book, array $rows): NewPeople
    {
        return NewPeople::read($book, $rows, ZoneClock::of($book->tenant->zone)->day(
            $this->clock->now()->getTimestamp(),
        ));
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
