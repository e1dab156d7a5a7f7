<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Leads;
use App\House\House;
use App\Http\Resources\StockResource;
use App\Models\NumberOrder;
use App\Models\NumberState;
use App\Models\StockNumber;
use App\Stock\NumberStock;
use App\Stock\OrderDesk;
use App\Stock\StockFilter;
use App\Stock\StockList;
use App\Stock\Wanted;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Numbering\NumberLine;
use Jaunty\Core\Numbering\NumberList;

/** The reseller's own numbers: free ones, more from the carrier, and those the carrier gave otherwise. */
final class StockController extends Controller
{
    private const MOST_NUMBERS = 500;

    private const MOST_AT_ONCE = 200;

    private const MOST_FOUND = 100;

    private const LONGEST_RUN = 100;

    private const E164_FORM = 'regex:/^\+[1-9][0-9]{5,14}$/D';

    public function __construct(
        private readonly NumberStock $stock,
        private readonly StockResource $resource,
        private readonly Clock $clock,
    ) {
    }

    /** Free ones, to choose from. */
    public function index(Request $request): JsonResponse
    {
        $digits = (string) preg_replace('/\D/', '', $request->string('digits')->limit(20, '')->toString());
        $numbers = array_map(static fn (StockNumber $number): array => [
            'number' => $number->e164,
            'display' => E164::parse($number->e164)->display(),
            'region' => $number->region,
        ], $this->stock->free($this->technician($request)->id, self::MOST_NUMBERS, $digits));

        return new JsonResponse(['numbers' => $numbers]);
    }

    /** All of them, a page at a time. */
    public function all(Request $request, StockList $list): JsonResponse
    {
        /** @var array{state?: ?string, words?: ?string, after?: ?string} $given */
        $given = $request->validate([
            'state' => ['sometimes', 'nullable', Rule::enum(NumberState::class)],
            'words' => ['sometimes', 'nullable', 'string', 'max:100'],
            'after' => ['sometimes', 'nullable', 'string', self::E164_FORM],
        ]);
        [$lines, $next, $counts] = $list->page($this->technician($request)->id, new StockFilter(
            NumberState::tryFrom($given['state'] ?? ''),
            trim($given['words'] ?? ''),
            $given['after'] ?? null,
        ));

        return new JsonResponse([
            'numbers' => array_map(StockResource::line(...), $lines), 'next' => $next, 'counts' => (object) $counts,
        ]);
    }

    public function offers(Request $request): JsonResponse
    {
        $offers = $this->stock->offers($this->technician($request)->id, self::wanted($request));

        return new JsonResponse(['offers' => array_map(StockResource::offer(...), $offers)]);
    }

    private static function wanted(Request $request): Wanted
    {
        /**
         * @var array{prefix?: ?string, having?: ?string, spelling?: ?string, town?: ?string, country?: ?string,
         *     tollFree?: ?string, run?: ?int, count?: ?int} $given
         */
        $given = $request->validate([
            'prefix' => ['nullable', 'string', 'regex:/^\+?[1-9][0-9 ]{0,14}$/D'],
            'having' => ['nullable', 'string', 'regex:/^[0-9 -]{1,14}$/D'],
            'spelling' => ['nullable', 'string', 'regex:/^[A-Za-z0-9 -]{1,14}$/D'],
            'town' => ['nullable', 'string', 'max:60'],
            'country' => ['nullable', 'string', 'in:CA,US,GB'],
            'tollFree' => ['nullable', 'in:0,1'],
            'run' => ['nullable', 'integer', 'between:1,' . self::LONGEST_RUN],
            'count' => ['nullable', 'integer', 'between:1,' . self::MOST_FOUND],
        ], [
            'prefix.regex' => 'First digits with the country code in front, such as 1902.',
            'having.regex' => 'Digits are wanted, such as 77.',
            'spelling.regex' => 'Letters of a telephone\'s keys are wanted, such as BOATS.',
            'run.between' => 'From 1 to ' . self::LONGEST_RUN . ' in a row.',
            'run.integer' => 'A whole number is wanted.',
            'count.between' => 'From 1 to ' . self::MOST_FOUND . ' at once.',
            'count.integer' => 'A whole number is wanted.',
        ]);
        $digits = static fn (string $of): string => (string) preg_replace('/\D/', '', $given[$of] ?? '');

        return new Wanted(
            $digits('prefix'),
            $digits('having'),
            (string) preg_replace('/[\s-]+/', '', $given['spelling'] ?? ''),
            trim($given['town'] ?? ''),
            $given['country'] ?? null,
            isset($given['tollFree']) ? $given['tollFree'] === '1' : null,
            (int) ($given['run'] ?? 1),
            (int) ($given['count'] ?? 10),
        );
    }

    public function orders(Request $request, OrderDesk $orders): JsonResponse
    {
        $technician = $this->technician($request);

        return new JsonResponse(['orders' => array_map(
            fn (NumberOrder $order): array => $this->resource->order($order, $technician),
            $orders->all($technician->id),
        )]);
    }

