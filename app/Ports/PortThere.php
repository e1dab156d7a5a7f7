<?php

declare(strict_types=1);

namespace App\Ports;

use App\Models\PortState;

/** A port of numbers that come in, as the carrier holds it. */
final readonly class PortThere
{
    /**
     * @param  string  $reference  ours
     * @param  list<string>  $numbers  in E.164
     * @param  string  $remark  why it was turned down or failed; empty otherwise
     * @param  ?string  $remarkAt  the field of the wish that the remark is about
     * @param  ?string  $firmDay  a date
     * @param  ?array{number: string, until: string}  $lent
     * @param  list<array{state: PortState, remark: string}>  $steps
     */
    public function __construct(
        public string $id,
        public string $reference,
        public array $numbers,
        public PortState $state,
        public string $remark,
        public ?string $remarkAt,
        public ?string $firmDay,
        public ?array $lent,
        public array $steps,
    ) {
    }
}
