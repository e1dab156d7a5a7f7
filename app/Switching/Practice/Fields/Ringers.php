<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Table\Fields\FieldCodec;
use App\Switching\Table\Names;

/** A user's legs: ring times in whole rings of five seconds, outside numbers without a plus. */
final readonly class Ringers implements FieldCodec
{
    public const RING_SECONDS = 5;

    private const SORTS = ['desk' => 'set', 'soft' => 'pane', 'mobileApp' => 'pocket', 'outside' => 'far'];

    public function theirs(): array
    {
        return ['ringers'];
    }

    public function toSwitch(mixed $ours, Names $names): array
    {
        $ringers = [];
        foreach (is_array($ours) ? $ours : [] as $leg) {
            if (! is_array($leg) || ! is_string($leg['kind'] ?? null) || ! is_int($leg['seconds'] ?? null)) {
                continue;
            }
            $ringers[] = array_filter([
                'slot' => $leg['item'] ?? null,
                'sort' => self::SORTS[$leg['kind']] ?? 'set',
                'dial' => is_string($leg['number'] ?? null) ? ltrim($leg['number'], '+') : null,
                'mac' => is_string($leg['hardware'] ?? null) ? strtoupper($leg['hardware']) : null,
                'set' => is_string($leg['device'] ?? null) ? $names->idOf($leg['device']) : null,
                'rings' => intdiv($leg['seconds'] + self::RING_SECONDS - 1, self::RING_SECONDS),
            ], static fn (mixed $value): bool => $value !== null) + [
                'team' => ($leg['forGroups'] ?? false) === true ? 1 : 0,
                'ask' => ($leg['confirm'] ?? false) === true ? 1 : 0,
                'box_after' => $leg['mailboxAfter'] ?? 20,
            ];
        }

        return ['ringers' => $ringers];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $legs = [];
        foreach (is_array($record['ringers'] ?? null) ? $record['ringers'] : [] as $ringer) {
            if (! is_array($ringer)) {
                continue;
            }
            $sort = array_search($ringer['sort'] ?? null, self::SORTS, true);
            $legs[] = [
                'item' => $ringer['slot'] ?? null,
                'kind' => $sort === false ? 'desk' : $sort,
                'number' => is_string($ringer['dial'] ?? null) ? "+{$ringer['dial']}" : null,
                'hardware' => is_string($ringer['mac'] ?? null) ? strtolower($ringer['mac']) : null,
                'device' => is_string($ringer['set'] ?? null) ? $names->referenceOf($ringer['set']) : null,
                'seconds' => (is_int($ringer['rings'] ?? null) ? $ringer['rings'] : 4) * self::RING_SECONDS,
                'forGroups' => ($ringer['team'] ?? ($sort === 'outside' ? 0 : 1)) === 1,
                'confirm' => ($ringer['ask'] ?? 0) === 1,
                'mailboxAfter' => $ringer['box_after'] ?? 20,
            ];
        }

        return $legs;
    }
}
