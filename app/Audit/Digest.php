<?php

declare(strict_types=1);

namespace App\Audit;

use App\Access\Scope;
use App\Models\FindingRow;
use App\Models\Technician;
use App\Time\Clock;
use Illuminate\Contracts\Mail\Mailer;
use Illuminate\Mail\Message;
use Jaunty\Core\Audit\Severity;

/**
 * A letter to one technician: what is new at their customers since yesterday, heaviest first, and what they were to see
 * to by today. Where there is neither, none is written.
 *
 * @phpstan-type Line object{name: string, severity: string, title: string, detail: string, due_on: ?string,
 *     is_new: bool, is_due: bool}&\stdClass
 */
final readonly class Digest
{
    /** More than that is read on the screen. */
    private const MOST_LINES = 60;

    public function __construct(private Scope $scope, private Mailer $mailer, private Clock $clock)
    {
    }

    /** @return int how many findings the letter tells of; 0 where none was sent */
    public function sendTo(Technician $technician): int
    {
        $lines = $this->scope->technician($technician->id, fn (): array => $this->lines($technician->id));
        if ($lines === []) {
            return 0;
        }
        $new = count(array_filter($lines, static fn (object $line): bool => $line->is_new));
        $subject = ($new === 0 ? 'Nothing new' : ($new === 1 ? '1 new finding' : "{$new} new findings"))
            . (count($lines) > $new ? ', ' . (count($lines) - $new) . ' due' : '');
        $this->mailer->raw(
            $this->text($technician, $lines),
            static function (Message $message) use ($technician, $subject): void {
                $message->to($technician->sign_in)->subject($subject);
            },
        );

        return count($lines);
    }

    /** @return list<Line> */
    private function lines(string $technicianId): array
    {
        $yesterday = $this->clock->now()->modify('-1 day')->format(\DateTimeInterface::ATOM);
        // What is due today is so by the day at the customer's.
        $today = '(?::timestamptz at time zone tenants.zone)::date';
        $now = $this->clock->now()->format(\DateTimeInterface::ATOM);
        $weights = implode(' ', array_map(
            static fn (Severity $severity): string => "when '{$severity->value}' then {$severity->weight()}",
            Severity::cases(),
        ));

        /** @var list<Line> $lines */
        $lines = FindingRow::query()->join('tenants', 'tenants.id', '=', 'findings.tenant_id')->where('waived', false)
            ->where(static fn ($query) => $query->where('first_seen', '>=', $yesterday)->orWhere(
                static fn ($mine) => $mine->where('assignee_id', $technicianId)->whereRaw("due_on <= {$today}", [$now]),
            ))
            ->orderByRaw("case severity {$weights} end desc")->orderBy('tenants.name')->orderBy('title')
            ->select(['tenants.name', 'severity', 'title', 'detail', 'due_on'])
            ->selectRaw(
                "first_seen >= ? as is_new, coalesce(assignee_id = ? and due_on <= {$today}, false) as is_due",
                [$yesterday, $technicianId, $now],
            )
            ->toBase()->get()->all();

        return $lines;
    }

    /** @param list<Line> $lines */
    private function text(Technician $technician, array $lines): string
    {
        $text = "{$technician->name},\n\nsince yesterday at your customers, heaviest first:\n";
        foreach (array_slice($lines, 0, self::MOST_LINES) as $line) {
            $text .= "\n{$line->name}: {$line->title} ({$line->severity}"
                . ($line->is_due ? ", due {$line->due_on}" : '')
                . ")\n    {$line->detail}\n";
        }
        $more = count($lines) - self::MOST_LINES;
        $address = config('app.url');

        return $text
            . ($more > 0 ? "\nand {$more} more.\n" : '')
            . "\nAll of them: "
            . (is_string($address) ? $address : '')
            . "/findings\nThis letter is switched off there.\n";
    }
}
