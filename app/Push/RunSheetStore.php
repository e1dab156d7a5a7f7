<?php

declare(strict_types=1);

namespace App\Push;

use App\Models\Binding;
use App\Models\Push;
use App\Models\PushStep;
use App\Models\StepStatus;
use App\Support\Parts;
use App\Switching\Bindings;
use App\Switching\Bound;
use App\Switching\Reading;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Provisioning\RunSheet;
use Jaunty\Core\Provisioning\Step;
use Jaunty\Core\Provisioning\StepKind;

/** A push's run sheet as rows, cut down to what the push is about. */
final class RunSheetStore
{
    private const MOST_NAMED = 3;

    public function write(Push $push, RunSheet $sheet, Book $book, ?Reading $reading): void
    {
        $rows = [];
        $scope = self::withNeeded($push->scope, $sheet->steps, $book);
        foreach (self::within($scope, $sheet->steps) as $position => $step) {
            $rows[] = [
                'tenant_id' => $push->tenant_id,
                'push_id' => $push->id,
                'position' => $position,
                'kind' => $step->kind->value,
                'object' => (string) $step->object,
                'label' => self::label($step, $book, $reading?->live),
                // Records that are in no book are found again by the switch's own id.
                'external_id' => $book->find($step->object) === null
                    ? $reading?->bindings->of($step->object)?->externalId
                    : null,
                'fields' => self::json($step->fields),
                'expected' => self::json($step->expected),
                'status' => StepStatus::Waiting->value,
            ];
        }
        foreach (Parts::of($rows) as $some) {
            PushStep::query()->insert($some);
        }
    }

    /** The bindings and, beside them, the records of this push that are in no book. */
    public function withForeign(Push $push, Bindings $bindings): Bindings
    {
        $steps = PushStep::query()->where('tenant_id', $push->tenant_id)
            ->where('push_id', $push->id)
            ->whereNotNull('external_id')
            ->get();

        return $bindings->withAll($steps->map(static fn (PushStep $step): array => [
            Reference::parse($step->object), new Bound((string) $step->external_id, null),
        ]));
    }

    public function forget(PushStep $step): void
    {
        if ($step->external_id !== null) {
            Binding::query()->where('tenant_id', $step->tenant_id)->where('external_id', $step->external_id)->delete();
        }
    }

    /**
     * @param  list<Operation>  $operations
     * @return list<Operation> those the push was to settle
     */
    public function inScope(Push $push, array $operations): array
    {
        $scope = $push->scope;
        if ($scope === null) {
            return $operations;
        }

        return array_values(array_filter(
            $operations,
            static fn (Operation $operation): bool => self::covers(
                $scope,
                (string) $operation->object,
                $operation->path === null ? null : explode('/', $operation->path)[0],
            ),
        ));
    }

    /** @param list<Operation> $left */
    public static function leftOver(array $left): string
    {
        $names = array_map(
            static fn (Operation $operation): string => $operation->object
                . ($operation->path === null ? '' : "/{$operation->path}"),
            array_slice($left, 0, self::MOST_NAMED),
        );
        $more = count($left) - count($names);

        return 'reading back, the switch still differs: '
            . implode(', ', $names)
            . ($more > 0 ? " and {$more} more" : '');
    }

    /**
     * What is put back may lead to what is not on the switch either: that goes there with it, and before it.
     *
     * @param  ?list<array{object: string, field: ?string}>  $scope
     * @param  list<Step>  $steps
     * @return ?list<array{object: string, field: ?string}>
     */
    private static function withNeeded(?array $scope, array $steps, Book $book): ?array
    {
        $made = [];
        foreach ($steps as $step) {
            if ($step->kind === StepKind::Create) {
                $made[(string) $step->object] = true;
            }
        }
        if ($scope === null || $made === []) {
            return $scope;
        }
        $isWhole = false;
        while (! $isWhole) {
            $isWhole = true;
            foreach (self::within($scope, $steps) as $step) {
                foreach ($book->find($step->object)?->links() ?? [] as $link) {
                    $to = (string) $link->to;
                    if (
                        isset($made[$to], $step->fields[explode('/', $link->path)[0]])
                        && ! self::covers($scope, $to, null)
                    ) {
                        $scope[] = ['object' => $to, 'field' => null];
                        $isWhole = false;
                    }
                }
            }
        }

        return $scope;
    }

    /**
     * @param  ?list<array{object: string, field: ?string}>  $scope
     * @param  list<Step>  $steps
     * @return list<Step>
     */
    private static function within(?array $scope, array $steps): array
    {
        if ($scope === null) {
            return $steps;
        }
        $kept = [];
        foreach ($steps as $step) {
            $object = (string) $step->object;
            if (self::covers($scope, $object, null)) {
                $kept[] = $step;

                continue;
            }
            $wanted = static fn (string $field): bool => self::covers($scope, $object, $field);
            $fields = array_filter($step->fields, $wanted, ARRAY_FILTER_USE_KEY);
            if ($fields !== []) {
                $kept[] = new Step($step->kind, $step->object, $fields, array_filter(
                    $step->expected,
                    $wanted,
                    ARRAY_FILTER_USE_KEY,
                ));
            }
        }

        return $kept;
    }

    public static function label(Step $step, Book $book, ?Book $live): string
    {
        $object = $book->find($step->object) ?? $live?->find($step->object);

        return $object === null ? (string) $step->object : $object->label();
    }

    /** @param list<array{object: string, field: ?string}> $scope */
    private static function covers(array $scope, string $object, ?string $field): bool
    {
        foreach ($scope as $part) {
            if ($part['object'] === $object && ($part['field'] === null || $part['field'] === $field)) {
                return true;
            }
        }

        return false;
    }

    /** @param array<string, mixed> $fields */
    private static function json(array $fields): string
    {
        return json_encode((object) $fields, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
    }
}
