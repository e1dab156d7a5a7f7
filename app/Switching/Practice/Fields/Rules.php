<?php

declare(strict_types=1);

namespace App\Switching\Practice\Fields;

use App\Switching\Table\Fields\FieldCodec;
use App\Switching\Table\Names;

/** A user's handling by state: which ringers, in which style, and where each condition leads. */
final readonly class Rules implements FieldCodec
{
    private const STATES = ['open' => 'day', 'closed' => 'night', 'holiday' => 'feast'];

    private const STYLES = ['together' => 'at-once', 'inOrder' => 'one-by-one'];

    private const CONDITIONS = [
        'always' => 'ever', 'doNotDisturb' => 'hush', 'unreachable' => 'dark', 'onACall' => 'talking', 'busy' => 'full',
        'noAnswer' => 'unheard',
    ];

    public function theirs(): array
    {
        return ['rules'];
    }

    public function toSwitch(mixed $ours, Names $names): array
    {
        $handling = is_array($ours) ? $ours : [];
        $rules = [];
        foreach (self::STATES as $our => $their) {
            $rules[$their] = is_array($handling[$our] ?? null) ? $this->rule($handling[$our], $names) : null;
        }

        return ['rules' => $rules];
    }

    public function fromSwitch(array $record, Names $names): mixed
    {
        $rules = is_array($record['rules'] ?? null) ? $record['rules'] : [];
        $handling = [];
        foreach (self::STATES as $our => $their) {
            $rule = $rules[$their] ?? null;
            $handling[$our] = is_array($rule)
                ? $this->handling($rule, $names)
                : ($our === 'open' ? $this->handling([], $names) : null);
        }

        return $handling;
    }

    /**
     * @param  array<mixed>  $handling
     * @return array<string, mixed>
     */
    private function rule(array $handling, Names $names): array
    {
        $on = [];
        foreach (self::CONDITIONS as $our => $their) {
            $treatment = Treatment::encode($handling[$our] ?? null, $names);
            if ($treatment !== null) {
                $on[$their] = $treatment;
            }
        }

        return [
            'ringers' => is_array($handling['legs'] ?? null) ? $handling['legs'] : '*',
            'style' => self::STYLES[is_string($handling['ring'] ?? null) ? $handling['ring'] : 'together'] ?? 'at-once',
            'on' => $on,
        ];
    }

    /**
     * @param  array<mixed>  $rule
     * @return array<string, mixed>
     */
    private function handling(array $rule, Names $names): array
    {
        $on = is_array($rule['on'] ?? null) ? $rule['on'] : [];
        $style = array_search($rule['style'] ?? null, self::STYLES, true);
        $handling = [
            'legs' => is_array($rule['ringers'] ?? null) ? $rule['ringers'] : 'all',
            'ring' => $style === false ? 'together' : $style,
        ];
        foreach (self::CONDITIONS as $our => $their) {
            $handling[$our] = Treatment::decode($on[$their] ?? null, $names);
        }

        return $handling;
    }
}
