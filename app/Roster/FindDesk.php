<?php

declare(strict_types=1);

namespace App\Roster;

use App\Access\Scope;
use App\Book\Findable;
use App\Models\FindableRow;
use Illuminate\Database\Query\Builder;

/** Finds objects of every customer of a technician by words, extensions, and numbers however they are written. */
final readonly class FindDesk
{
    private const MOST = 20;

    /** Fewer digits are an extension. */
    private const LEAST_OF_A_NUMBER = 4;

    public function __construct(private Scope $scope)
    {
    }

    /** @return list<Found> the closest first */
    public function find(string $technicianId, string $said): array
    {
        $words = Findable::plain($said);
        if ($words === '') {
            return [];
        }
        $digits = preg_match('/^[\d\s().+-]+$/D', $said) === 1 ? (string) preg_replace('/\D/', '', $said) : null;

        return $this->scope->technician($technicianId, static fn (): array => array_values(
            FindableRow::query()->join('tenants', 'tenants.id', '=', 'findables.tenant_id')
                ->toBase()
                ->where(static fn (Builder $query) => $digits === null
                    ? self::byWords($query, $words)
                    : self::byDigits($query, $digits))
                ->orderByRaw('(findables.extension = ?) is true desc', [$digits ?? $words])
                ->orderByRaw('position(? in findables.words) = 1 desc', [$words])
                ->orderBy('tenants.name')
                ->orderBy('findables.label')
                ->limit(self::MOST)
                ->get([
                    'tenants.key as customer', 'tenants.name as name', 'findables.kind as kind',
                    'findables.key as key', 'findables.label as label', 'findables.extension as extension',
                ])
                ->map(static fn (\stdClass $row): Found => Found::of($row))
                ->all(),
        ));
    }

    private static function byWords(Builder $query, string $words): void
    {
        $query->whereRaw("to_tsvector('simple', findables.words) @@ to_tsquery('simple', ?)", [
            implode(' & ', array_map(static fn (string $word): string => "{$word}:*", explode(' ', $words))),
        ]);
    }

    /** As it begins with its country code or without it, or as it ends. */
    private static function byDigits(Builder $query, string $digits): void
    {
        $query->where('findables.extension', 'like', "{$digits}%");
        if (strlen($digits) >= self::LEAST_OF_A_NUMBER) {
            $query->orWhere('findables.digits', 'like', "{$digits}%")
                ->orWhere('findables.national', 'like', preg_replace('/^0/', '', $digits) . '%')
                ->orWhereRaw('reverse(findables.digits) like ?', [strrev($digits) . '%']);
        }
    }
}
