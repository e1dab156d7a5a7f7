<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\MarginDesk;
use App\House\House;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Audit\Reports\CustomerLine;
use Jaunty\Core\Words\Language;

/** What a customer may be told of their telephones, in their language or another: to be printed and handed over. */
final class CustomerReportController extends Controller
{
    public function __construct(private readonly MarginDesk $desk, private readonly House $house)
    {
    }

    public function show(Request $request, string $customer): JsonResponse
    {
        /** @var array{language?: ?string} $given */
        $given = $request->validate(['language' => ['nullable', 'string', 'in:' . implode(',', array_keys(
            Language::all(),
        ))]]);
        $margin = $this->desk->entered($this->technician($request)->id, $customer);
        $tenant = $margin->book->tenant;
        $offered = $this->house->settings()->languages;
        $language = isset($given['language']) ? Language::of($given['language']) : Language::near($tenant->language);
        // Papers are in the languages that the reseller offers; where theirs is none of them, in the first.
        $language = in_array($language->tag, $offered, true) ? $language : Language::of($offered[0]);

        return new JsonResponse([
            'customer' => $tenant->name,
            'zone' => $tenant->zone,
            'at' => gmdate(\DateTimeInterface::ATOM, $margin->now),
            'language' => $language->tag,
            'languages' => array_values(array_filter(
                array_map(
                    static fn (string $tag, string $name): array => ['tag' => $tag, 'name' => $name],
                    array_keys(Language::all()),
                    array_values(Language::all()),
                ),
                static fn (array $each): bool => in_array($each['tag'], $offered, true),
            )),
            'findings' => CustomerLine::all($margin->sifted->standing, $language),
        ]);
    }
}