    public function order(Request $request, OrderDesk $orders): JsonResponse
    {
        /** @var array{id: string, numbers: list<string>, onceCents: int, monthlyCents: int, currency: string} $given */
        $given = $request->validate([
            'id' => ['required', 'uuid'],
            'numbers' => ['required', 'array', 'list', 'max:' . self::MOST_AT_ONCE],
            'numbers.*' => ['required', 'string', 'distinct', self::E164_FORM],
            'onceCents' => ['required', 'integer', 'min:0'],
            'monthlyCents' => ['required', 'integer', 'min:0'],
            'currency' => ['required', 'string', 'size:3'],
        ], [
            'numbers.required' => 'Say which numbers.', 'numbers.max' => 'At most ' . self::MOST_AT_ONCE . ' at once.',
        ]);
        $technician = $this->technician($request);
        $order = $orders->ask(
            $technician,
            $given['id'],
            $given['numbers'],
            $given['onceCents'],
            $given['monthlyCents'],
            $given['currency'],
        );

        return new JsonResponse(['order' => $this->resource->order($order, $technician)], 201);
    }

    public function decide(Request $request, OrderDesk $orders, string $order): JsonResponse
    {
        /** @var array{confirmed: bool, reason?: ?string} $given */
        $given = $request->validate([
            'confirmed' => ['required', 'boolean'],
            'reason' => ['required_if:confirmed,false', 'nullable', 'string', 'max:500'],
        ], ['reason.required_if' => 'Say why it is not ordered.']);
        $technician = $this->technician($request);

        return new JsonResponse(['order' => $this->resource->order(
            $orders->decide($technician, $order, $given['confirmed'], $given['reason'] ?? ''),
            $technician,
        )]);
    }

    /** Asks the carrier once more about one that it has not answered. */
    public function again(Request $request, OrderDesk $orders, string $order): JsonResponse
    {
        $technician = $this->technician($request);

        return new JsonResponse(['order' => $this->resource->order($orders->again($technician, $order), $technician)]);
    }

    public function reserve(Request $request): JsonResponse
    {
        $today = $this->clock->now()->format('Y-m-d');
        /** @var array{numbers: list<string>, until: string} $given */
        $given = $request->validate([
            'numbers' => ['required', 'array', 'list', 'max:' . self::MOST_AT_ONCE],
            'numbers.*' => ['required', 'string', 'distinct', self::E164_FORM],
            'until' => ['bail', 'required', 'string', 'date_format:Y-m-d', "after:{$today}"],
        ], [
            'numbers.required' => 'Say which numbers.', 'until.required' => 'Say until when.',
            'until.date_format' => 'A date is wanted, such as 2026-12-31.',
            'until.after' => 'This day is past, or today.',
        ]);
        $technician = $this->technician($request)->id;
        $this->stock->reserve($technician, $this->stock->offered($technician, $given['numbers']), $given['until']);

        return new JsonResponse(['reserved' => $given['numbers']], 201);
    }

    public function giveBack(Request $request): JsonResponse
    {
        $gone = $this->stock->giveBack($this->technician($request)->id, self::numbers($request));

        return new JsonResponse(['gone' => $gone]);
    }

    public function endRests(Request $request, Leads $leads): JsonResponse
    {
        $technician = $this->technician($request);
        $leads->requirePeople($technician);
        /** @var array{reason: string} $given */
        $given = $request->validate(
            ['reason' => ['required', 'string', 'max:500']],
            ['reason.required' => 'Say why nobody will be missed.'],
        );

        return new JsonResponse([
            'free' => $this->stock->endRests($technician->id, self::numbers($request), $given['reason']),
        ]);
    }

    public function read(Request $request, House $house): JsonResponse
    {
        /** @var array{text: string} $given */
        $given = $request->validate(['text' => ['required', 'string', 'max:200000']], [
            'text.required' => 'Paste numbers, one to a line.',
        ]);
        $list = NumberList::read($given['text'], explode('-', $house->settings()->region)[0]);
        $known = array_fill_keys($this->stock->inStock(
            $this->technician($request)->id,
            array_map(strval(...), $list->numbers()),
        ), true);
        $new = static fn (NumberLine $line): array => array_values(array_filter(
            $line->numbers,
            static fn (E164 $number): bool => ! isset($known[(string) $number]),
        ));

        return new JsonResponse([
            'lines' => array_map(static fn (NumberLine $line): array => [
                'typed' => $line->typed, 'readAs' => self::told($line->numbers),
                'fault' => $line->fault ?? ($new($line) === [] ? 'in stock already' : null),
            ], $list->lines),
            'numbers' => array_merge(...array_map(
                static fn (NumberLine $line): array => array_map(strval(...), $new($line)),
                $list->lines,
            )),
        ]);
    }

    public function add(Request $request): JsonResponse
    {
        $numbers = self::numbers($request);
        $added = $this->stock->add($this->technician($request)->id, $numbers);

        return new JsonResponse(['added' => $added, 'known' => array_values(array_diff($numbers, $added))], 201);
    }

    public function takeOut(Request $request): JsonResponse
    {
        $gone = $this->stock->takeOut($this->technician($request)->id, self::numbers($request));

        return new JsonResponse(['gone' => $gone]);
    }

    /** @return list<string> */
    private static function numbers(Request $request): array
    {
        /** @var array{numbers: list<string>} $given */
        $given = $request->validate([
            'numbers' => ['required', 'array', 'list', 'max:10000'],
            'numbers.*' => ['required', 'string', self::E164_FORM],
        ], ['numbers.required' => 'Say which numbers.', 'numbers.*.regex' => 'A number in E.164 is wanted.']);

        return array_values(array_unique($given['numbers']));
    }

    /** @param list<E164> $numbers */
    private static function told(array $numbers): ?string
    {
        if ($numbers === []) {
            return null;
        }
        $last = $numbers[count($numbers) - 1];

        return $numbers[0]->display()
            . (count($numbers) === 1 ? '' : ' to ' . $last->display() . ', ' . count($numbers) . ' numbers');
    }
}
