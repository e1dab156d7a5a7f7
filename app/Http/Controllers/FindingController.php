<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Activity\ActivityLog;
use App\Audit\Digest;
use App\Audit\FindingDesk;
use App\Audit\FindingsSought;
use App\Http\Resources\MendedResource;
use App\Models\Technician;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/**
 * What stands at every customer granted to the technician, a line each: listed, handed out, seen to, mended at many at
 * once.
 */
final class FindingController extends Controller
{
    /** Of one customer's findings; nobody mends more at once. */
    private const MOST_FIXES = 200;

    private const ROW = ['integer', 'between:0,10000000'];

    /** Findings that are sought go into a file without being named one by one. */
    private const MOST_EXPORTED = 50_000;

    private const MOST_NAMED = 10_000;

    public function __construct(private readonly FindingDesk $desk)
    {
    }

    public function index(Request $request): JsonResponse
    {
        /** @var array<string, mixed> $said */
        $said = $request->validate(FindingsSought::rules() + [
            'from' => ['sometimes', ...self::ROW], 'at' => ['sometimes', 'nullable', 'string', 'max:200'],
        ]);
        $technician = $this->technician($request);
        [$window, $all, $trend, $technicians] = $this->desk->page(
            $technician->id,
            FindingsSought::from($said),
            isset($said['from']) ? $request->integer('from') : null,
            $request->string('at')->value(),
        );

        return new JsonResponse($window + [
            'all' => $all,
            'trend' => $trend,
            'technicians' => array_map(static fn (Technician $each): array => [
                'id' => $each->id,
                'name' => $each->name,
                'initials' => $each->initials,
            ], $technicians),
            'me' => $technician->id,
            'digest' => $technician->digest,
        ]);
    }

    /** Rows that come into view. */
    public function rows(Request $request): JsonResponse
    {
        /** @var array<string, mixed> $said */
        $said = $request->validate(FindingsSought::rules() + ['from' => ['required', ...self::ROW]]);

        return new JsonResponse($this->desk->window(
            $this->technician($request)->id,
            FindingsSought::from($said),
            $request->integer('from'),
        ));
    }

    /** As a file for other programs: the findings that are named, or all that are sought, in their order. */
    public function export(Request $request): Response
    {
        /**
         * @var array{format: string, of?: list<array{customer: string, fingerprint: string}>,
         *     sought?: array<string, mixed>} $given
         */
        $given = $request->validate([
            'format' => ['required', 'in:csv,json,sarif,junit'],
            'of' => ['required_without:sought', 'array', 'list', 'max:' . self::MOST_NAMED],
            'of.*.customer' => ['required', 'string', 'max:100'],
            'of.*.fingerprint' => ['required', 'string', 'max:64'],
            'sought' => ['sometimes', 'array'],
        ] + FindingsSought::rules('sought.'));
        [$type, $text] = $this->desk->export(
            $this->technician($request)->id,
            $given['format'],
            $given['of'] ?? FindingsSought::from($given['sought'] ?? []),
            self::MOST_EXPORTED,
        );

        return new Response($text, 200, ['Content-Type' => $type]);
    }

    /** Who sees to a finding, and until when. */
    public function care(Request $request, string $customer, string $fingerprint): JsonResponse
    {
        /** @var array{assignee: ?string, due: ?string} $given */
        $given = $request->validate([
            'assignee' => ['present', 'nullable', 'uuid', 'exists:technicians,id'],
            'due' => ['present', 'bail', 'nullable', 'string', 'date_format:Y-m-d'],
        ]);
        $isThere = $this->desk->care(
            $this->technician($request)->id,
            $customer,
            $fingerprint,
            $given['assignee'],
            $given['due'],
        );

        return $isThere ? new JsonResponse($given) : throw new NotFoundHttpException();
    }

    /** What the fixes of some findings would change in the book as entered; with `enter`, entered as a revision. */
    public function fix(Request $request, string $customer): JsonResponse
    {
        /** @var array{fingerprints: list<string>, enter: bool, note?: ?string} $given */
        $given = $request->validate([
            'fingerprints' => ['required', 'array', 'max:' . self::MOST_FIXES],
            'fingerprints.*' => ['string', 'max:64'],
            'enter' => ['required', 'boolean'], 'note' => ['nullable', 'string', 'max:500'],
        ]);

        return new JsonResponse(MendedResource::of($this->desk->fix(
            $this->technician($request)->id,
            $customer,
            $given['fingerprints'],
            (bool) $given['enter'],
            $given['note'] ?? null,
        )));
    }

    /** Whether what is new is mailed each morning. */
    public function digest(Request $request, ActivityLog $log): Response
    {
        $technician = $this->technician($request);
        $technician->forceFill(['digest' => $request->boolean('wanted')])->save();
        $log->note($technician->id, 'settled whether letters come', ['wanted' => $technician->digest ? 'yes' : 'no']);

        return new Response(status: 204);
    }

    /** The letter of today, now. */
    public function mail(Request $request, Digest $digest, ActivityLog $log): JsonResponse
    {
        $technician = $this->technician($request);

        $told = $digest->sendTo($technician);
        $log->note($technician->id, 'had the letter of today sent', ['count' => $told]);

        return new JsonResponse(['told' => $told, 'to' => $technician->sign_in]);
    }
}
