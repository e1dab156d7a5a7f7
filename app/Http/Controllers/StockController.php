<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Leads;
use App\House\House;
use App\Models\StockNumber;
use App\Stock\NumberStock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Numbering\NumberLine;
use Jaunty\Core\Numbering\NumberList;

/** The reseller's own numbers: free ones, more from the carrier, and those the carrier gave otherwise. */
final class StockController extends Controller
{
    private const MOST_NUMBERS = 500;

    private const MOST_AT_ONCE = 200;

    private const E164_FORM = 'regex:/^\+[1-9][0-9]{5,14}$/D';

    public function __construct(private readonly NumberStock $stock)
    {
    }

    public function index(Request $request): JsonResponse
    {
        $numbers = array_map(static fn (StockNumber $number): array => [
            'number' => $number->e164,
            'display' => E164::parse($number->e164)->display(),
            'region' => $number->region,
        ], $this->stock->free($this->technician($request)->id, self::MOST_NUMBERS));

        return new JsonResponse(['numbers' => $numbers]);
    }

    public function offers(Request $request): JsonResponse
    {
        /** @var array{prefix: string, count?: int} $given */
        $given = $request->validate([
            'prefix' => ['required', 'string', 'regex:/^\+?[1-9][0-9 ]{0,14}$/D'],
            'count' => ['sometimes', 'integer', 'between:1,' . self::MOST_AT_ONCE],
        ], [
            'prefix.required' => 'Say how the numbers begin, country code first.',
            'prefix.regex' => 'First digits with the country code in front, such as 1902.',
            'count.between' => 'From 1 to ' . self::MOST_AT_ONCE . ' at once.',
            'count.integer' => 'A whole number is wanted.',
        ]);
        $prefix = (string) preg_replace('/\D/', '', $given['prefix']);
        $offers = $this->stock->offers($this->technician($request)->id, $prefix, (int) ($given['count'] ?? 10));

        return new JsonResponse(['offers' => array_map(static fn (array $offer): array => [
            'number' => $offer['number'], 'display' => E164::parse($offer['number'])->display(),
            'monthlyCents' => $offer['monthlyCents'],
        ], $offers)]);
    }

    public function order(Request $request, House $house, Leads $leads): JsonResponse
    {
        /** @var array{numbers: list<array{number: string, monthlyCents: int}>} $given */
        $given = $request->validate([
            'numbers' => ['required', 'array', 'list', 'max:' . self::MOST_AT_ONCE],
            'numbers.*' => ['array:number,monthlyCents'],
            'numbers.*.number' => ['required', 'string', 'distinct', self::E164_FORM],
            'numbers.*.monthlyCents' => ['required', 'integer', 'min:0'],
        ]);
        $technician = $this->technician($request);
        $leads->requireFactor($technician, 'bill');
        [$ordered, $trouble] = $this->stock->orderChosen(
            $technician->id,
            $technician->lead,
            $given['numbers'],
            (string) preg_replace('/[^a-z0-9]+/', '-', mb_strtolower($house->settings()->reseller)),
        );

        return new JsonResponse(['ordered' => $ordered, 'trouble' => $trouble], 201);
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
