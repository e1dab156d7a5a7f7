<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\SiteResource;
use App\Places\SiteDesk;
use App\Places\TestGiven;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Places\CalledBack;

/** A customer's places: who is there, what help services see, and what proves it. */
final class SiteController extends Controller
{
    public function __construct(private readonly SiteDesk $sites)
    {
    }

    public function index(Request $request, string $customer): JsonResponse
    {
        return $this->told($request, $customer);
    }

    public function check(Request $request, string $customer, string $site): JsonResponse
    {
        $this->sites->check($this->technician($request)->id, $customer, $site);

        return $this->told($request, $customer, 201);
    }

    public function test(Request $request, string $customer, string $site): JsonResponse
    {
        /**
         * @var array{at: string, caller: string, numberShown: string, addressRead: string, passed: bool,
         *     note?: ?string} $given
         */
        $given = $request->validate([
            'at' => ['bail', 'required', 'string', 'date_format:Y-m-d\\TH:i'],
            'caller' => ['required', 'string', 'max:200'],
            'numberShown' => ['required', 'string', 'max:40'],
            'addressRead' => ['required', 'string', 'max:300'],
            'passed' => ['required', 'boolean'],
            'note' => ['sometimes', 'nullable', 'string', 'max:1000'],
        ], [
            'at.required' => 'When the call was made.',
            'at.date_format' => 'A day and a time are wanted, such as 2026-12-01T14:05.',
            'caller.required' => 'From whose telephone.',
            'numberShown.required' => 'The number they read back.',
            'addressRead.required' => 'The address they read back.',
            'passed.required' => 'Whether all of it was right.',
        ]);
        $this->sites->tested($this->technician($request)->id, $customer, $site, new TestGiven(
            $given['at'],
            $given['caller'],
            $given['numberShown'],
            $given['addressRead'],
            (bool) $given['passed'],
            $given['note'] ?? '',
        ));

        return $this->told($request, $customer, 201);
    }

    public function callbacks(Request $request, string $customer): JsonResponse
    {
        return new JsonResponse(['callbacks' => array_map(
            static fn (CalledBack $each): array => [
                'number' => $each->number, 'kind' => $each->kind, 'ringsAPerson' => $each->ringsAPerson,
                'outside' => $each->outside === '' ? null : $each->outside,
                'heard' => $each->heard === '' ? null : $each->heard,
                'outcome' => $each->outcome->value, 'target' => $each->target, 'sentence' => $each->sentence,
            ],
            $this->sites->calledBack($this->technician($request)->id, $customer),
        )]);
    }

    private function told(Request $request, string $customer, int $status = 200): JsonResponse
    {
        $sites = $this->sites->all($this->technician($request)->id, $customer);

        return new JsonResponse(['sites' => array_map(SiteResource::of(...), $sites)], $status);
    }
}
