<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Audit\Audits;
use App\Book\ShownObject;
use App\Http\Resources\AnswersResource;
use App\Http\Resources\FindingResource;
use App\Http\Resources\NumbersResource;
use App\Http\Resources\SlotResource;
use App\Models\AnswersKept;
use App\TakingOn\AnswersDesk;
use App\TakingOn\BookImport;
use App\TakingOn\TakingOn;
use App\TakingOn\Templates;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\Year\CallMap;
use Jaunty\Core\Calls\Year\WeekStrip;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Hours\HolidayRegions;
use Jaunty\Core\Templates\PastedTable;
use Jaunty\Core\Templates\Sample;
use Jaunty\Core\Templates\SlotType;
use Jaunty\Core\Templates\UnusableAnswers;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/**
 * From a template and answers to a customer: templates and free numbers to choose from, what would be made, and making
 * it.
 */
final class TakingOnController extends Controller
{
    public function __construct(
        private readonly TakingOn $takingOn,
        private readonly Templates $templates,
        private readonly Clock $clock,
    ) {
    }

    public function templates(): JsonResponse
    {
        return new JsonResponse(['templates' => array_map(static fn (array $pair): array => [
            'key' => $pair['template']->key,
            'name' => $pair['template']->name,
            'about' => $pair['template']->about,
            'version' => $pair['version']->no,
            'slots' => array_map(SlotResource::of(...), $pair['template']->slots),
        ], $this->templates->newest()),
            'regions' => array_map(
                static fn (string $code, string $name): array => [
                    'code' => $code, 'name' => $name, 'zone' => HolidayRegions::zone($code),
                ],
                array_keys(HolidayRegions::names()),
                HolidayRegions::names(),
            )]);
    }

    /** What a template gives, to choose by: its week and where calls go, by the examples of its own questions. */
    public function sample(string $template): JsonResponse
    {
        $found = $this->templates->newestOf($template)['template'] ?? throw new NotFoundHttpException();
        $book = Sample::of($found, $this->takingOn->circumstances())->book;
        $now = $this->clock->now()->getTimestamp();
        $main = $book->tenant->mainNumber?->key;
        $maps = array_map(
            CallMap::inShort(...),
            $main === null ? [] : (new Inspection($book, $now))->survey()->runsOf($main),
        );
        usort($maps, static fn (CallMap $one, CallMap $other): int => count($other->arrows) <=> count($one->arrows));

        $drawn = [
            'strip' => WeekStrip::ofMain($book, $now)?->toArray(),
            'map' => $maps === [] ? null : ['nodes' => $maps[0]->nodes, 'arrows' => $maps[0]->arrows],
        ];
        $names = [];
        foreach ($book->objects() as $object) {
            $names[(string) Reference::of($object)] = $object->label();
        }
        foreach (NumbersResource::in($drawn) as $number => $said) {
            $names["outside:{$number}"] = $said;
        }

        return new JsonResponse([
            ...$drawn,
            'names' => $names,
            'objects' => count($book->objects()),
        ]);
    }

    public function preview(Request $request, Audits $audits): JsonResponse
    {
        [$template, $answers] = $this->given($request);
        $preview = $this->takingOn->preview($this->technician($request)->id, $template, $answers);
        $book = $preview->expansion?->book;

        return new JsonResponse([
            'customer' => $book?->tenant->key,
            'isWhole' => $preview->isWhole,
            'objects' => $book === null
                ? []
                : array_map(ShownObject::of(...), $book->objects()),
            'findings' => $book === null
                ? []
                : array_map(
                    static fn (Finding $finding): array => FindingResource::of($finding, $book),
                    $audits->ofNew($book),
                ),
            'strip' => $book === null
                ? null
                : WeekStrip::ofMain($book, $this->clock->now()->getTimestamp())?->toArray(),
            ...AnswersResource::of($preview->answers, $preview->faults),
        ]);
    }

    /**
     * What was answered so far of every customer being taken on, the newest first: the telephone rings in between, and
     * browsers die.
     */
    public function kept(Request $request, AnswersDesk $desk): JsonResponse
    {
        return new JsonResponse(['kept' => array_map(static fn (AnswersKept $each): array => [
            'id' => $each->id, 'template' => $each->template, 'answers' => (object) $each->answers,
            'keptAt' => $each->kept_at->toAtomString(),
        ], $desk->kept($this->technician($request)->id))]);
    }

    public function keep(Request $request, string $id, AnswersDesk $desk): Response
    {
        [$template, $answers] = $this->given($request);
        $desk->keep($this->technician($request)->id, self::setId($id), $template, $answers);

        return new Response(status: 204);
    }

    public function letGo(Request $request, string $id, AnswersDesk $desk): Response
    {
        $desk->letGo($this->technician($request)->id, self::setId($id));

        return new Response(status: 204);
    }

    private static function setId(string $id): string
    {
        return Str::isUuid($id) ? $id : throw new NotFoundHttpException();
    }

    /** A pasted block as rows of a table's columns. */
    public function paste(Request $request): JsonResponse
    {
        /** @var array{template: string, slot: string, text: string} $given */
        $given = $request->validate([
            'template' => ['required', 'string', 'max:100'],
            'slot' => ['required', 'string', 'max:100'],
            'text' => ['required', 'string', 'max:2000000'],
        ]);
        foreach ($this->takingOn->template($given['template'])['template']->slots as $slot) {
            if ($slot->key === $given['slot'] && $slot->type === SlotType::Table) {
                $pasted = PastedTable::read($given['text'], $slot);

                return new JsonResponse([
                    'columns' => $pasted->columns,
                    'unmatched' => $pasted->unmatched,
                    'rows' => array_map(static fn (array $row): object => (object) $row, $pasted->rows),
                ]);
            }
        }
        throw new UnusableAnswers([$given['slot'] => 'the template has no such table']);
    }

    public function store(Request $request): JsonResponse
    {
        [$template, $answers] = $this->given($request);
        $tenant = $this->takingOn->takeOn($this->technician($request)->id, $template, $answers);

        return new JsonResponse(['customer' => $tenant->key, 'revision' => $tenant->head_revision], 201);
    }

    /** A customer from a whole book, as a file holds it. */
    public function import(Request $request, BookImport $import): JsonResponse
    {
        [$tenant, $fitted] = $import->import(
            $this->technician($request)->id,
            $request->getContent(),
        );

        return new JsonResponse([
            'customer' => $tenant->key,
            'revision' => $tenant->head_revision,
            'fitted' => array_map(
                static fn (Operation $operation): array => [
                    'object' => (string) $operation->object, 'path' => (string) $operation->path,
                    'before' => $operation->before, 'after' => $operation->after,
                ],
                $fitted,
            ),
        ], 201);
    }

    /** @return array{string, array<string, mixed>} */
    private function given(Request $request): array
    {
        /** @var array{template: string, answers?: array<string, mixed>} $given */
        $given = $request->validate(
            ['template' => ['required', 'string', 'max:100'], 'answers' => ['array', 'max:200']],
        );

        return [$given['template'], $given['answers'] ?? []];
    }
}
