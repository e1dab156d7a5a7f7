<?php

declare(strict_types=1);

namespace App\Switching;

use App\Models\TenantRow;
use Illuminate\Contracts\Container\Container;

/** The switches there are, by the names that customers have them by. */
final class Switches
{
    /** @var array<string, SwitchConnector> */
    private array $made = [];

    /**
     * @param  array<string, array{maker: class-string<SwitchMaker>}&array<string, mixed>>  $known  settings by name;
     *     the first is where new customers go
     */
    public function __construct(private readonly Container $container, private readonly array $known)
    {
    }

    public function of(TenantRow $tenant): SwitchConnector
    {
        return $this->named($tenant->connector);
    }

    public function named(string $name): SwitchConnector
    {
        $settings = $this->known[$name]
            ?? throw new \LogicException("no switch is called {$name}; config/roster.php names them");

        return $this->made[$name] ??= $this->maker($settings['maker'])->make($name, $settings);
    }

    /** @param class-string<SwitchMaker> $class */
    private function maker(string $class): SwitchMaker
    {
        $maker = $this->container->make($class);

        return $maker instanceof SwitchMaker ? $maker : throw new \LogicException("{$class} makes no switch");
    }

    /** Where customers go that are not on a switch yet. */
    public function standard(): SwitchConnector
    {
        return $this->named($this->names()[0]);
    }

    /** @return non-empty-list<string> */
    public function names(): array
    {
        $names = array_keys($this->known);

        return $names === [] ? throw new \LogicException('config/roster.php names no switch') : $names;
    }

    /** @return array<string, string> titles by name */
    public function titles(): array
    {
        $titles = [];
        foreach ($this->names() as $name) {
            $titles[$name] = $this->named($name)->title();
        }

        return $titles;
    }
}
