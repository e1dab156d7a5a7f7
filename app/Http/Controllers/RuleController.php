<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Fleet\RuleDesk;
use App\Http\Resources\RuleResource;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\RuleBook;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Audit\Thresholds;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Every rule with how often it fires, and what they count as too much: for all customers, and for one. */
final class RuleController extends Controller
{
    public function __construct(private readonly RuleDesk $desk)
    {
    }

    public function index(Request $request): JsonResponse
    {
        [$fires, $thresholds, $mayChange] = $this->desk->all($this->technician($request)->id);

        return new JsonResponse([
            'rules' => array_map(
                static fn (Rule $rule): array => RuleResource::of($rule->about(), $fires[$rule->about()->id] ?? []),
                RuleBook::all(),
            ),
            'thresholds' => RuleResource::thresholds($thresholds, []),
            'mayChange' => $mayChange,
        ]);
    }

    public function set(Request $request, string $threshold): JsonResponse
    {
        [$of, $value] = self::given($request, $threshold);
        $thresholds = $this->desk->setForAll($this->technician($request)->id, $of, $value);

        return new JsonResponse(['thresholds' => RuleResource::thresholds($thresholds, [])]);
    }

    public function ofCustomer(Request $request, string $customer): JsonResponse
    {
        return self::told($this->desk->ofCustomer($this->technician($request)->id, $customer));
    }

    public function setForCustomer(Request $request, string $customer, string $threshold): JsonResponse
    {
        [$of, $value] = self::given($request, $threshold);

        return self::told($this->desk->setForCustomer($this->technician($request)->id, $customer, $of, $value));
    }

    /** @param array{Thresholds, array<string, int>} $of the reseller's, and one customer's own */
    private static function told(array $of): JsonResponse
    {
        return new JsonResponse(['thresholds' => RuleResource::thresholds(...$of)]);
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
}
