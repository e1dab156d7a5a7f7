<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\House\Connection;
use App\House\House;
use App\House\Retention;
use App\House\Settings;
use App\Models\Technician;
use App\Settings\Reached;
use App\Switching\Switches;
use Jaunty\Core\Hours\HolidayRegions;
use Jaunty\Core\Words\Language;

/** Settings as the page shows them, with what there is to choose from; never a token. */
final readonly class SettingsResource
{
    public function __construct(private House $house, private Reached $reached)
    {
    }

    /**
     * @param  list<Technician>  $people
     * @param  array<string, int>  $customersOn  by switch
     * @return array<string, mixed>
     */
    public function of(Settings $settings, array $people, array $customersOn): array
    {
        $signIns = array_column($people, 'sign_in', 'id');

        return [
            'reseller' => $settings->reseller, 'region' => $settings->region, 'zone' => $settings->zone,
            'colour' => $settings->colour, 'letterhead' => $settings->letterhead,
            'languages' => $settings->languages,
            'nightlyAt' => $settings->nightlyAt, 'nightlyAs' => $signIns[(string) $settings->nightlyAs] ?? null,
            'lettersAt' => $settings->lettersAt,
            'mailFrom' => $settings->mailFrom, 'mailFromFile' => self::text(config('mail.from.address')),
            'mailer' => self::text(config('mail.default')),
            'secondFactorFor' => $settings->secondFactorFor,
            'pushWithBlockers' => $settings->pushWithBlockers->value,
            'retention' => $settings->retention->toArray(),
            'restDays' => $settings->restDays, 'orderLimitCents' => $settings->orderLimitCents,
            'switches' => $this->switches($settings, $customersOn),
            'carrier' => $this->other('carrier', $settings->carrier),
            'studio' => $this->other('studio', $settings->studio),
            'choices' => [
                'regions' => self::named(HolidayRegions::names()), 'languages' => self::named(Language::all()),
                'people' => array_map(
                    static fn (Technician $each): array => ['code' => $each->sign_in, 'name' => $each->name],
                    $people,
                ),
                'kinds' => array_map(fn (string $kind): array => [
                    'code' => $kind, 'name' => Switches::title($kind), 'wants' => $this->reached->maker($kind)->wants(),
                ], $this->reached->kinds()),
                'retention' => array_map(static fn (string $name, array $bounds): array => [
                    'name' => $name, 'least' => $bounds[0], 'most' => $bounds[1], 'usual' => $bounds[2],
                ], array_keys(Retention::BOUNDS), Retention::BOUNDS),
            ],
        ];
    }

    /**
     * @param  array<string, int>  $customersOn
     * @return list<array<string, mixed>>
     */
    private function switches(Settings $settings, array $customersOn): array
    {
        $ofFile = $this->reached->switchesOfFile();
        $rows = [];
        foreach ($ofFile as $name => $each) {
            $url = self::text($each['url'] ?? '');
            $rows[] = [
                'name' => $name, 'kind' => self::text($each['kind'] ?? ''), 'url' => $url === '' ? null : $url,
                'directory' => null, 'hasToken' => self::text($each['token'] ?? '') !== '', 'isOfFile' => true,
                'customers' => $customersOn[$name] ?? 0,
            ];
        }
        foreach ($settings->switches as $each) {
            if (! isset($ofFile[$each->name])) {
                $rows[] = [
                    'name' => $each->name, 'kind' => $each->kind, 'url' => $each->url, 'directory' => $each->directory,
                    'hasToken' => $this->house->hasToken($each->name), 'isOfFile' => false,
                    'customers' => $customersOn[$each->name] ?? 0,
                ];
            }
        }

        return $rows;
    }

    /** @return array{url: ?string, hasToken: bool, isOfFile: bool} */
    private function other(string $name, ?Connection $settled): array
    {
        $url = $settled->url ?? self::text(config("roster.{$name}.url"));

        return [
            'url' => $url === '' ? null : $url,
            'hasToken' => $settled === null
                ? self::text(config("roster.{$name}.token")) !== ''
                : $this->house->hasToken($name),
            'isOfFile' => $settled === null && $url !== '',
        ];
    }

    /**
     * @param  array<string, string>  $names
     * @return list<array{code: string, name: string}>
     */
    private static function named(array $names): array
    {
        return array_map(
            static fn (string $code, string $name): array => ['code' => $code, 'name' => $name],
            array_keys($names),
            $names,
        );
    }

    private static function text(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }
}
