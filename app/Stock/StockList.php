<?php

declare(strict_types=1);

namespace App\Stock;

use App\Access\Scope;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;

/** All the reseller's numbers, a page at a time: those of nobody, and of customers that the technician may see. */
final readonly class StockList
{
    public function __construct(private Scope $scope, private ConnectionInterface $db)
    {
    }

    /** @return array{list<StockLine>, ?string, array<int>} a page, what the next one is after, and how many by state */
    public function page(string $technicianId, StockFilter $filter): array
    {
        return $this->scope->technician($technicianId, function () use ($technicianId, $filter): array {
            if (! $this->scope->hasAnyGrant($technicianId)) {
                return [[], null, []];
            }
            $rows = $this->matching($filter)
                ->when($filter->state !== null, static fn (Builder $query) => $query
                    ->where('n.state', $filter->state?->value))
                ->when($filter->after !== null, static fn (Builder $query) => $query
                    ->where('n.e164', '>', $filter->after))
                ->orderBy('n.e164')
                ->limit($filter->most + 1)
                ->get([
                    'n.e164', 'n.region', 'n.kind', 'n.state', 'n.since', 'n.until', 't.key as customer',
                    't.name as customer_name', 'f.label', 'd.label as leads_to', 'n.came_with', 'n.once_cents',
                    'n.monthly_cents', 'n.currency',
                ])
                ->all();
            $lines = array_map(StockLine::of(...), array_values($rows));
            $page = array_slice($lines, 0, $filter->most);
            $counts = $this->matching($filter)->groupBy('n.state')->selectRaw('n.state, count(*) as many')
                ->pluck('many', 'state')
                ->all();

            return [
                $page,
                count($lines) > $filter->most ? $page[count($page) - 1]->number : null,
                array_filter($counts, is_int(...)),
            ];
        });
    }

    private function matching(StockFilter $filter): Builder
    {
        $query = $this->db->table('numbers as n')
            ->leftJoin('tenants as t', 't.id', '=', 'n.tenant_id')
            ->leftJoin('findables as f', static fn (JoinClause $join) => $join->on('f.tenant_id', '=', 'n.tenant_id')
                ->on('f.key', '=', 'n.e164')
                ->where('f.kind', 'number'))
            ->leftJoin('findables as d', static fn (JoinClause $join) => $join->on('d.tenant_id', '=', 'f.tenant_id')
                ->on('d.object_id', '=', 'f.leads_to'));
        if ($filter->words === '') {
            return $query;
        }
        $digits = (string) preg_replace('/[\s().+-]+/', '', $filter->words);
        $like = '%' . addcslashes($filter->words, '%_\\') . '%';

        return ctype_digit($digits)
            ? $query->where('n.e164', 'like', '%' . preg_replace('/^0+/', '', $digits) . '%')
            : $query->where(static fn (Builder $any) => $any->where('t.name', 'ilike', $like)
                ->orWhere('f.label', 'ilike', $like)
                ->orWhere('n.came_with', 'ilike', $like));
    }
}
