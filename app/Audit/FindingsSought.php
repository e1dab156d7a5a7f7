<?php

declare(strict_types=1);

namespace App\Audit;

use Illuminate\Validation\Rule;
use Jaunty\Core\Audit\Severity;

/** Which findings of all customers are wanted, and by what they are put together. */
final readonly class FindingsSought
{
    public const KINDS = ['standing', 'fresh', 'mine', 'nobodys', 'due', 'mendable', 'waived'];

    /**
     * @param  ?Severity  $weight  that or heavier; null for any
     * @param  string  $kind  of KINDS
     * @param  string  $words  all of which are in the customer's name, the rule, what is found or its explanation
     * @param  bool  $byCustomer  else by rule
     * @param  ?string  $group  one rule or customer only
     */
    public function __construct(
        public ?Severity $weight,
        public string $kind,
        public string $words,
        public bool $byCustomer,
        public ?string $group = null,
    ) {
    }

    /** @return array<string, list<mixed>> what a request may say, behind a prefix */
    public static function rules(string $prefix = ''): array
    {
        return [
            "{$prefix}weight" => ['sometimes', Rule::in(['any', ...array_column(Severity::cases(), 'value')])],
            "{$prefix}kind" => ['sometimes', Rule::in(self::KINDS)],
            "{$prefix}words" => ['sometimes', 'nullable', 'string', 'max:200'],
            "{$prefix}by" => ['sometimes', Rule::in(['rule', 'customer'])],
            "{$prefix}group" => ['sometimes', 'string', 'max:200'],
        ];
    }

    /** @param array<string, mixed> $said as the rules let it through */
    public static function from(array $said): self
    {
        $text = static fn (string $name, string $else): string => is_string($said[$name] ?? null)
            ? $said[$name]
            : $else;

        return new self(
            Severity::tryFrom($text('weight', 'any')),
            $text('kind', 'standing'),
            $text('words', ''),
            $text('by', 'rule') === 'customer',
            isset($said['group']) ? $text('group', '') : null,
        );
    }
}
