<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\PortCase;
use App\Models\PortPaperRow;
use App\Ports\PortView;
use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Ports\CutOverLine;
use Jaunty\Core\Ports\PortLack;

/** Ports as their pages show them; never a PIN. */
final readonly class PortResource
{
    /** @return array<string, mixed> */
    public function of(PortView $view): array
    {
        $case = $view->case;
        $wish = $case->wish();

        return [
            'id' => $case->id, 'direction' => $case->direction,
            'numbers' => $case->numbers, 'shown' => self::shown($case),
            'name' => $wish->name,
            'street' => $wish->street, 'city' => $wish->city, 'postcode' => $wish->postcode,
            'losingCarrier' => $wish->losingCarrier, 'account' => $wish->account, 'billing' => $wish->billing,
            'signatory' => $wish->signatory, 'hasPin' => $wish->hasPin, 'isPart' => $wish->isPart,
            'staying' => $wish->staying, 'stayingMain' => $wish->stayingMain, 'isTollFree' => $wish->isTollFree(),
            'day' => $case->day, 'hours' => $wish->hours, 'state' => $case->state->value, 'remark' => $case->remark,
            'remarkAt' => $case->remark_at, 'answerBy' => $case->answer_by, 'lent' => $case->lent,
            'steps' => $case->steps, 'openedBy' => $view->names[(string) $case->opened_by] ?? null,
            'openedAt' => $case->opened_at->toAtomString(), 'readAt' => $case->read_at?->toAtomString(),
            'papers' => array_map(static fn (PortPaperRow $paper): array => [
                'id' => $paper->id, 'kind' => $paper->kind, 'name' => $paper->name, 'type' => $paper->type,
                'size' => $paper->size, 'dated' => $paper->dated, 'putBy' => $view->names[$paper->put_by] ?? '',
                'putAt' => $paper->put_at->toAtomString(),
            ], $view->papers),
            'lacks' => array_map(
                static fn (PortLack $lack): array => ['at' => $lack->at, 'why' => $lack->why],
                $view->lacks,
            ),
            'mayMend' => $case->direction === 'in' && $case->state->mayBeMended(),
            'mayWithdraw' => $case->direction === 'in' && $case->state->mayBeWithdrawn(),
        ];
    }

    /** @return array<string, mixed> */
    public static function line(PortCase $case, string $customer, string $name): array
    {
        return [
            'id' => $case->id, 'direction' => $case->direction, 'customer' => $customer, 'customerName' => $name,
            'numbers' => self::shown($case),
            'with' => $case->wish()->losingCarrier, 'state' => $case->state->value, 'day' => $case->day,
            'hours' => $case->wish()->hours, 'remark' => $case->remark, 'answerBy' => $case->answer_by,
            'readAt' => $case->read_at?->toAtomString(),
        ];
    }

    /** @return list<string> its numbers as they are read */
    private static function shown(PortCase $case): array
    {
        return array_map(static fn (string $number): string => E164::parse($number)->display(), $case->numbers);
    }

    /** @return array<string, mixed> */
    public static function cutOver(CutOverLine $line): array
    {
        return [
            'part' => $line->part, 'when' => $line->when, 'what' => $line->what, 'call' => $line->call,
            'expect' => $line->expect,
        ];
    }
}
