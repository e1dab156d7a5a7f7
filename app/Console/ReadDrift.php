<?php

declare(strict_types=1);

namespace App\Console;

use App\Access\Scope;
use App\Book\BookRepository;
use App\Drift\Comparer;
use App\Drift\Comparison;
use App\Drift\LiveReader;
use App\Models\Ability;
use App\Models\Technician;
use App\Models\TenantRow;
use App\Switching\SwitchTrouble;
use Jaunty\Core\Change\Operation;

/** Reads customers from the switch and says where it differs from their books. */
final class ReadDrift extends CustomerCommand
{
    protected $signature = 'roster:drift {customer?* : keys; all that are granted where none is named} '
        . '{--as= : the technician in whose name} {--json : for programs}';

    protected $description = 'Read customers from the switch and say where it differs from their books; ends with 1 '
        . 'where any does';

    private int $ends = self::SUCCESS;

    public function __construct(
        private readonly Scope $scope,
        private readonly LiveReader $reader,
        private readonly BookRepository $books,
        private readonly Comparer $comparer,
    ) {
        parent::__construct();
    }

    protected function work(Technician $technician): int
    {
        $named = array_filter((array) $this->argument('customer'), is_string(...));
        $keys = $named !== []
            ? $named
            : array_filter(
                $this->scope->technician(
                    $technician->id,
                    static fn (): array => TenantRow::query()->orderBy('key')->pluck('key')->all(),
                ),
                is_string(...),
            );
        $report = [];
        foreach ($keys as $key) {
            try {
                $report[] = $this->one($technician, $key);
            } catch (SwitchTrouble $trouble) {
                // One customer's trouble is not the next one's.
                $this->ends = self::UNDONE;
                $report[] = ['customer' => $key, 'trouble' => $trouble->getMessage()];
                $this->say("{$key}: {$trouble->getMessage()}");
            }
        }
        if ($this->option('json') === true) {
            $this->line(json_encode(
                $report,
                JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
            ));
        }

        return $this->ends;
    }

    /** @return array<string, mixed> */
    private function one(Technician $technician, string $key): array
    {
        $reading = $this->reader->read($technician->id, $key);
        if ($reading === null) {
            $this->say("{$key}: not on the switch yet");

            return ['customer' => $key, 'onSwitch' => false, 'differences' => []];
        }
        $compared = $this->scope->tenant(
            $technician->id,
            $key,
            Ability::Read,
            fn (TenantRow $tenant): Comparison => $this->comparer->compare(
                $tenant,
                $this->books->head($tenant->id),
                $reading->live,
            ),
        );
        $operations = $compared->changedThere();
        $waiting = count($compared->drift) - count($operations);
        $this->say($key . ': ' . match (count($operations)) {
            0 => $waiting === 0 ? 'as in the book' : 'nothing was changed there',
            1 => '1 difference',
            default => count($operations) . ' differences',
        }
            . ($waiting === 0 ? '' : ", {$waiting} not pushed yet")
            . ($compared->waived === [] ? '' : ', ' . count($compared->waived) . ' waived'));
        foreach ($operations as $operation) {
            $this->say('    ' . $operation->object . (
                $operation->path === null
                ? " {$operation->kind->value}"
                : " {$operation->path}: " . self::show($operation->before) . ' -> ' . self::show($operation->after)
            ));
        }
        $this->ends = $operations === [] ? $this->ends : max($this->ends, self::FOUND);

        return [
            'customer' => $key, 'onSwitch' => true, 'notPushed' => $waiting,
            'differences' => array_map(static fn (Operation $operation): array => $operation->toArray(), $operations),
        ];
    }

    private function say(string $line): void
    {
        if ($this->option('json') !== true) {
            $this->line($line);
        }
    }

    private static function show(mixed $value): string
    {
        return json_encode($value, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
    }
}
