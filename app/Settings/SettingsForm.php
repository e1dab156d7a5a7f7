<?php

declare(strict_types=1);

namespace App\Settings;

use App\House\Colour;
use App\House\PushGate;
use App\House\Retention;
use App\House\Settings;
use Closure;
use Illuminate\Validation\Rule;
use Jaunty\Core\Hours\HolidayRegions;
use Jaunty\Core\Words\Language;

/** What may be said in each setting, and what is told to whoever said something else. */
final class SettingsForm
{
    public const MESSAGES = [
        'reseller.required' => 'Say whose house it is: the reseller\'s name.',
        'reseller.max' => 'At most 80 characters.', 'reseller.not_regex' => 'A name is one line of text.',
        'region.required' => 'Say a region, such as CA-NS.',
        'region.in' => 'No region with holidays known here; they look like CA-NS, GB-SCT or US.',
        'zone.required' => 'Say a time zone, such as America/Halifax.',
        'zone.timezone' => 'No time zone; they look like America/Halifax.',
        'colour.regex' => 'A colour is # and six digits from 0 to f, such as #2f5d62.',
        'letterhead.max' => 'At most 400 characters.',
        'languages.min' => 'Papers need one language at least.', 'languages.*.in' => 'Papers are not in this language.',
        'nightlyAt.date_format' => 'A time is wanted, such as 03:10.',
        'lettersAt.date_format' => 'A time is wanted, such as 06:30.',
        'mailFrom.email' => 'This is no mail address.',
        'secondFactorFor.*.in' => 'Nothing that a grant lets one do.',
        'restDays.*.between' => 'From 0 to 730 days.', 'restDays.*.integer' => 'A whole number of days is wanted.',
        'orderLimitCents.integer' => 'An amount is wanted, such as 50 or 49.50.',
        'orderLimitCents.between' => 'From 0 to 1,000,000.',
        'switches.*.name.regex' => 'A name is small letters, digits and hyphens, such as coast-switch.',
        'switches.*.name.required' => 'Give it a name.', 'switches.*.name.distinct' => 'Two switches are called so.',
        'switches.*.kind.in' => 'Nobody here speaks to such a switch.',
        'switches.*.directory.regex' => 'A name of a folder is small letters, digits and hyphens.',
    ];

    private const MOST_LINES = 6;

    private const MOST_SWITCHES = 50;

    /** @return array<string, list<mixed>> for the framework's validator; what is not said stays as it is */
    public static function rules(): array
    {
        $url = ['nullable', 'string', 'max:200', self::address()];
        $token = ['nullable', 'string', 'max:500'];
        $rules = [
            'reseller' => ['sometimes', 'required', 'string', 'max:80', 'not_regex:/[\p{Cc}]/u'],
            'region' => ['sometimes', 'required', 'string', Rule::in(array_keys(HolidayRegions::names()))],
            'zone' => ['sometimes', 'required', 'string', 'timezone:all'],
            'colour' => ['bail', 'sometimes', 'required', 'string', 'regex:/^#[0-9a-f]{6}$/iD', self::dark()],
            'letterhead' => ['sometimes', 'present', 'nullable', 'string', 'max:400', self::lines()],
            'languages' => ['sometimes', 'array', 'min:1'],
            'languages.*' => ['string', Rule::in(array_keys(Language::all()))],
            'nightlyAt' => ['sometimes', 'required', 'date_format:H:i'],
            'nightlyAs' => ['sometimes', 'nullable', 'string', 'max:200'],
            'lettersAt' => ['sometimes', 'required', 'date_format:H:i'],
            'mailFrom' => ['sometimes', 'nullable', 'email:rfc', 'max:200'],
            'secondFactorFor' => ['sometimes', 'array'],
            'secondFactorFor.*' => ['string', Rule::in(Settings::ABILITIES)],
            'pushWithBlockers' => ['sometimes', Rule::enum(PushGate::class)],
            'retention' => ['sometimes', 'array:' . implode(',', array_keys(Retention::BOUNDS))],
            'switches' => ['sometimes', 'array', 'max:' . self::MOST_SWITCHES],
            'switches.*' => ['array:name,kind,url,directory,token'],
            'switches.*.name' => ['required', 'string', 'max:40', 'regex:/^[a-z][a-z0-9-]*$/D', 'distinct'],
            'switches.*.kind' => ['required', 'string'],
            'switches.*.url' => $url,
            'switches.*.directory' => ['nullable', 'string', 'max:40', 'regex:/^[a-z0-9][a-z0-9-]*$/D'],
            'switches.*.token' => $token,
            'restDays' => ['sometimes', 'array:local,tollFree,mobile'],
            'orderLimitCents' => ['sometimes', 'nullable', 'integer', 'between:0,100000000'],
            'carrier' => ['sometimes', 'nullable', 'array:url,token'], 'carrier.url' => $url,
            'carrier.token' => $token,
            'studio' => ['sometimes', 'nullable', 'array:url,token'], 'studio.url' => $url, 'studio.token' => $token,
        ];
        foreach (['local', 'tollFree', 'mobile'] as $kind) {
            $rules["restDays.{$kind}"] = ['required_with:restDays', 'integer', 'between:0,' . Settings::MOST_REST_DAYS];
        }
        foreach (Retention::BOUNDS as $name => [$least, $most]) {
            $rules["retention.{$name}"] = ['sometimes', 'required', 'integer', "between:{$least},{$most}"];
        }

        return $rules;
    }

    /** Where programs listen: no password in it, which would be shown on the page. */
    private static function address(): Closure
    {
        return static function (string $attribute, mixed $value, Closure $fail): void {
            $parts = is_string($value) ? parse_url($value) : false;
            if (
                ! is_array($parts)
                || ! in_array($parts['scheme'] ?? '', ['http', 'https'], true)
                || ($parts['host'] ?? '') === ''
                || isset($parts['query'])
                || isset($parts['fragment'])
            ) {
                $fail('An address begins with https:// or http://, such as https://switch.example.');
            } elseif (isset($parts['user']) || isset($parts['pass'])) {
                $fail('Put no name or password into the address; the token has a field of its own.');
            }
        };
    }

    private static function dark(): Closure
    {
        return static function (string $attribute, mixed $value, Closure $fail): void {
            $contrast = is_string($value) ? Colour::contrastWithWhite($value) : 1.0;
            if ($contrast < Colour::LEAST) {
                $fail(sprintf(
                    'White on it cannot be read by everybody: the contrast is %.1f, and %.1f is wanted. '
                        . 'Take a darker one.',
                    $contrast,
                    Colour::LEAST,
                ));
            }
        };
    }

    private static function lines(): Closure
    {
        return static function (string $attribute, mixed $value, Closure $fail): void {
            if (is_string($value) && substr_count($value, "\n") >= self::MOST_LINES) {
                $fail('At most ' . self::MOST_LINES . ' lines.');
            }
        };
    }
}
