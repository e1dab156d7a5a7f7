<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Scope;
use App\Audit\Audits;
use App\Audit\FindingWaivers;
use App\Audit\Margins;
use App\Book\DraftDesk;
use App\Desk\Books;
use App\Http\Resources\MarginResource;
use App\Models\Ability;
use App\Models\TenantRow;
use App\Roster\SummaryKeeper;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Calls\OneCall\Telling;
use Jaunty\Core\Calls\Year\RightNow;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What the desk says beside the sheet: findings on the edited book, its week, and what a caller gets right now. */
final class MarginController extends Controller
{
    public function __construct(
        private readonly Books $books,
        private readonly Scope $scope,
        private readonly DraftDesk $drafts,
        private readonly FindingWaivers $waivers,
        private readonly Audits $audits,
        private readonly Margins $margins,
        private readonly Clock $clock,
    ) {
    }

    public function show(Request $request, string $customer): JsonResponse
    {
        $technician = $this->technician($request)->id;

        return new JsonResponse($this->scope->tenant(
            $technician,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): array => MarginResource::of(
                $this->margins->of($tenant, $this->drafts->view($tenant, $technician)),
            ),
        ));
    }

    /** Accepts a finding with a reason and until a day; on the Roster it counts no more. */
    public function waive(Request $request, string $customer, SummaryKeeper $summaries): JsonResponse
    {
        $technician = $this->technician($request)->id;
        /** @var array{fingerprint: string, reason: string, until?: ?string} $given */
        $given = $request->validate([
            'fingerprint' => ['required', 'string', 'max:64'],
            'reason' => ['required', 'string', 'max:500'],
            'until' => ['bail', 'nullable', 'string', 'date_format:Y-m-d'],
        ]);

        return new JsonResponse($this->scope->tenant(
            $technician,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technician, $given, $summaries): array {
                $view = $this->drafts->view($tenant, $technician);
                $found = $this->audits->of($tenant->id, $view->edited, $view->head);
                $this->waivers->waive(
                    $tenant,
                    $technician,
                    $this->waivers->sift($tenant->id, $tenant->zone, $found)->standing,
                    $given['fingerprint'],
                    $given['reason'],
                    $given['until'] ?? null,
                );
                $summaries->findingsSifted($tenant->id, $view->head);

                return MarginResource::of($this->margins->of($tenant, $view, $found));
            },
        ), 201);
    }

    public function takeWaiverBack(
        Request $request,
        string $customer,
        string $waiver,
        SummaryKeeper $summaries,
    ): JsonResponse {
        $technician = $this->technician($request)->id;

        return new JsonResponse($this->scope->tenant(
            $technician,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($technician, $waiver, $summaries): array {
                if (! $this->waivers->takeBack($tenant, $technician, $waiver)) {
                    throw new NotFoundHttpException();
                }
                $view = $this->drafts->view($tenant, $technician);
                $summaries->findingsSifted($tenant->id, $view->head);

                return MarginResource::of($this->margins->of($tenant, $view));
            },
        ));
    }

    public function now(Request $request, string $customer): JsonResponse
    {
        [$book, $live, $readAt] = $this->books->enteredAndLive($this->technician($request)->id, $customer);
        $said = $this->rightNow($book);

        return new JsonResponse([
            'book' => $said,
            'live' => $live === null ? null : ($live->tenant->mainNumber === null ? null : $this->rightNow($live)),
            'readAt' => $readAt,
        ]);
    }

    /** @return ?array<string, mixed> */
    private function rightNow(Book $book): ?array
    {
        $now = RightNow::of($book, $this->clock->now()->getTimestamp());

        return $now === null ? null : [
            'number' => $now->number,
            'telling' => $now->telling->toArray(),
            'until' => $now->until === null ? null : gmdate(\DateTimeInterface::ATOM, $now->until),
            'next' => $now->next instanceof Telling ? $now->next->toArray() : null,
        ];
    }
}
