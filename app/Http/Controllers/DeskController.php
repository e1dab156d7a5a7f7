<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Audit\Margins;
use App\Book\BookRepository;
use App\Book\DraftDesk;
use App\Book\DraftView;
use App\Book\FieldEdit;
use App\Drift\ImpactReport;
use App\Http\Resources\DraftResource;
use App\Http\Resources\MarginResource;
use App\Http\Resources\ObjectResource;
use App\Models\Ability;
use App\Models\Revision;
use App\Models\TemplateApplication;
use App\Models\TenantRow;
use App\Secrets\SecretKeeper;
use App\TakingOn\ApplyingAgain;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Change\FieldPath;
use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Templates\Slot;
use Jaunty\Core\Templates\SlotType;

/** One customer's book with the technician's pending edits: seen, edited, dropped, entered. */
final class DeskController extends Controller
{
    /** A number comes from stock, a customer is taken on, and a promise is a call. */
    private const NOT_BY_NAME = ['tenant', 'number', 'promise'];

    private const NOTED_ON_THE_DAY = ['emergency/testedOn', 'emergency/checkedOn'];

    public function __construct(
        private readonly Scope $scope,
        private readonly DraftDesk $drafts,
        private readonly BookRepository $books,
        private readonly Margins $margins,
        private readonly Clock $clock,
    ) {
    }

