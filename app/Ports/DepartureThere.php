<?php

declare(strict_types=1);

namespace App\Ports;

use App\Models\PortState;

/** Numbers that another carrier asks for, as ours tells it. */
final readonly class DepartureThere
{
    /**
     * @param  list<string>  $numbers  in E.164
     * @param  string  $day  a date: they go then
     * @param  string  $answerBy  a date: who has not answered by then has agreed
     */
    public function __construct(
        public string $id,
        public array $numbers,
        public PortState $state,
        public string $gaining,
        public string $subscriber,
        public string $day,
        public string $answerBy,
        public string $remark,
    ) {
    }
}
