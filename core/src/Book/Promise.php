<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** What was promised to the customer of one call, kept as a test call with what must come of it. */
final readonly class Promise implements BookObject
{
    /**
     * @param  array<string, mixed>  $call  a script
     * @param  array{outcome: ?string, target: ?string, within: ?int}  $expect  within in seconds
     */
    private function __construct(public string $key, public ?string $id, public string $text, public array $call, public array $expect)
    {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'id', 'text', 'call', 'expect');
        $expect = $node->object('expect');
        $expect->allow('outcome', 'target', 'within');
        $call = $node->object('call');
        $script = [];
        foreach ($call->fields() as $field) {
            $script[$field] = $call->any($field);
        }

        return new self(
            key: $node->slug('key'),
            id: $node->id(),
            text: $node->text('text', $node->text('key')),
            call: $script,
            expect: [
                'outcome' => $expect->textOrNull('outcome'),
                'target' => $expect->textOrNull('target'),
                'within' => $expect->isNullOrMissing('within') ? null : $expect->whole('within', 0, 0, 1_000_000),
            ],
        );
    }

    public function kind(): Kind
    {
        return Kind::Promise;
    }

    public function key(): string
    {
        return $this->key;
    }

    public function id(): ?string
    {
        return $this->id;
    }

    public function label(): string
    {
        return $this->text;
    }

    public function extension(): ?string
    {
        return null;
    }

    public function toArray(): array
    {
        return ['key' => $this->key, 'text' => $this->text, 'call' => $this->call, 'expect' => $this->expect];
    }

    public function links(): array
    {
        return [];
    }
}
