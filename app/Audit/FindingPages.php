<?php

declare(strict_types=1);

namespace App\Audit;

use App\Models\FindingRow;
use App\Support\Words;
use App\Time\Clock;
use Illuminate\Database\Connection;
use Illuminate\Database\Query\Builder;
use Jaunty\Core\Audit\Severity;

/**
 * The findings of all customers as rows: a head for each rule or customer, its findings below it, the heaviest first.
 * Only those in view are read. In the technician's scope.
 *
 * @phpstan-type Head array{row: int, key: string, title: string, count: int, mendable: int}
 * @phpstan-type Placed array{row: int, tenant: string, customer: string, fingerprint: string}
 * @phpstan-type Window array{rows: int, total: int, customers: int, place: ?int, from: int, heads: list<Head>,
 *     lines: list<array{row: int, line: \stdClass}>}
 */
final readonly class FindingPages
{
    public const MOST_ROWS = 120;

    /** Rows before the one somebody stands on. */
    private const BEFORE = 40;

    public function __construct(private Clock $clock, private Connection $db)
    {
    }

    /**
     * @param  ?int  $from  the first row; null for a window around one finding
     * @param  string  $at  "CUSTOMER FINGERPRINT"; its row is told, where it is among them
     * @return Window
     */
    public function window(string $technicianId, FindingsSought $sought, ?int $from, string $at): array
    {
        [$placed, $bindings] = $this->placed($technicianId, $sought);
        $most = self::MOST_ROWS;
        $before = self::BEFORE;
        $told = $this->db->selectOne(<<<SQL
            {$placed},
            asked as materialized (select ?::int as own,
                (select row from placed where customer || ' ' || fingerprint = ?) as place),
            view as materialized (select place, coalesce(own, greatest(0, coalesce(place, 0) - {$before})) as first
                from asked)
            select json_build_object(
                'rows', (select count(*) from found) + (select count(*) from groups),
                'total', (select count(*) from found),
                'customers', (select count(distinct tenant_id) from found),
                'place', view.place,
                'from', view.first,
                'heads', (select coalesce(json_agg(json_build_object('row', head_row, 'key', "group", 'title', head,
                    'count', many, 'mendable', mendable) order by head_row), '[]') from groups
                    where head_row >= view.first and head_row < view.first + {$most}),
                'lines', (select coalesce(json_agg(json_build_object('row', row, 'tenant', tenant_id, 'customer',
                    customer, 'fingerprint', fingerprint) order by row), '[]') from placed
                    where row >= view.first and row < view.first + {$most})
            ) as told from view
            SQL, [...$bindings, $from, $at]);
        $json = is_object($told) && is_string($told->told ?? null) ? $told->told : '{}';
        /**
         * @var array{rows: int, total: int, customers: int, place: ?int, from: int, heads: list<Head>,
         *     lines: list<Placed>} $window
         */
        $window = (array) json_decode($json, true, flags: JSON_THROW_ON_ERROR);

        return ['lines' => $this->told($window['lines'])] + $window;
    }

    /**
     * All that are wanted, in their order: for a file, or for what is done with them.
     *
     * @return list<array{customer: string, fingerprint: string}>
     */
    public function keys(string $technicianId, FindingsSought $sought, int $most): array
    {
        [$placed, $bindings] = $this->placed($technicianId, $sought);
        /** @var list<object{customer: string, fingerprint: string}&\stdClass> $found */
        $found = $this->db->select(
            "{$placed} select customer, fingerprint from placed order by row limit ?",
            [...$bindings, $most],
        );

        return array_map(
            static fn (object $each): array => ['customer' => $each->customer, 'fingerprint' => $each->fingerprint],
            $found,
        );
    }

    /**
     * Begins a statement: `found` are the findings, `groups` their rules or customers with the rows of their heads,
     * `placed` the row of each finding, heads counted with. Whose name comes before whose is found once for each
     * customer and not for each finding: comparing as people do is slow.
     *
     * @return array{string, list<mixed>} and what is bound in it
     */
    private function placed(string $technicianId, FindingsSought $sought): array
    {
        $weights = implode(' ', array_map(
            static fn (Severity $severity, int $nth): string => "when '{$severity->value}' then {$nth}",
            Severity::cases(),
            array_keys(Severity::cases()),
        ));
        $group = $sought->byCustomer ? 't.key' : 'f.rule';
        $head = $sought->byCustomer ? 't.name' : 'f.rule';
        $found = $this->found($technicianId, $sought, $weights)->selectRaw(
            "f.tenant_id, t.nth, t.key as customer, f.fingerprint, f.title, {$group} as \"group\", {$head} as head, "
                . "case f.severity {$weights} end as weight, f.fix is not null and not f.waived as can_be_mended",
        );

        return [<<<SQL
            with named as materialized (select id, key, name, zone,
                row_number() over (order by name collate roster_names, key) as nth from tenants),
            found as materialized ({$found->toSql()}),
            groups as materialized (select *, (nth - 1 + sum(many) over (order by nth) - many)::int as head_row from
                (select *, row_number() over (order by heaviest, many desc, head collate roster_names, "group") as nth
                from (select "group", min(head) as head, min(weight) as heaviest, count(*)::int as many,
                    (count(*) filter (where can_be_mended))::int as mendable from found group by "group") summed)
                numbered),
            placed as materialized (select tenant_id, customer, fingerprint, (groups.nth - 1 + row_number() over
                (order by groups.nth, weight, found.nth, title collate "C", fingerprint))::int as row
                from found join groups using ("group"))
            SQL, array_values($found->getBindings())];
    }

    private function found(string $technicianId, FindingsSought $sought, string $weights): Builder
    {
        $now = $this->clock->now()->format(\DateTimeInterface::ATOM);
        $query = FindingRow::query()->toBase()->from('findings', 'f')->join('named as t', 't.id', '=', 'f.tenant_id')
            ->where('f.waived', $sought->kind === 'waived');
        match ($sought->kind) {
            'fresh' => $query->whereRaw("f.first_seen >= ?::timestamptz - interval '1 day'", [$now]),
            'mine' => $query->where('f.assignee_id', $technicianId),
            'nobodys' => $query->whereNull('f.assignee_id'),
            // By the day at the customer's.
            'due' => $query->whereRaw('f.due_on <= (?::timestamptz at time zone t.zone)::date', [$now]),
            'mendable' => $query->whereNotNull('f.fix'),
            default => $query,
        };
        if ($sought->weight !== null) {
            $query->whereRaw("case f.severity {$weights} end <= ?", [
                array_search($sought->weight, Severity::cases(), true),
            ]);
        }
        if ($sought->group !== null) {
            $query->where($sought->byCustomer ? 't.key' : 'f.rule', $sought->group);
        }
        foreach (Words::of($sought->words) as $word) {
            $query->whereRaw("position(? in lower(concat_ws(' ', t.name, f.rule, f.title, f.detail))) > 0", [$word]);
        }

        return $query;
    }

    /**
     * @param  list<Placed>  $rows
     * @return list<array{row: int, line: \stdClass}>
     */
    private function told(array $rows): array
    {
        if ($rows === []) {
            return [];
        }
        /** @var list<object{customer: string, fingerprint: string}&\stdClass> $found */
        $found = FindingRow::query()
            ->join('tenants', 'tenants.id', '=', 'findings.tenant_id')
            ->whereIn('tenant_id', array_values(array_unique(array_column($rows, 'tenant'))))
            ->whereIn('fingerprint', array_values(array_unique(array_column($rows, 'fingerprint'))))
            ->select([
                'tenants.key as customer', 'tenants.name', 'tenants.zone', 'rule', 'severity', 'title', 'detail',
                'object', 'count', 'waived', 'fingerprint', 'fix', 'first_revision as revision',
                'assignee_id as assignee', 'due_on as due',
            ])
            ->selectRaw(
                "to_char(first_seen at time zone 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS\"Z\"') as \"firstSeen\", "
                    . "to_char(last_seen at time zone 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS\"Z\"') as \"lastSeen\"",
            )
            ->toBase()->get()->all();
        $lines = [];
        foreach ($found as $line) {
            $lines["{$line->customer} {$line->fingerprint}"] = $line;
        }
        $told = [];
        foreach ($rows as $row) {
            $line = $lines["{$row['customer']} {$row['fingerprint']}"] ?? null;
            if ($line !== null) {
                $told[] = ['row' => $row['row'], 'line' => $line];
            }
        }

        return $told;
    }
}
