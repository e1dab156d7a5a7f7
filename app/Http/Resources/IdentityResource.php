<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\CallerIdentity\IdentityView;
use App\Models\NumberRegistration;
use App\Models\VerifiedNumber;
use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Outbound\CallerId;
use Jaunty\Core\Outbound\Origin;
use Jaunty\Core\Outbound\Vouching;

/** What a customer may show, as the desk tells it. */
final class IdentityResource
{
    /** @return array<string, mixed> */
    public static function of(IdentityView $view): array
    {
        return [
            'elsewhere' => array_map(static fn (VerifiedNumber $each): array => [
                'number' => $each->number, 'display' => E164::parse($each->number)->display(),
                'calledAt' => $each->called_at->toAtomString(), 'by' => $view->names[$each->called_by] ?? '',
                'verifiedAt' => $each->verified_at?->toAtomString(),
            ], $view->called),
            'registrations' => array_map(static fn (NumberRegistration $each): array => [
                'number' => $each->number, 'kind' => $each->kind, 'name' => $each->said['name'] ?? null,
                'sender' => $each->said['sender'] ?? null, 'purpose' => $each->said['purpose'] ?? null,
                'state' => $each->state->value, 'remark' => $each->remark,
                'filedAt' => $each->filed_at->toAtomString(), 'by' => $view->names[$each->filed_by] ?? '',
                'readAt' => $each->read_at->toAtomString(),
            ], $view->registrations),
            'levels' => array_map(
                static fn (string $number): array => ['number' => $number]
                    + (self::vouched($view->vouching, new CallerId($number, ''), Origin::Dialled)
                        ?? ['level' => 'partial', 'claim' => 'B', 'why' => '']),
                $view->numbers,
            ),
        ];
    }

    /** @return ?array{level: string, claim: string, why: string} */
    public static function vouched(Vouching $vouching, ?CallerId $callerId, Origin $origin): ?array
    {
        $vouched = $callerId === null ? null : $vouching->of($callerId, $origin);

        return $vouched === null
            ? null
            : ['level' => $vouched[0]->value, 'claim' => $vouched[0]->claim(), 'why' => $vouched[1]];
    }
}
