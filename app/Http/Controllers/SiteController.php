<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\SiteResource;
use App\Places\LineDesk;
use App\Places\LineGiven;
use App\Places\SiteDesk;
use App\Places\TestGiven;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rules\Enum;
use Jaunty\Core\Places\CalledBack;
use Jaunty\Core\Places\Readiness\CallBandwidth;
use Jaunty\Core\Places\Readiness\Codec;

/** A customer's places: who is there, what help services see, and what proves it. */
final class SiteController extends Controller
{
    public function __construct(private readonly SiteDesk $sites, private readonly LineDesk $lines)
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

    public function line(Request $request, string $customer, string $site): JsonResponse
    {
        $figure = static fn (int $most): array => ['present', 'nullable', 'numeric', 'min:0', "max:{$most}"];
        /**
         * @var array{at: string, down: int|float|null, up: int|float|null, roundTrip: int|float|null,
         *     jitter: int|float|null, loss: int|float|null, ownNetwork: ?bool, backup: ?bool, codec: string,
         *     packetMs: int, calls: ?int, note?: ?string} $given
         */
        $given = $request->validate([
            'at' => ['bail', 'required', 'string', 'date_format:Y-m-d\\TH:i'],
            'down' => $figure(100_000), 'up' => $figure(100_000), 'roundTrip' => $figure(60_000),
            'jitter' => $figure(60_000), 'loss' => $figure(100),
            'ownNetwork' => ['present', 'nullable', 'boolean'], 'backup' => ['present', 'nullable', 'boolean'],
            'codec' => ['required', new Enum(Codec::class)],
            'packetMs' => ['required', 'integer', 'in:' . implode(',', CallBandwidth::PACKET_MS)],
            'calls' => ['present', 'nullable', 'integer', 'min:1', 'max:10000'],
            'note' => ['sometimes', 'nullable', 'string', 'max:1000'],
        ], [
            'at.required' => 'When it was measured.',
            'at.date_format' => 'A day and a time are wanted, such as 2026-12-01T14:05.',
            'numeric' => 'That is no number; write one such as 9.2, or leave it empty where nobody measured.',
            'min' => 'That is less than can be: :min is the least.',
            'max' => 'That is more than can be: :max is the most.',
            'calls.integer' => 'Calls are counted whole.',
        ]);
        $number = static fn (int|float|null $value): ?float => $value === null ? null : (float) $value;
        $this->lines->measured($this->technician($request)->id, $customer, $site, new LineGiven(
            $given['at'],
            $number($given['down']),
            $number($given['up']),
            $number($given['roundTrip']),
            $number($given['jitter']),
            $number($given['loss']),
            $given['ownNetwork'],
            $given['backup'],
            Codec::from($given['codec']),
            $given['packetMs'],
            $given['calls'],
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
        return new JsonResponse(
            SiteResource::all($this->sites->all($this->technician($request)->id, $customer)),
            $status,
        );
    }
}
