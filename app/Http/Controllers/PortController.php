<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\PortResource;
use App\Papers\PortLetter;
use App\Ports\PortDesk;
use App\Ports\PortPapers;
use App\Ports\PortSaid;
use App\Ports\PortView;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Jaunty\Core\Book\Number;

/** Numbers on their way from another carrier, or to one: an order each. */
final class PortController extends Controller
{
    private const DAY = 'date_format:Y-m-d';

    /** The carrier's words for why numbers need not go. */
    private const REASONS = 'not_authorised,wrong_account,under_contract_dispute';

    public function __construct(
        private readonly PortDesk $ports,
        private readonly PortResource $resource,
        private readonly Clock $clock,
    ) {
    }

    /** Of every customer, those that are under way. */
    public function underWay(Request $request): JsonResponse
    {
        return new JsonResponse(['ports' => array_map(
            static fn (array $each): array => PortResource::line($each[0], $each[1], $each[2]),
            $this->ports->underWay($this->technician($request)->id),
        )]);
    }

    public function index(Request $request, string $customer): JsonResponse
    {
        return $this->all($this->technician($request)->id, $customer);
    }

    /** Reads them from the carrier. */
    public function read(Request $request, string $customer): JsonResponse
    {
        $technician = $this->technician($request)->id;
        $this->ports->read($technician, $customer);

        return $this->all($technician, $customer);
    }

    public function store(Request $request, string $customer): JsonResponse
    {
        $this->requireDay($request);
        /** @var array{reference: string} $given */
        $given = $request->validate(['reference' => ['required', 'uuid']]);

        return new JsonResponse(['port' => $this->resource->of(
            $this->ports->open($this->technician($request)->id, $customer, $given['reference'], self::said($request)),
        )], 201);
    }

    public function update(Request $request, string $customer, string $port): JsonResponse
    {
        $this->requireDay($request);

        return $this->one($this->ports->mend(
            $this->technician($request)->id,
            $customer,
            $port,
            self::said($request),
        ));
    }

    /** The body is the file. */
    public function paper(Request $request, string $customer, string $port): JsonResponse
    {
        /** @var array{paper: 'authority'|'bill', name: string, dated?: ?string} $given */
        $given = $request->validate([
            'paper' => ['required', 'in:authority,bill'], 'name' => ['required', 'string', 'max:200'],
            'dated' => ['required_if:paper,bill', 'nullable', 'string', self::DAY],
        ], [
            'dated.required_if' => 'Say of which day the bill is.',
            'dated.date_format' => 'A date is wanted, such as 2026-12-31.',
        ]);

        return new JsonResponse(['port' => $this->resource->of($this->ports->putPaper(
            $this->technician($request)->id,
            $customer,
            $port,
            $given['paper'],
            $given['name'],
            $request->getContent(),
            $given['paper'] === 'bill' ? $given['dated'] ?? null : null,
        ))], 201);
    }

    public function paperOf(Request $request, string $customer, string $port, string $paper): Response
    {
        [$row, $bytes] = $this->ports->paper($this->technician($request)->id, $customer, $port, $paper);

        return self::file($bytes, $row->type, "{$row->kind}." . PortPapers::kindOf($bytes)->ending());
    }

    /** The letter of authority as PDF, to be signed. */
    public function letter(Request $request, PortLetter $letter, string $customer, string $port): Response
    {
        /** @var array{language?: ?string} $given */
        $given = $request->validate(['language' => ['nullable', 'in:en,fr-CA']]);
        [$case, $tenant] = $this->ports->forLetter($this->technician($request)->id, $customer, $port);

        return self::file(
            $letter->of($case, $tenant, $given['language'] ?? 'en'),
            'application/pdf',
            "authority-{$customer}.pdf",
        );
    }

    public function cutOver(Request $request, string $customer, string $port): JsonResponse
    {
        return new JsonResponse(['lines' => array_map(
            PortResource::cutOver(...),
            $this->ports->cutOver($this->technician($request)->id, $customer, $port),
        )]);
    }

    public function send(Request $request, string $customer, string $port): JsonResponse
    {
        return $this->one($this->ports->send($this->technician($request)->id, $customer, $port));
    }

    public function withdraw(Request $request, string $customer, string $port): JsonResponse
    {
        return $this->one($this->ports->withdraw($this->technician($request)->id, $customer, $port));
    }

