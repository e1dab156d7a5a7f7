<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Books;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Promise;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\OneCall\Keeping;
use Jaunty\Core\Calls\OneCall\Telling;
use Jaunty\Core\Calls\Year\CallMap;
use Jaunty\Core\Calls\Year\ProofTable;
use Jaunty\Core\Calls\Year\Run;
use Jaunty\Core\Calls\Year\Survey;
use Jaunty\Core\Sentences\CallSentence;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What callers can get at any minute of the year, and whether what was promised holds, on the edited book. */
final class ProofController extends Controller
{
    public function __construct(private readonly Books $books, private readonly Clock $clock)
    {
    }

    public function show(Request $request, string $customer): JsonResponse
    {
        $book = $this->books->edited($this->technician($request)->id, $customer);
        $survey = $this->survey($book);

        return new JsonResponse([
            'isComplete' => array_filter(
                $survey->runs,
                static fn (Run $run): bool => ! $run->explored->isComplete,
            ) === [],
            'cells' => ProofTable::of($survey)->cells,
            'promises' => array_map(
                static fn (Promise $promise): array => self::promise($book, $promise),
                $book->all(Promise::class),
            ),
        ]);
    }

    /** Where calls of one run can go, for drawing. */
    public function map(Request $request, string $customer, int $run): JsonResponse
    {
        $found = $this->survey($this->books->edited($this->technician($request)->id, $customer))->runs[$run]
            ?? throw new NotFoundHttpException();
        $map = CallMap::of($found);

        return new JsonResponse(['nodes' => $map->nodes, 'arrows' => $map->arrows]);
    }

    /** The shortest call of a run that comes to an end. */
    public function call(Request $request, string $customer, int $run): JsonResponse
    {
        /** @var array{end: string} $given */
        $given = $request->validate(['end' => ['required', 'string', 'max:200']]);
        $book = $this->books->edited($this->technician($request)->id, $customer);
        $survey = $this->survey($book);
        $found = $survey->runs[$run] ?? throw new NotFoundHttpException();
        $script = str_starts_with($given['end'], 'loop ')
            ? ['to' => $found->number, 'at' => gmdate('Y-m-d\TH:i:s\Z', $survey->firstInstant($found))]
            : $survey->shortestCall($found, $given['end']);

        return new JsonResponse(['sentence' => $script === null ? null : CallSentence::write($script, $book)]);
    }

    private function survey(Book $book): Survey
    {
        return (new Inspection($book, $this->clock->now()->getTimestamp()))->survey();
    }

    /** @return array<string, mixed> */
    private static function promise(Book $book, Promise $promise): array
    {
        $keeping = Keeping::of($book, $promise);

        return [
            'ref' => (string) Reference::of($promise),
            'text' => $promise->text,
            'sentence' => CallSentence::write($promise->call, $book),
            'expect' => $promise->expect,
            'isKept' => $keeping->isKept,
            'reason' => $keeping->reason,
            'telling' => $keeping->trace === null ? null : Telling::of($keeping->trace)->toArray(),
        ];
    }
}
