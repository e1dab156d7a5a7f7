<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\CallerIdentity\IdentityDesk;
use App\Desk\Books;
use App\Desk\WhichBook;
use App\Http\Resources\IdentityResource;
use App\Http\Resources\OutboundResource;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\UnusableScript;
use Jaunty\Core\Outbound\DialPlan;
use Jaunty\Core\Outbound\DigitChoices;
use Jaunty\Core\Outbound\Origin;
use Jaunty\Core\Outbound\Sender;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What goes out, by which route, and why not: claims about routes, a table of samples, and the dial tester. */
final class OutboundController extends Controller
{
    public function __construct(private readonly Books $books, private readonly Clock $clock)
    {
    }

    public function show(Request $request, string $customer): JsonResponse
    {
        /** @var array{at?: ?string} $given */
        $given = $request->validate(['at' => ['nullable', 'string', 'max:40']]);
        $book = $this->books->edited($this->technician($request)->id, $customer);

        return new JsonResponse(OutboundResource::of($book, $this->instant($book, $given['at'] ?? null)));
    }

    public function dial(Request $request, IdentityDesk $identity, string $customer): JsonResponse
    {
        /**
         * @var array{who: string, digits: string, at?: ?string, full?: ?list<string>, shows?: ?string, led?: ?string,
         *     in?: string} $given
         */
        $given = $request->validate(
            [
                'who' => ['required', 'string', 'max:200'],
                'digits' => ['required', 'string', 'regex:/^[0-9*#]{1,40}$/D'],
                'at' => ['nullable', 'string', 'max:40'],
                'led' => ['nullable', 'in:inside,outside'],
                'full' => ['nullable', 'array', 'max:100'],
                'full.*' => ['string', 'max:200'],
                'shows' => ['nullable', 'string', 'max:200'],
                'in' => ['string', Rule::enum(WhichBook::class)],
            ],
            [
                'digits.regex' => 'Only digits, * and # can be dialled.',
                'digits.required' => 'Type what is dialled.',
                'who.required' => 'Say who dials.',
            ],
        );
        $book = $this->books->of($this->technician($request)->id, $customer, WhichBook::from(
            $given['in'] ?? WhichBook::Edited->value,
        ))
            ?? throw new NotFoundHttpException();
        $shows = isset($given['shows']) ? $book->find(self::reference($given['shows'], 'shows')) : null;
        $dialled = (new DialPlan($book))->route(
            self::sender($book, $given['who']),
            $given['digits'],
            $this->instant($book, $given['at'] ?? null),
            self::origin($given['led'] ?? null),
            $given['full'] ?? [],
            for: $shows instanceof Group ? $shows : null,
        );

        $vouched = IdentityResource::vouched(
            $identity->vouching($this->technician($request)->id, $customer),
            $dialled->callerId,
            self::origin($given['led'] ?? null),
        );

        return new JsonResponse(['vouched' => $vouched] + OutboundResource::dialled($dialled));
    }

    /** Digit maps in plain words. */
    public function choices(Request $request, string $customer): JsonResponse
    {
        /** @var array{prefix?: ?string} $given */
        $given = $request->validate(['prefix' => ['nullable', 'string', 'regex:/^[0-9*#]{0,4}$/D']], [
            'prefix.regex' => 'A prefix is a few digits, * or #.',
        ]);
        $tenant = $this->books->edited($this->technician($request)->id, $customer)->tenant;
        $prefix = $request->has('prefix') ? $given['prefix'] ?? '' : $tenant->outsidePrefix ?? '';

        return new JsonResponse(['prefix' => $prefix, 'choices' => $tenant->region === null ? [] : array_map(
            OutboundResource::choice(...),
            DigitChoices::of($tenant->region, $prefix),
        )]);
    }

    private function instant(Book $book, ?string $at): int
    {
        try {
            return $at === null ? $this->clock->now()->getTimestamp() : Script::instant($at, $book->tenant->zone);
        } catch (UnusableScript $fault) {
            throw ValidationException::withMessages(['at' => ucfirst($fault->cause) . '.']);
        }
    }

    private static function origin(?string $led): Origin
    {
        return match ($led) {
            'inside' => Origin::Led,
            'outside' => Origin::LedFromOutside,
            default => Origin::Dialled,
        };
    }

    private static function sender(Book $book, string $who): Sender
    {
        $class = CallingClass::tryFrom($who);

        if ($class !== null) {
            return Sender::ofClass($class);
        }
        $reference = self::reference($who, 'who');

        return $book->find($reference) === null ? throw self::unknown('who') : Sender::of($book, $reference);
    }

    private static function reference(string $typed, string $field): Reference
    {
        try {
            return Reference::parse($typed);
        } catch (UnusableBook) {
            throw self::unknown($field);
        }
    }

    private static function unknown(string $field): ValidationException
    {
        return ValidationException::withMessages([$field => 'This names nobody in the book.']);
    }
}
