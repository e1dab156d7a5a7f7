<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Books;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Callers;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Calls\AllCalls\WaysHere;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\NumberRules;
use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Numbering\UnusableNumber;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Which numbers lead to an object and where it leads on, who would be lost without a number, whom one lets through. */
final class LeadsController extends Controller
{
    public function __construct(private readonly Books $books, private readonly Clock $clock)
    {
    }

    public function show(Request $request, string $customer): JsonResponse
    {
        /** @var array{object: string} $given */
        $given = $request->validate(['object' => ['required', 'string', 'max:200']]);
        $book = $this->books->edited($this->technician($request)->id, $customer);
        try {
            $reference = Reference::parse($given['object']);
        } catch (UnusableBook) {
            throw ValidationException::withMessages(['object' => 'This names nothing in the book.']);
        }
        $object = $book->find($reference)
            ?? throw ValidationException::withMessages(['object' => 'This names nothing in the book.']);
        $refs = static fn (array $objects): array => array_map(
            static fn (BookObject $each): string => (string) Reference::of($each),
            $objects,
        );

        return new JsonResponse([
            'numbers' => array_map(static fn (array $way): array => [
                'number' => (string) Reference::of($way['number']), 'by' => $way['by'],
                'through' => $refs($way['through']),
            ], WaysHere::to($book, $reference)),
            'onward' => $refs(WaysHere::from($book, $object)),
            'lost' => $object instanceof Number ? $refs(WaysHere::lostWithout($book, $object)) : [],
        ]);
    }

    /** Where a caller of a number comes to first. */
    public function caller(Request $request, string $customer, string $number): JsonResponse
    {
        /** @var array{from: string} $given */
        $given = $request->validate(
            ['from' => ['required', 'string', 'max:60']],
            ['from.required' => 'Type the number of a caller.'],
        );
        $book = $this->books->edited($this->technician($request)->id, $customer);
        $found = $book->find(Reference::to(Kind::Number, $number));
        if (! $found instanceof Number) {
            throw new NotFoundHttpException();
        }
        $from = self::from($book, $given['from']);
        $event = (new NumberRules(CallBook::open($book), $this->clock->now()->getTimestamp()))
            ->forCaller($found, $from);

        return new JsonResponse([
            'from' => $from === Callers::WITHHELD ? $from : E164::parse($from)->display(),
            'verdict' => $event->kind->value, 'rule' => $event->detail === '' ? null : $event->detail,
        ]);
    }

    private static function from(Book $book, string $typed): string
    {
        if (mb_strtolower(trim($typed)) === Callers::WITHHELD) {
            return Callers::WITHHELD;
        }
        try {
            return (string) E164::parse($typed, $book->tenant->region);
        } catch (UnusableNumber $fault) {
            throw ValidationException::withMessages(['from' => $fault->getMessage()]);
        }
    }
}
