<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

/** Numbers of the customer's that another carrier asks for. */
final readonly class LeavingSeen
{
    /**
     * @param  list<string>  $numbers  in E.164
     * @param  string  $to  the other carrier
     * @param  string  $day  a date: they go then
     * @param  ?string  $answerBy  a date: who has not answered by then has agreed
     */
    public function __construct(
        public array $numbers,
        public string $to,
        public string $day,
        public ?string $answerBy,
        public bool $isAnswered,
    ) {
    }
}
