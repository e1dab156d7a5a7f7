<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Books;
use App\Desk\WhichBook;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Telling;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Sentences\CallCompletion;
use Jaunty\Core\Sentences\CallSentence;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The call line: a sentence becomes a test call, and the test call a trace, on the edited book, the book or live. */
final class CallController extends Controller
{
    public function __construct(private readonly Books $books, private readonly Clock $clock)
    {
    }

    public function call(Request $request, string $customer): JsonResponse
    {
        /** @var array{sentence: string, in?: string} $given */
        $given = $request->validate(
            ['sentence' => ['required', 'string', 'max:2000'], 'in' => ['string', Rule::enum(WhichBook::class)]],
        );
        $technician = $this->technician($request)->id;
        $book = $this->books->of($technician, $customer, WhichBook::from($given['in'] ?? WhichBook::Edited->value))
            ?? throw new NotFoundHttpException();
        $script = CallSentence::read($given['sentence'], $book, $this->clock->now()->getTimestamp());
        $trace = Trace::of($book, Script::read($script, $book));

        return new JsonResponse([
            'script' => $script,
            'sentence' => CallSentence::write($script, $book),
            'telling' => Telling::of($trace)->toArray(),
            'trace' => $trace->toArray(),
        ]);
    }

    public function complete(Request $request, string $customer): JsonResponse
    {
        /** @var array{typed?: ?string} $given */
        $given = $request->validate(['typed' => ['nullable', 'string', 'max:2000']]);

        return new JsonResponse(['offers' => CallCompletion::of(
            $given['typed'] ?? '',
            $this->books->edited($this->technician($request)->id, $customer),
        )]);
    }
}
