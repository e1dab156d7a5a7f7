<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Drift\DriftReport;
use App\Drift\ImpactReport;
use App\Drift\LiveView;
use App\Drift\Weighed;
use App\Push\RunSheetStore;
use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\TwoBooks\Noticed;
use Jaunty\Core\Calls\Year\WeekStrip;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Provisioning\Step;
use Jaunty\Core\Provisioning\Unsupported;

/** Book against live, as the contract has it. */
final class LiveResource
{
    /**
     * @param  array<string, string>  $switches  titles of all there are, by name
     * @return array<string, mixed>
     */
    public static function of(LiveView $view, array $switches): array
    {
        $report = $view->report();
        $told = [
            'differences' => array_map(get_object_vars(...), $report->differences ?? []),
            'left' => array_map(get_object_vars(...), $report->left ?? []),
            'waived' => array_map(static fn (array $waived): array => [
                'difference' => get_object_vars($waived[0]), 'id' => $waived[1]->id, 'reason' => $waived[1]->reason,
                'until' => $waived[1]->until, 'by' => $waived[1]->technician->name,
                'at' => $waived[1]->made_at->toAtomString(),
            ], $report->waived ?? []),
        ];
        $book = $view->book;

        return [
            'onSwitch' => $view->snapshot !== null,
            'pinsToTell' => $view->pinsToTell,
            'readAt' => $view->snapshot?->read_at->toAtomString(),
            'switch' => [
                'name' => $view->switch->name(),
                'title' => $view->switch->title(),
                'others' => array_map(
                    static fn (string $name, string $title): array => ['name' => $name, 'title' => $title],
                    array_keys(array_diff_key($switches, [$view->switch->name() => true])),
                    array_values(array_diff_key($switches, [$view->switch->name() => true])),
                ),
                'takesPins' => $view->switch->capabilities()->takesSecrets,
                'unsupported' => array_map(static fn (Unsupported $each): array => [
                    'object' => $each->object, 'path' => $each->path, 'why' => $each->why,
                    'label' => $book->find(Reference::parse($each->object))?->label() ?? $each->object,
                ], $view->unsupported()),
            ],
            ...$told,
            'numbers' => (object) NumbersResource::in($told),
            'signed' => $view->signed === null ? null : [
                'revision' => $view->signed[0]->revision, 'by' => $view->signed[0]->signed_by,
                'on' => $view->signed[0]->signed_on,
                'since' => array_map(get_object_vars(...), DriftReport::sinceSigned($view->signed[1], $book)),
            ],
            'runSheet' => array_map(static fn (Step $step): array => [
                'kind' => $step->kind->value,
                'object' => (string) $step->object,
                'label' => RunSheetStore::label($step, $book, $view->compared?->live),
                'fields' => array_keys($step->fields),
            ], $view->runSheet()->steps),
        ];
    }

    /** @return array<string, mixed> */
    public static function impact(?Weighed $weighed): array
    {
        if ($weighed === null) {
            return [
                'readAt' => null, 'impact' => null, 'strips' => null, 'findings' => [], 'noticed' => [], 'brings' => [],
            ];
        }
        [$compared, $beside] = [$weighed->compared, $weighed->beside];

        return [
            'readAt' => $weighed->readAt->format(\DateTimeInterface::ATOM),
            'impact' => ImpactReport::of(
                $beside->book,
                $compared->live,
                $beside->difference(),
                $beside->day->began(),
                $beside->now,
            ),
            'strips' => [
                'book' => WeekStrip::ofMain($beside->book, $beside->now)?->toArray(),
                'live' => WeekStrip::ofMain($compared->live, $beside->now)?->toArray(),
            ],
            'findings' => array_map(
                static fn (Finding $finding): array => FindingResource::of($finding, $compared->target),
                Auditor::ofDrift()->audit($beside),
            ),
            'brings' => array_map(
                static fn (Finding $finding): array => FindingResource::of($finding, $compared->live),
                $weighed->brings,
            ),
            'noticed' => array_map(
                static fn (Operation $each): array => ['object' => (string) $each->object, 'path' => $each->path],
                $beside->difference() === null
                    ? []
                    : Noticed::of($compared->live, $compared->changedThere(), $beside->day->began()),
            ),
        ];
    }
}
