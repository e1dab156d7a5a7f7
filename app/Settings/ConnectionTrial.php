<?php

declare(strict_types=1);

namespace App\Settings;

use App\Access\AccessDenied;
use App\Access\Leads;
use App\House\Connection;
use App\House\House;
use App\Models\Technician;
use App\Prompts\StudioTrouble;
use App\Stock\CarrierTrouble;
use App\Switching\SwitchTrouble;
use Illuminate\Validation\ValidationException;

/** Whether a switch, the carrier or the studio can be reached with the settings as they stand on the page. */
final readonly class ConnectionTrial
{
    public function __construct(private Reached $reached, private House $house, private Leads $leads)
    {
    }

    /**
     * @param  string  $of  `carrier`, `studio` or the name of a switch
     * @param  ?string  $token  null: the one that is kept, where the address is the one it is kept for
     * @return ?string what is wrong, in words; null where it answered as it should
     *
     * @throws AccessDenied
     */
    public function trouble(Technician $lead, string $of, Connection $connection, ?string $token): ?string
    {
        $this->leads->requireSettings($lead);
        $isOther = in_array($of, ['carrier', 'studio'], true);
        if (! $isOther && ! in_array($connection->kind, $this->reached->kinds(), true)) {
            throw ValidationException::withMessages(['kind' => 'Nobody here speaks to such a switch.']);
        }
        $token ??= $this->kept($of, $connection);
        try {
            match ($of) {
                'carrier' => $this->reached->carrierAt((string) $connection->url, $token)->reach(),
                'studio' => $this->reached->studioAt((string) $connection->url, $token)->speak('One, two.', 'en'),
                default => $this->reached->maker($connection->kind)->reach(
                    $this->reached->switchesOfFile()[$of] ?? $this->reached->settingsOf($connection, $token),
                ),
            };
        } catch (SwitchTrouble | CarrierTrouble | StudioTrouble $trouble) {
            return $trouble->getMessage();
        }

        return null;
    }

    private function kept(string $of, Connection $connection): string
    {
        $settings = $this->house->settings();
        $kept = match ($of) {
            'carrier' => $settings->carrier,
            'studio' => $settings->studio,
            default => array_column($settings->switches, null, 'name')[$of] ?? null,
        };

        return $kept?->url === $connection->url ? $this->house->token($of) : '';
    }
}
