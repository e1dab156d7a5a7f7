<?php

declare(strict_types=1);

namespace App\Switching\Practice;

use App\Switching\Practice\Fields\Ringers;
use App\Switching\SwitchConnector;
use App\Switching\SwitchMaker;
use App\Switching\Table\TableConnector;
use Illuminate\Http\Client\Factory;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Prompts\SoundFormat;
use Jaunty\Core\Provisioning\Capabilities;

/** The practice switch. Settings: `url` and `token`. */
final readonly class PracticeSwitch implements SwitchMaker
{
    private const LONGEST_PROMPT_SECONDS = 600;

    public function __construct(private Factory $http)
    {
    }

    public function make(string $name, array $settings): SwitchConnector
    {
        $setting = static fn (string $key): string => is_string($settings[$key] ?? null)
            ? $settings[$key]
            : throw new \LogicException("config/roster.php says no {$key} of {$name}");
        $fields = [];
        foreach ([Kind::Tenant, ...Translation::carried()] as $kind) {
            $fields[$kind->value] = array_keys(Translation::fields($kind));
        }

        return new TableConnector(
            $name,
            'practice switch',
            new Translation(),
            new PracticeRecords(new SwitchApi($this->http, $setting('url'), $setting('token'))),
            new Capabilities($fields, Ringers::RING_SECONDS),
            SoundFormat::telephone(self::LONGEST_PROMPT_SECONDS),
        );
    }
}