    public function show(Request $request, string $customer): JsonResponse
    {
        $technician = $this->technician($request);

        return new JsonResponse($this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): array => $this->desk($tenant, $this->drafts->view($tenant, $technician->id)),
        ));
    }

    public function edit(Request $request, string $customer, SecretKeeper $secrets): JsonResponse
    {
        $technician = $this->technician($request);
        $edits = $this->edits($request);

        return new JsonResponse($this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technician, $edits, $secrets): array {
                $secrets->check($tenant, $technician->id, $edits);
                $this->checkDays($tenant, $edits);
                $view = $this->drafts->edit($tenant, $technician->id, $edits);

                return $this->desk($tenant, $view)
                    + ['margin' => MarginResource::of($this->margins->of($tenant, $view))];
            },
        ));
    }

    /** New objects of which somebody typed the name: key, extension and the rest come from here. */
    public function make(Request $request, string $customer): JsonResponse
    {
        $technician = $this->technician($request);
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

        return new JsonResponse($this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technician, $given): array {
                [$view, $made] = $this->drafts->make($tenant, $technician->id, array_map(
                    static fn (array $object): array => [
                        Kind::from($object['kind']),
                        trim($object['name']),
                        $object['fields'] ?? [],
                    ],
                    array_values($given['objects']),
                ));

                return $this->desk($tenant, $view) + [
                    'margin' => MarginResource::of($this->margins->of($tenant, $view)),
                    'made' => array_map(strval(...), $made),
                ];
            },
        ));
    }

    /** What callers will notice once the pending edits stand on the switch, against the book as it is. */
    public function impact(Request $request, string $customer): JsonResponse
    {
        $technician = $this->technician($request);
        $view = $this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): DraftView => $this->drafts->view($tenant, $technician->id),
        );

        return new JsonResponse(
            ['impact' => ImpactReport::between($view->head, $view->edited, $this->clock->now()->getTimestamp())],
        );
    }

    public function drop(Request $request, string $customer): Response
    {
        $technician = $this->technician($request);
        $this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technician): void {
                $this->drafts->drop($tenant, $technician->id);
            },
        );

        return new Response(status: 204);
    }

    /** What was dropped last, put back. */
    public function restore(Request $request, string $customer): JsonResponse
    {
        $technician = $this->technician($request);

        return new JsonResponse($this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Edit,
            fn (TenantRow $tenant): array => $this->desk($tenant, $this->drafts->restore($tenant, $technician->id)),
        ));
    }

    public function leaveOut(Request $request, string $customer): JsonResponse
    {
        $technician = $this->technician($request);
        /** @var array{object: string, path?: ?string} $given */
        $given = $request->validate(
            ['object' => ['required', 'string', 'max:200'], 'path' => ['nullable', 'string', 'max:300']],
        );

        return new JsonResponse($this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Edit,
            fn (TenantRow $tenant): array => $this->desk($tenant, $this->drafts->leaveOut(
                $tenant,
                $technician->id,
                Reference::parse($given['object'], 'object'),
                $given['path'] ?? null,
            )),
        ));
    }

    public function enter(Request $request, string $customer): JsonResponse
    {
        $technician = $this->technician($request);
        /** @var array{note?: ?string} $given */
        $given = $request->validate(['note' => ['nullable', 'string', 'max:1000']]);
        $revision = $this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Edit,
            fn (TenantRow $tenant): Revision => $this->drafts->enter($tenant, $technician->id, $given['note'] ?? null),
        );

        return new JsonResponse(['revision' => $revision->no], 201);
    }

    public function intake(Request $request, string $customer): JsonResponse
    {
        return new JsonResponse($this->scope->tenant(
            $this->technician($request)->id,
            $customer,
            Ability::Read,
            static function (TenantRow $tenant): array {
                $applications = TemplateApplication::query()->where('tenant_id', $tenant->id)
                    ->with('version')
                    ->orderBy('applied_at')
                    ->get();

                return ['applications' => $applications->map(self::application(...))->values()->all()];
            },
        ));
    }

    /** The customer's template once more, with other answers: a draft of what that changes. */
    public function answerAgain(Request $request, string $customer, ApplyingAgain $again): JsonResponse
    {
        $technician = $this->technician($request);
        /** @var array{answers: array<string, mixed>} $given */
        $given = $request->validate(['answers' => ['required', 'array', 'max:200']]);

        return new JsonResponse($this->scope->tenant(
            $technician->id,
            $customer,
            Ability::Edit,
            fn (TenantRow $tenant): array => $this->desk(
                $tenant,
                $again->propose($tenant, $technician->id, $given['answers']),
            ),
        ));
    }

    /** @return array<string, mixed> */
    private function desk(TenantRow $tenant, DraftView $view): array
    {
        $objects = [$view->edited->tenant, ...$view->edited->objects()];

        return [
            'key' => $tenant->key,
            'revision' => $view->headRevision,
            'objects' => array_map(
                static fn (BookObject $object): array => ObjectResource::of($object, $view->edited),
                $objects,
            ),
            'draft' => DraftResource::of($view),
        ];
    }

    /**
     * A day that somebody types is no evidence: what was tested or confirmed is noted on the day it was, or as the book
     * has it.
     *
     * @param  list<FieldEdit>  $edits
     *
     * @throws UnusableBook
     */
    private function checkDays(TenantRow $tenant, array $edits): void
    {
        $today = $this->clock->dateIn($tenant->zone);
        foreach ($edits as $edit) {
            if (
                ! in_array($edit->path, self::NOTED_ON_THE_DAY, true)
                || $edit->value === null
                || $edit->value === $today
            ) {
                continue;
            }
            $known = $this->books->head($tenant->id)->find($edit->object)?->toArray() ?? [];
            if (FieldPath::get($known, $edit->path) !== $edit->value) {
                throw UnusableBook::unbelievable(
                    "{$edit->object}." . str_replace('/', '.', $edit->path),
                    "this is noted on the day it is done; today is {$today}",
                );
            }
        }
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

    /** The customer's whole book as a file. */
    public function book(Request $request, string $customer, ActivityLog $log): Response
    {
        $book = $this->scope->tenant(
            $this->technician($request)->id,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): Book => $this->books->head($tenant->id),
        );
        $log->note($this->technician($request)->id, 'exported a book', ['customer' => $customer]);

        return new Response(BookFormat::toJson($book), headers: [
            'Content-Type' => 'application/json',
            'Content-Disposition' => "attachment; filename=\"{$customer}.json\"",
        ]);
    }

    /** @return array<string, mixed> */
    private static function application(TemplateApplication $application): array
    {
        $template = $application->version->template();

        return [
            'key' => $template->key,
            'given' => (object) $application->answers,
            'template' => $template->name,
            'version' => $application->version->no,
            'appliedAt' => $application->applied_at->toAtomString(),
            'answers' => array_map(
                static fn (Slot $slot): array => [
                    'question' => $slot->question,
                    'answer' => self::answer($slot, $application->answers[$slot->key] ?? null),
                ],
                $template->slots,
            ),
        ];
    }

    private static function answer(Slot $slot, mixed $answer): string
    {
        return match (true) {
            is_array($answer) => count($answer) === 1 ? '1 row' : count($answer) . ' rows',
            $slot->type === SlotType::Number && is_string($answer) => E164::parse($answer)->display(),
            $slot->type === SlotType::Choice && is_string($answer) => $slot->options[$answer] ?? $answer,
            is_bool($answer) => $answer ? 'yes' : 'no',
            default => is_scalar($answer) ? (string) $answer : $slot->default ?? '',
        };
    }
}
