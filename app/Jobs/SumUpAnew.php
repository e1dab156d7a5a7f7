<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Access\Ability;
use App\Access\Scope;
use App\Book\BookRepository;
use App\Book\SummaryKeeper;
use App\Models\TenantRow;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;

/** Another day has begun at some customers': their lines on the Roster speak of it. Safe to run twice. */
final class SumUpAnew implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    /** A slice of a few seconds; the rest goes on in a job of its own. */
    private const AT_ONCE = 40;

    /** @param list<string> $tenantIds */
    public function __construct(public readonly string $technicianId, public readonly array $tenantIds)
    {
        $this->afterCommit = true;
    }

    public function handle(Scope $scope, BookRepository $books, SummaryKeeper $summaries): void
    {
        foreach (array_slice($this->tenantIds, 0, self::AT_ONCE) as $tenantId) {
            $scope->tenant($this->technicianId, $tenantId, Ability::Read, static function (TenantRow $tenant) use ($books, $summaries): void {
                $summaries->dayChanged($tenant->id, $books->head($tenant->id));
            });
        }
        $rest = array_slice($this->tenantIds, self::AT_ONCE);
        if ($rest !== []) {
            self::dispatch($this->technicianId, $rest);
        }
    }
}
