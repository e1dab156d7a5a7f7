<?php

declare(strict_types=1);

namespace App\Switching\Practice;

use App\Switching\Practice\Fields\Ringers;
use App\Switching\SwitchConnector;
use App\Switching\Switches;
use App\Switching\SwitchMaker;
use App\Switching\SwitchTrouble;
use App\Switching\Table\RecordGone;
use App\Switching\Table\TableConnector;
use Illuminate\Http\Client\Factory;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Prompts\SoundFormat;
use Jaunty\Core\Provisioning\Capabilities;

/** The practice switch. Settings: `url` and `token`. */
final readonly class PracticeSwitch implements SwitchMaker
{
    private const LONGEST_PROMPT_SECONDS = 600;

    /** What it takes for each feature; it knows no other. */
    private const CODES = [
        'pickUp' => '*8', 'pickUpOf' => '*88', 'intercom' => '*5', 'speedDial' => '*0', 'signIn' => '*11',
    ];

    public function __construct(private Factory $http)
    {
    }

    public function make(string $name, array $settings): SwitchConnector
    {
        $fields = [];
        foreach ([Kind::Tenant, ...Translation::carried()] as $kind) {
            $fields[$kind->value] = array_keys(Translation::fields($kind));
        }

        return new TableConnector(
            $name,
            Switches::title($name),
            new Translation(),
            new PracticeRecords($this->api($settings)),
            new Capabilities($fields, Ringers::RING_SECONDS, codes: self::CODES),
            SoundFormat::telephone(self::LONGEST_PROMPT_SECONDS),
        );
    }

    public function wants(): array
    {
        return ['url', 'token'];
    }

    public function reach(array $settings): void
    {
        try {
            $this->api($settings)->look('/v1/accounts', ['handle' => '-']);
        } catch (RecordGone) {
            throw SwitchTrouble::refused('what answers there is no practice switch');
        }
    }

    /** @param array<string, mixed> $settings */
    private function api(array $settings): SwitchApi
    {
        $setting = static fn (string $key): string => is_string($settings[$key] ?? null) ? $settings[$key] : '';

        return new SwitchApi($this->http, $setting('url'), $setting('token'));
    }
}
