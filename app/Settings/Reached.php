<?php

declare(strict_types=1);

namespace App\Settings;

use App\House\Connection;
use App\House\House;
use App\Prompts\SpeechStudio;
use App\Stock\CarrierDesk;
use App\Stock\CarrierWire;
use App\Switching\Switches;
use App\Switching\SwitchMaker;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\Client\Factory;

/** How switches, carrier and studio are reached: by the settings file, and by what leads settled on the page for it. */
final readonly class Reached
{
    public function __construct(private Container $container, private Factory $http, private House $house)
    {
    }

    public function switches(): Switches
    {
        return new Switches(fn (): array => array_map(
            fn (array $settings): array => ['maker' => $this->maker(self::text($settings, 'kind'))] + $settings,
            $this->switchesKnown(),
        ));
    }

    /** @return array<string, array<string, mixed>> settings by name: those of the file first */
    public function switchesKnown(): array
    {
        $known = $this->switchesOfFile();
        foreach ($this->house->settings()->switches as $connection) {
            $known[$connection->name] ??= $this->settingsOf($connection, $this->house->token($connection->name));
        }

        return $known;
    }

    /** @return array<string, array<string, mixed>> by name; nobody changes them on a screen */
    public function switchesOfFile(): array
    {
        $known = config('roster.switches');

        /** @var array<string, array<string, mixed>> */
        return is_array($known) ? $known : [];
    }

    public function carrier(): CarrierDesk
    {
        return new CarrierDesk($this->carrierWire());
    }

    public function carrierWire(): CarrierWire
    {
        return new CarrierWire($this->http, ...$this->other('carrier', $this->house->settings()->carrier));
    }

    public function studio(): SpeechStudio
    {
        return $this->studioAt(...$this->other('studio', $this->house->settings()->studio));
    }

    public function carrierAt(string $url, string $token): CarrierDesk
    {
        return new CarrierDesk(new CarrierWire($this->http, $url, $token));
    }

    public function studioAt(string $url, string $token): SpeechStudio
    {
        return new SpeechStudio($this->http, $url, $token);
    }

    /** @return list<string> kinds of switches that can be spoken to */
    public function kinds(): array
    {
        return array_keys($this->makers());
    }

    public function maker(string $kind): SwitchMaker
    {
        $class = $this->makers()[$kind] ?? throw new \LogicException("nobody here speaks to a {$kind}");
        $maker = $this->container->make($class);

        return $maker instanceof SwitchMaker ? $maker : throw new \LogicException("{$class} makes no switch");
    }

    /** @return array<string, mixed> as the maker of its kind takes them */
    public function settingsOf(Connection $connection, string $token): array
    {
        $folder = config('roster.file_switches');

        return [
            'kind' => $connection->kind, 'url' => $connection->url, 'token' => $token,
            'directory' => $connection->directory === null || ! is_string($folder)
                ? null
                : "{$folder}/{$connection->directory}",
        ];
    }

    /** @return array{string, string} address and token: what leads settled goes before the settings file */
    private function other(string $name, ?Connection $settled): array
    {
        if ($settled !== null) {
            return [(string) $settled->url, $this->house->token($name)];
        }
        $file = config("roster.{$name}");

        return [self::text($file, 'url'), self::text($file, 'token')];
    }

    /** @return array<string, class-string> */
    private function makers(): array
    {
        $kinds = config('roster.switch_kinds');

        /** @var array<string, class-string> */
        return is_array($kinds) ? $kinds : [];
    }

    private static function text(mixed $of, string $name): string
    {
        return is_array($of) && is_string($of[$name] ?? null) ? $of[$name] : '';
    }
}
