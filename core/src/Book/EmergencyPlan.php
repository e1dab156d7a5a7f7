<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** What a site sends with an emergency call, whom it tells, and when it was last checked and tested. */
final readonly class EmergencyPlan
{
    /** @param list<string> $notify mail addresses */
    private function __construct(
        public ?Reference $callback,
        public CallbackUse $callbackUse,
        public array $notify,
        public ?string $checkedOn,
        public ?string $testedOn,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('callback', 'callbackUse', 'notify', 'checkedOn', 'testedOn');

        return new self(
            callback: $node->reference('callback', Kind::Number),
            callbackUse: $node->choice('callbackUse', CallbackUse::class, CallbackUse::WhenNone),
            notify: $node->texts('notify'),
            checkedOn: $node->date('checkedOn'),
            testedOn: $node->date('testedOn'),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'callback' => $this->callback === null ? null : (string) $this->callback,
            'callbackUse' => $this->callbackUse->value,
            'notify' => $this->notify,
            'checkedOn' => $this->checkedOn,
            'testedOn' => $this->testedOn,
        ];
    }
}
