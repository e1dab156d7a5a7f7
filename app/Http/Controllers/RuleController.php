<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\AccessDenied;
use App\Access\Scope;
use App\Audit\AuditReason;
use App\Audit\ThresholdStore;
use App\Book\BookRepository;
use App\Fleet\AuditRuns;
use App\Models\Ability;
use App\Models\FindingRow;
use App\Models\TenantRow;
use App\Roster\SummaryKeeper;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\RuleBook;
use Jaunty\Core\Audit\Threshold;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Every rule with how often it fires, and what they count as too much: for all customers, and for one. */
final class RuleController extends Controller
{
    public function __construct(private readonly Scope $scope, private readonly ThresholdStore $thresholds)
    {
    }

    public function index(Request $request): JsonResponse
    {
        $technician = $this->technician($request)->id;

        return new JsonResponse($this->scope->technician($technician, fn (): array => [
            'rules' => self::rules(),
            'thresholds' => $this->described([]),
            'mayChange' => $this->scope->mayTakeOn($technician),
        ]));
    }

    /** @return list<array<string, mixed>> */
    private static function rules(): array
    {
        $fires = FindingRow::query()->toBase()->select('rule')
            ->selectRaw(
                'count(*) filter (where not waived) as findings, count(*) filter (where waived) as waived, '
                    . 'count(distinct tenant_id) filter (where not waived) as customers',
            )
            ->groupBy('rule')->get()->keyBy('rule');

        return array_map(static function (Rule $rule) use ($fires): array {
            $about = $rule->about();
            $fired = (array) $fires->get($about->id);

            return [
                'id' => $about->id, 'severity' => $about->severity->value, 'what' => $about->what, 'why' => $about->why,
                'remedy' => $about->remedy, 'source' => $about->source,
                'countries' => $about->countries, 'thresholds' => array_column($about->thresholds, 'value'),
                'findings' => $fired['findings'] ?? 0, 'waived' => $fired['waived'] ?? 0,
                'customers' => $fired['customers'] ?? 0,
            ];
        }, RuleBook::all());
    }

    /** Sets one for every customer; they are audited anew then. */
    public function set(Request $request, string $threshold, AuditRuns $runs): JsonResponse
    {
        $technician = $this->technician($request)->id;
        [$of, $value] = self::given($request, $threshold);

        return new JsonResponse(
            $this->scope->technician($technician, function () use ($technician, $of, $value, $runs): array {
                if (! $this->scope->mayTakeOn($technician)) {
                    throw AccessDenied::everyCustomer();
                }
                $this->thresholds->setForAll($technician, $of, $value);
                $runs->begin($technician, AuditReason::Threshold);

                return ['thresholds' => $this->described([])];
            }),
        );
    }

    public function ofCustomer(Request $request, string $customer): JsonResponse
    {
        return new JsonResponse($this->scope->tenant(
            $this->technician($request)->id,
            $customer,
            Ability::Read,
            fn (TenantRow $tenant): array => ['thresholds' => $this->described($this->thresholds->own($tenant->id))],
        ));
    }

    public function setForCustomer(
        Request $request,
        string $customer,
        string $threshold,
        BookRepository $books,
        SummaryKeeper $summaries,
    ): JsonResponse {
        $technician = $this->technician($request)->id;

        return new JsonResponse($this->scope->tenant(
            $technician,
            $customer,
            Ability::Edit,
            function (TenantRow $tenant) use ($request, $technician, $threshold, $books, $summaries): array {
                [$of, $value] = self::given($request, $threshold);
                $this->thresholds->setFor($tenant->id, $technician, $of, $value);
                $summaries->findingsSifted($tenant->id, $books->head($tenant->id));

                return ['thresholds' => $this->described($this->thresholds->own($tenant->id))];
            },
        ));
    }

    /** @return array{Threshold, ?int} */
    private static function given(Request $request, string $threshold): array
    {
        $of = Threshold::tryFrom($threshold) ?? throw new NotFoundHttpException();
        [$least, $most] = $of->range();
        /** @var array{value: ?int} $given */
        $given = $request->validate(
            ['value' => ['present', 'bail', 'nullable', 'integer:strict', "between:{$least},{$most}"]],
            [
                'value.between' => "{$of->what()}: {$least} to {$most} {$of->unit()}.",
                'value.integer' => "{$of->what()}: a whole number, {$least} to {$most}.",
            ],
        );

        return [$of, $given['value']];
    }

    /**
     * @param  array<string, int>  $own  of one customer
     * @return list<array<string, mixed>>
     */
    private function described(array $own): array
    {
        $all = $this->thresholds->ofReseller();

        return array_map(static fn (Threshold $each): array => [
            'name' => $each->value, 'what' => $each->what(), 'unit' => $each->unit(), 'reason' => $each->reason(),
            'least' => $each->range()[0], 'most' => $each->range()[1],
            'standard' => $each->standard(), 'forAll' => $all->of($each), 'own' => $own[$each->value] ?? null,
        ], Threshold::cases());
    }
}
