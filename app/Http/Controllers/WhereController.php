<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\House\House;
use App\Places\ElsewhereDesk;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;
use Jaunty\Core\Places\OwnAddress;
use libphonenumber\PhoneNumberUtil;

/** For somebody who was asked by letter where they work: the code is all they have. */
final class WhereController extends Controller
{
    public function __construct(private readonly ElsewhereDesk $desk, private readonly House $house)
    {
    }

    public function look(Request $request): JsonResponse
    {
        /** @var array{code: string} $given */
        $given = $request->validate(['code' => ['required', 'string', 'max:100']]);
        $asked = $this->desk->asked($given['code']);
        $said = $asked->said === null ? null : json_decode($asked->said, true, flags: JSON_THROW_ON_ERROR);

        return new JsonResponse([
            'name' => $asked->name, 'customer' => $asked->customer, 'language' => $asked->language,
            'reseller' => $this->house->settings()->reseller, 'told' => $asked->told, 'country' => $asked->region,
            'said' => is_array($said) ? $said : null,
            'countries' => array_values(PhoneNumberUtil::getInstance()->getSupportedRegions()),
        ]);
    }

    public function answer(Request $request): Response
    {
        $line = ['required', 'string', 'max:200'];
        /**
         * @var array{code: string, street: string, unit?: ?string, city: string, subdivision?: ?string,
         *     postcode: string, country: string} $given
         */
        $given = $request->validate([
            'code' => ['required', 'string', 'max:100'], 'street' => $line, 'city' => $line, 'postcode' => $line,
            'country' => $line, 'unit' => ['nullable', 'string', 'max:60'],
            'subdivision' => ['nullable', 'string', 'max:60'],
        ]);
        $clean = static fn (?string $part): string => trim((string) preg_replace('/\s+/u', ' ', (string) $part));
        $address = new OwnAddress(
            $clean($given['street']),
            $clean($given['unit'] ?? null),
            $clean($given['city']),
            $clean($given['subdivision'] ?? null),
            mb_strtoupper($clean($given['postcode'])),
            mb_strtoupper($clean($given['country'])),
        );
        if ($address->doubts() !== []) {
            throw ValidationException::withMessages($address->doubts());
        }
        $this->desk->answer($given['code'], $address);

        return new Response(status: 204);
    }
}
