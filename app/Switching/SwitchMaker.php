<?php

declare(strict_types=1);

namespace App\Switching;

/** Makes the connector of a switch from its settings: what each folder of a switch has, and config/roster.php
 * names. */
interface SwitchMaker
{
    /** @param array<string, mixed> $settings as config/roster.php has them under the switch's name */
    public function make(string $name, array $settings): SwitchConnector;

    /** @return list<'url'|'token'|'directory'> what it has to be told to be reached */
    public function wants(): array;

    /**
     * Asks it for something small, to find out whether the settings are right.
     *
     * @param  array<string, mixed>  $settings
     *
     * @throws SwitchTrouble
     */
    public function reach(array $settings): void;
}
