<?php

declare(strict_types=1);

namespace App\Demo;

use App\Access\Ability;
use App\Access\Scope;
use App\Models\Grant;
use App\Models\Push;
use App\Models\StockNumber;
use App\Models\Technician;
use App\Models\TenantRow;
use App\Push\PushDesk;
use App\Push\PushRunner;
use App\Stock\NumberStock;
use App\TakingOn\TakingOn;
use App\TakingOn\Templates;
use Illuminate\Support\Str;
use Jaunty\Core\Templates\Slug;

/**
 * Saltmarsh Voice of Port Merrow: invented people, customers and numbers, made by the same code the screens use. Loading
 * is safe to repeat: each part is made only where it is missing, so a start that was cut off is completed by the next.
 */
final readonly class Demo
{
    private const PASSWORD = 'tide-table-2026';

    private const TECHNICIANS = [
        ['sign_in' => 'lena@saltmarsh.example', 'name' => 'Lena Kestrel', 'initials' => 'LK', 'lead' => true],
        ['sign_in' => 'sol@saltmarsh.example', 'name' => 'Sol Ormerod', 'initials' => 'SO', 'lead' => false],
        ['sign_in' => 'ada@saltmarsh.example', 'name' => 'Ada Wren', 'initials' => 'AW', 'lead' => false],
    ];

    private const STOCK = ['1902' => 24, '44207946' => 12];

    private const CUSTOMERS = [
        ['name' => 'Ardent Road Veterinary', 'zone' => 'America/Halifax', 'mainNumber' => '+19025550110', 'messages' => 'Tamsin Quill'],
        ['name' => 'Coldharbour Boatyard', 'zone' => 'America/Halifax', 'mainNumber' => '+19025550111', 'messages' => 'Boyd Osei'],
        ['name' => 'East Pier Museum', 'zone' => 'Europe/London', 'mainNumber' => '+442079460002', 'messages' => 'Merrin Farrow'],
    ];

    /** Pushed to the practice switch; the others wait for their first push. */
    private const PUSHED = ['ardent-road-veterinary', 'coldharbour-boatyard'];

    public function __construct(
        private Templates $templates,
        private NumberStock $stock,
        private TakingOn $takingOn,
        private Scope $scope,
        private PushDesk $pushes,
        private PushRunner $runner,
    ) {
    }

    /** @return \Generator<string> what was done, a line each */
    public function load(): \Generator
    {
        $this->templates->ship(base_path('templates'));
        $people = array_map($this->technician(...), self::TECHNICIANS);
        $lead = $people[0];
        $this->grant($lead, $lead, null, Ability::Push);
        $this->grant($lead, $people[2], null, Ability::Read);
        foreach (self::STOCK as $prefix => $count) {
            if (! $this->hasStock($lead, (string) $prefix)) {
                $this->stock->order($lead->id, (string) $prefix, $count, 'saltmarsh-voice');
                yield "stocked {$count} numbers beginning {$prefix}";
            }
        }
        foreach (self::CUSTOMERS as $answers) {
            $key = Slug::of($answers['name']);
            if ($this->find($lead, $key) === null) {
                $this->takingOn->takeOn($lead->id, 'one-line-office', $answers);
                yield "took on {$answers['name']}";
            }
        }
        $first = $this->find($lead, Slug::of(self::CUSTOMERS[1]['name'])) ?? throw new \LogicException('taken on, yet not there');
        $this->grant($lead, $people[1], $first->id, Ability::Push);
        foreach (self::PUSHED as $key) {
            if ($this->push($lead, $key)) {
                yield "pushed {$key}";
            }
        }
    }

    /** @param array{sign_in: string, name: string, initials: string, lead: bool} $who */
    private function technician(array $who): Technician
    {
        return Technician::query()->firstOrCreate(['sign_in' => $who['sign_in']], $who + ['id' => (string) Str::uuid(), 'password' => self::PASSWORD]);
    }

    private function grant(Technician $by, Technician $to, ?string $tenantId, Ability $ability): void
    {
        $this->scope->technician($by->id, static function () use ($by, $to, $tenantId, $ability): void {
            if (! Grant::query()->where('technician_id', $to->id)->where('tenant_id', $tenantId)->exists()) {
                Grant::query()->insert([
                    'id' => (string) Str::uuid(), 'technician_id' => $to->id, 'tenant_id' => $tenantId, 'ability' => $ability->value,
                    'purpose' => 'demo', 'given_by' => $by->id,
                ]);
            }
        });
    }

    private function hasStock(Technician $lead, string $prefix): bool
    {
        return $this->scope->technician($lead->id, static fn (): bool => StockNumber::query()->where('e164', 'like', "+{$prefix}%")->exists());
    }

    private function find(Technician $lead, string $key): ?TenantRow
    {
        return $this->scope->technician($lead->id, static fn (): ?TenantRow => TenantRow::query()->where('key', $key)->first());
    }

    /** The first push of a customer, worked through here instead of by the worker. */
    private function push(Technician $lead, string $key): bool
    {
        $push = $this->scope->tenant($lead->id, $key, Ability::Push, function (TenantRow $tenant) use ($lead): ?Push {
            return Push::query()->where('tenant_id', $tenant->id)->exists() ? null : $this->pushes->ask($tenant, $lead->id, null);
        });
        if ($push === null) {
            return false;
        }
        for ($slice = 0; $slice < 100 && ($wait = $this->runner->carryOn($push->tenant_id, $lead->id, $push->id)) !== null; $slice++) {
            sleep($wait);
        }

        return true;
    }
}
