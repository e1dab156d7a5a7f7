<?php

declare(strict_types=1);

namespace App\Settings;

use App\Access\AccessDenied;
use App\Access\Leads;
use App\Access\Scope;
use App\Activity\ActivityLog;
use App\House\Connection;
use App\House\House;
use App\House\Settings;
use App\Models\Technician;
use App\Switching\Switches;
use App\Time\Clock;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Validation\ValidationException;

/** What leads settle for the whole house: read, changed a part at a time, each change logged with before and after. */
final readonly class SettingsDesk
{
    public function __construct(
        private House $house,
        private Reached $reached,
        private Scope $scope,
        private ActivityLog $log,
        private Clock $clock,
        private ConnectionInterface $db,
        private Leads $leads,
    ) {
    }

    /**
     * @return array{Settings, list<Technician>} with everybody who may be named in them
     *
     * @throws AccessDenied
     */
    public function read(Technician $lead): array
    {
        $this->leads->requireSettings($lead);
        $people = Technician::query()->whereNull('closed_at')->orderBy('name')->get()->all();

        return [$this->house->settings(), array_values($people)];
    }

    /** @return array<string, int> customers by switch */
    public function customersOn(): array
    {
        $counts = [];
        foreach (array_keys($this->reached->switchesKnown()) as $name) {
            $counts[$name] = $this->on($name);
        }

        return $counts;
    }

    /**
     * @param  array<string, mixed>  $said  as SettingsForm lets it through: only what is to be changed
     *
     * @throws AccessDenied
     * @throws ValidationException
     */
    public function change(Technician $lead, array $said): Settings
    {
        $this->leads->requireSettings($lead);

        return $this->scope->technician($lead->id, function () use ($lead, $said): Settings {
            $this->house->forget();
            $before = $this->house->settings()->toArray();
            [$changed, $tokens] = $this->sorted($lead, $said);
            $after = Settings::of([...$before, ...$changed])->toArray();
            $differences = self::differences($before, $after, $tokens);
            if ($differences !== []) {
                $this->house->write($lead->id, $after, $tokens, $this->clock->now());
                $this->log->note($lead->id, 'changed settings', ['changes' => $differences]);
            }

            return $this->house->settings();
        });
    }

    /**
     * @param  array<string, mixed>  $said
     * @return array{array<string, mixed>, array<string, ?string>} settings, and tokens by connection
     */
    private function sorted(Technician $lead, array $said): array
    {
        $tokens = [];
        if (array_key_exists('nightlyAs', $said)) {
            $said['nightlyAs'] = $this->technician($said['nightlyAs']);
        }
        if (is_array($said['retention'] ?? null)) {
            $said['retention'] += $this->house->settings()->retention->toArray();
        }
        if (is_string($said['colour'] ?? null)) {
            $said['colour'] = strtolower($said['colour']);
        }
        if (array_key_exists('letterhead', $said)) {
            $said['letterhead'] ??= '';
        }
        if (($said['secondFactorFor'] ?? []) !== [] && ! $lead->usesSecondFactor()) {
            throw ValidationException::withMessages([
                'secondFactorFor' => 'Switch on your own second factor first: you would be shut out by this at once.',
            ]);
        }
        if (is_array($said['switches'] ?? null)) {
            [$said['switches'], $ofSwitches] = $this->switches(array_values($said['switches']));
            $tokens = [...$tokens, ...$ofSwitches];
        }
        foreach (['carrier', 'studio'] as $name) {
            if (array_key_exists($name, $said)) {
                $url = self::text($said[$name], 'url');
                if ($url === '') {
                    $said[$name] = null;
                    $tokens[$name] = null;

                    continue;
                }
                $token = self::text($said[$name], 'token');
                self::requireToken($this->house->settings()->{$name}?->url, $url, $token, $name);
                if ($token !== '') {
                    $tokens[$name] = $token;
                }
                $said[$name] = (new Connection($name, $name, $url))->toArray();
            }
        }

        return [$said, $tokens];
    }

    /**
     * @param  list<mixed>  $said
     * @return array{list<array<string, string>>, array<string, ?string>}
     */
    private function switches(array $said): array
    {
        $were = array_column($this->house->settings()->switches, null, 'name');
        $faults = $tokens = $kept = [];
        foreach ($said as $place => $row) {
            $name = self::text($row, 'name');
            $kind = self::text($row, 'kind');
            $url = self::text($row, 'url');
            $directory = self::text($row, 'directory');
            $token = self::text($row, 'token');
            if (isset($this->reached->switchesOfFile()[$name]) || in_array($name, ['carrier', 'studio'], true)) {
                $faults["switches.{$place}.name"] = 'This name is taken by the settings file.';
            }
            if (! in_array($kind, $this->reached->kinds(), true)) {
                $faults["switches.{$place}.kind"] = 'Nobody here speaks to such a switch.';

                continue;
            }
            if (($were[$name]->kind ?? $kind) !== $kind) {
                $faults["switches.{$place}.kind"] = 'What kind it is stays as it is; add another switch instead.';
            }
            $wants = $this->reached->maker($kind)->wants();
            if (in_array('url', $wants, true) && $url === '') {
                $faults["switches.{$place}.url"] = 'Say where it listens.';
            }
            if (in_array('directory', $wants, true) && $directory === '') {
                $faults["switches.{$place}.directory"] = 'Say which folder it is.';
            }
            if (in_array('token', $wants, true)) {
                try {
                    self::requireToken($were[$name]->url ?? null, $url, $token, "switches.{$place}");
                } catch (ValidationException $fault) {
                    $faults["switches.{$place}.token"] = $fault->getMessage();
                }
                if ($token !== '') {
                    $tokens[$name] = $token;
                }
            }
            $kept[] = (new Connection(
                $name,
                $kind,
                in_array('url', $wants, true) ? $url : null,
                in_array('directory', $wants, true) ? $directory : null,
            ))->toArray();
        }
        foreach (array_diff(array_keys($were), array_column($kept, 'name')) as $gone) {
            $on = $this->on($gone);
            if ($on > 0) {
                $faults['switches'] = Switches::title($gone) . ' has ' . ($on === 1 ? 'a customer' : "{$on} customers")
                    . ' on it; move them to another switch first.';
            }
            $tokens[$gone] = null;
        }
        if ($faults !== []) {
            throw ValidationException::withMessages($faults);
        }

        return [$kept, $tokens];
    }

    /** A token that was meant for one address is not sent to another. */
    private static function requireToken(?string $before, string $url, string $token, string $field): void
    {
        if ($token === '' && $before !== $url) {
            throw ValidationException::withMessages([
                "{$field}.token" => $before === null
                    ? 'Say the token it lets us in by.'
                    : 'The address is another one: say the token again.',
            ]);
        }
    }

    private function technician(mixed $signIn): ?string
    {
        if (! is_string($signIn) || $signIn === '') {
            return null;
        }

        return Technician::query()->whereNull('closed_at')->where('sign_in', mb_strtolower($signIn))->first()->id
            ?? throw ValidationException::withMessages(['nightlyAs' => 'Nobody of the staff signs in so.']);
    }

    private function on(string $switch): int
    {
        $row = $this->db->selectOne('select roster_customers_on(?) as found', [$switch]);

        return is_object($row) && is_int($row->found ?? null) ? $row->found : 0;
    }

    /**
     * @param  array<string, mixed>  $before
     * @param  array<string, mixed>  $after
     * @param  array<string, ?string>  $tokens
     * @return list<array{path: string, before: mixed, after: mixed}>
     */
    private static function differences(array $before, array $after, array $tokens): array
    {
        $differences = [];
        foreach ($after as $name => $value) {
            if (($before[$name] ?? null) !== $value) {
                $differences[] = ['path' => $name, 'before' => $before[$name] ?? null, 'after' => $value];
            }
        }
        foreach ($tokens as $of => $token) {
            // What it is stays out of every log.
            $differences[] = [
                'path' => "token of {$of}", 'before' => null, 'after' => $token === null ? 'taken away' : 'set',
            ];
        }

        return $differences;
    }

    private static function text(mixed $of, string $name): string
    {
        return is_array($of) && is_string($of[$name] ?? null) ? trim($of[$name]) : '';
    }
}
