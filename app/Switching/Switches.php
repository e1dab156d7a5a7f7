<?php

declare(strict_types=1);

namespace App\Switching;

use App\Models\TenantRow;

/** The switches there are, by the names that customers have them by. */
final class Switches
{
    /** @var array<string, SwitchConnector> */
    private array $made = [];

    /** @var ?array<string, array{maker: SwitchMaker, ...<string, mixed>}> */
    private ?array $known = null;

    /**
     * @param  \Closure(): array<string, array{maker: SwitchMaker, ...<string, mixed>}>  $find  settings by name, once
     *     somebody asks: commands that make the database are made with this as well. The first is where new ones go
     */
    public function __construct(private readonly \Closure $find)
    {
    }

    /** @throws NoSwitch */
    public function of(TenantRow $tenant): SwitchConnector
    {
        return $this->named($tenant->connector);
    }

    /** @throws NoSwitch */
    public function named(string $name): SwitchConnector
    {
        $settings = $this->known()[$name] ?? throw NoSwitch::named($name);

        return $this->made[$name] ??= $settings['maker']->make($name, $settings);
    }

    /**
     * Where customers go that are not on a switch yet.
     *
     * @throws NoSwitch
     */
    public function standard(): SwitchConnector
    {
        return $this->named($this->names()[0]);
    }

    /**
     * @return non-empty-list<string>
     *
     * @throws NoSwitch
     */
    public function names(): array
    {
        $names = array_keys($this->known());

        return $names === [] ? throw NoSwitch::atAll() : $names;
    }

    /** @return array<string, array{maker: SwitchMaker, ...<string, mixed>}> */
    private function known(): array
    {
        return $this->known ??= ($this->find)();
    }

    /** What people call it: its name, in words. */
    public static function title(string $name): string
    {
        return str_replace('-', ' ', $name);
    }

    /** @return array<string, string> titles by name */
    public function titles(): array
    {
        $titles = [];
        foreach (array_keys($this->known()) as $name) {
            $titles[$name] = $this->named($name)->title();
        }

        return $titles;
    }
}