    public function lend(Request $request, string $customer, string $port): JsonResponse
    {
        $today = $this->clock->now()->format('Y-m-d');
        /** @var array{until: string} $given */
        $given = $request->validate(['until' => ['bail', 'required', 'string', self::DAY, "after:{$today}"]], [
            'until.required' => 'Say until when.', 'until.date_format' => 'A date is wanted, such as 2026-12-31.',
            'until.after' => 'This day is past, or today.',
        ]);

        return $this->one($this->ports->lend($this->technician($request)->id, $customer, $port, $given['until']));
    }

    public function answer(Request $request, string $customer, string $port): JsonResponse
    {
        /** @var array{agreed: bool, reason?: ?string} $given */
        $given = $request->validate([
            'agreed' => ['required', 'boolean'],
            'reason' => ['required_if:agreed,false', 'nullable', 'in:' . self::REASONS],
        ], ['reason.required_if' => 'Say why they do not go.']);

        return $this->one($this->ports->answer(
            $this->technician($request)->id,
            $customer,
            $port,
            $given['agreed'],
            $given['reason'] ?? '',
        ));
    }

    private function one(PortView $view): JsonResponse
    {
        return new JsonResponse(['port' => $this->resource->of($view)]);
    }

    private function all(string $technician, string $customer): JsonResponse
    {
        return new JsonResponse(['ports' => array_map(
            $this->resource->of(...),
            $this->ports->ofCustomer($technician, $customer),
        )]);
    }

    private function requireDay(Request $request): void
    {
        $today = $this->clock->now()->format('Y-m-d');
        $day = ['bail', 'required', 'string', self::DAY, "after:{$today}", 'before:2100-01-01'];
        $request->validate(['day' => $day], [
            'day.required' => 'The day it is wanted on.', 'day.date_format' => 'A date is wanted, such as 2026-12-31.',
            'day.after' => 'This day is past, or today.', 'day.before' => 'Nobody ports that far ahead.',
        ]);
    }

    private static function said(Request $request): PortSaid
    {
        $text = ['nullable', 'string', 'max:200'];
        /**
         * @var array{numbers: list<string>, name?: ?string, street?: ?string, city?: ?string, postcode?: ?string,
         *     losingCarrier?: ?string, account?: ?string, billing?: ?string, signatory?: ?string, pin?: ?string,
         *     isPart?: ?bool, staying?: ?string, stayingMain?: ?string, day: string, hours?: ?string} $given
         */
        $given = $request->validate([
            'numbers' => ['required', 'array', 'list', 'min:1', 'max:500'],
            'numbers.*' => ['required', 'string', 'regex:' . Number::E164, 'distinct'],
            'name' => $text, 'street' => $text, 'city' => $text, 'postcode' => ['nullable', 'string', 'max:20'],
            'losingCarrier' => ['nullable', 'string', 'max:100'], 'account' => ['nullable', 'string', 'max:60'],
            'billing' => ['nullable', 'string', 'max:40'], 'signatory' => ['nullable', 'string', 'max:100'],
            'pin' => ['nullable', 'string', 'max:40'], 'isPart' => ['nullable', 'boolean'],
            'staying' => ['nullable', 'string', 'max:20000'], 'stayingMain' => ['nullable', 'string', 'max:40'],
            'day' => ['required', 'string'],
            'hours' => ['nullable', 'string', 'regex:/^([01]\d|2[0-3]):[0-5]\d-([01]\d|2[0-3]):[0-5]\d$/D'],
        ], [
            'numbers.required' => 'Choose the numbers that come over.',
            'numbers.*.regex' => 'A number stands here as +19025550100.',
            'hours.regex' => 'Hours are wanted as 09:00-12:00.',
        ]);
        $of = static fn (?string $typed): string => trim($typed ?? '');

        return new PortSaid(
            $given['numbers'],
            $of($given['name'] ?? null),
            $of($given['street'] ?? null),
            $of($given['city'] ?? null),
            $of($given['postcode'] ?? null),
            $of($given['losingCarrier'] ?? null),
            $of($given['account'] ?? null),
            $of($given['billing'] ?? null),
            $of($given['signatory'] ?? null),
            $given['pin'] ?? null,
            $given['isPart'] ?? false,
            [$of($given['staying'] ?? null)],
            $of($given['stayingMain'] ?? null),
            $given['day'],
            $of($given['hours'] ?? null),
        );
    }

    private static function file(string $bytes, string $type, string $name): Response
    {
        return new Response($bytes, 200, [
            'Content-Type' => $type, 'Content-Disposition' => "attachment; filename=\"{$name}\"",
            'X-Content-Type-Options' => 'nosniff', 'Cache-Control' => 'private, no-store',
        ]);
    }
}
