<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Book\FieldEdit;
use App\Desk\BookDesk;
use App\Desk\DeskView;
use App\Drift\ImpactReport;
use App\Http\Resources\ApplicationResource;
use App\Http\Resources\DeskResource;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;

/** One customer's book with the technician's pending edits: seen, edited, dropped, entered. */
final class DeskController extends Controller
{
    /** A number comes from stock, a customer is taken on, and a promise is a call. */
    private const NOT_BY_NAME = ['tenant', 'number', 'promise'];

    public function __construct(private readonly BookDesk $desk)
    {
    }

    public function show(Request $request, string $customer): JsonResponse
    {
        return $this->whole($this->desk->view($this->technician($request)->id, $customer));
    }

    public function edit(Request $request, string $customer): JsonResponse
    {
        $edits = $this->edits($request);

        return JsonResponse::fromJsonString(
            DeskResource::change($this->desk->edit($this->technician($request)->id, $customer, $edits)),
        );
    }

    public function make(Request $request, string $customer): JsonResponse
    {
        $kinds = array_map(
            static fn (Kind $kind): string => $kind->value,
            array_diff_key(array_column(Kind::cases(), null, 'value'), array_flip(self::NOT_BY_NAME)),
        );
        /** @var array{objects: list<array{kind: string, name: string, fields?: array<string, mixed>}>} $given */
        $given = $request->validate([
            'objects' => ['required', 'array', 'list', 'min:1', 'max:1000'],
            'objects.*.kind' => ['required', 'string', Rule::in($kinds)],
            'objects.*.name' => ['required', 'string', 'max:200'],
            'objects.*.fields' => ['array'],
        ]);
        $wanted = array_map(
            static fn (array $object): array => [
                Kind::from($object['kind']),
                trim($object['name']),
                $object['fields'] ?? [],
            ],
            array_values($given['objects']),
        );

        return JsonResponse::fromJsonString(
            DeskResource::change($this->desk->make($this->technician($request)->id, $customer, $wanted)),
        );
    }

    /** What somebody means by names, extensions and digits. */
    public function meant(Request $request, string $customer): JsonResponse
    {
        /** @var array{said: list<string>, kinds: list<string>, outside: bool} $given */
        $given = $request->validate([
            'said' => ['required', 'array', 'list', 'max:1000'],
            'said.*' => ['required', 'string', 'max:200'],
            'kinds' => ['present', 'array', 'list', 'max:20'],
            'kinds.*' => ['required', Rule::enum(Kind::class)],
            'outside' => ['required', 'boolean'],
        ]);

        return new JsonResponse(['meant' => $this->desk->meant(
            $this->technician($request)->id,
            $customer,
            $given['said'],
            array_map(Kind::from(...), $given['kinds']),
            (bool) $given['outside'],
        )]);
    }

    /** What callers will notice once the pending edits stand on the switch, against the book as it is. */
    public function impact(Request $request, string $customer, Clock $clock): JsonResponse
    {
        $view = $this->desk->draft($this->technician($request)->id, $customer);

        return new JsonResponse(
            ['impact' => ImpactReport::between($view->head, $view->edited, $clock->now()->getTimestamp())],
        );
    }

    public function drop(Request $request, string $customer): Response
    {
        $this->desk->drop($this->technician($request)->id, $customer);

        return new Response(status: 204);
    }

    public function restore(Request $request, string $customer): JsonResponse
    {
        return $this->whole($this->desk->restore($this->technician($request)->id, $customer));
    }

    public function leaveOut(Request $request, string $customer): JsonResponse
    {
        /** @var array{object: string, path?: ?string} $given */
        $given = $request->validate(
            ['object' => ['required', 'string', 'max:200'], 'path' => ['nullable', 'string', 'max:300']],
        );

        return $this->whole($this->desk->leaveOut(
            $this->technician($request)->id,
            $customer,
            Reference::parse($given['object'], 'object'),
            $given['path'] ?? null,
        ));
    }

    public function enter(Request $request, string $customer): JsonResponse
    {
        /** @var array{note?: ?string} $given */
        $given = $request->validate(['note' => ['nullable', 'string', 'max:1000']]);
        $revision = $this->desk->enter($this->technician($request)->id, $customer, $given['note'] ?? null);

        return new JsonResponse(['revision' => $revision->no], 201);
    }

    public function intake(Request $request, string $customer): JsonResponse
    {
        $applications = $this->desk->applications($this->technician($request)->id, $customer);

        return new JsonResponse(['applications' => array_map(ApplicationResource::of(...), $applications)]);
    }

    public function answerAgain(Request $request, string $customer): JsonResponse
    {
        /** @var array{answers: array<string, mixed>} $given */
        $given = $request->validate(['answers' => ['required', 'array', 'max:200']]);

        return $this->whole(
            $this->desk->answerAgain($this->technician($request)->id, $customer, $given['answers']),
        );
    }

    public function book(Request $request, string $customer): Response
    {
        $book = $this->desk->export($this->technician($request)->id, $customer);

        return new Response(BookFormat::toJson($book), headers: [
            'Content-Type' => 'application/json',
            'Content-Disposition' => "attachment; filename=\"{$customer}.json\"",
        ]);
    }

    private function whole(DeskView $desk): JsonResponse
    {
        return JsonResponse::fromJsonString(DeskResource::whole($desk));
    }

    /** @return list<FieldEdit> */
    private function edits(Request $request): array
    {
        /** @var array{edits: list<array{op?: string, object: string, path?: ?string, value?: mixed}>} $given */
        $given = $request->validate([
            'edits' => ['required', 'array', 'list', 'max:5000'],
            'edits.*.op' => ['string', 'in:set,move,create,delete'],
            'edits.*.object' => ['required', 'string', 'max:200'],
            'edits.*.path' => [
                'required_unless:edits.*.op,create,delete', 'nullable', 'string', 'max:300', 'not_in:key',
            ],
            'edits.*.value' => ['present_unless:edits.*.op,delete'],
        ]);

        // The validator gives them in the order in which it met their fields; they were meant in theirs.
        ksort($given['edits']);

        return array_map(
            static fn (array $edit): FieldEdit => FieldEdit::of(
                $edit['op'] ?? 'set',
                $edit['object'],
                $edit['path'] ?? null,
                $edit['value'] ?? null,
            ),
            array_values($given['edits']),
        );
    }
}
