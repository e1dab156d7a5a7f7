<?php

declare(strict_types=1);

namespace App\Demo;

use Jaunty\Core\Templates\Slug;

/** One customer of the demo: what was answered, what was changed since, and which fault it shows. */
final readonly class DemoCustomer
{
    /**
     * @param  array<string, mixed>  $answers  of its template
     * @param  list<array{op?: string, object: string, path?: string, value?: mixed}>  $edits  entered after it was
     *     taken on, as a technician would
     * @param  ?DemoFault  $fault  null where it is meant to be sound
     * @param  bool  $isPushed  whether it stands on the practice switch
     * @param  list<array{op?: string, object: string, path?: string, value?: mixed}>  $byHand  changed on the switch
     *     since, past the book
     * @param  string  $lookedAfterBy  sign-in of a technician
     * @param  bool  $isCalled  whether the switch has call records of it
     * @param  list<string>  $besides  rules that find what is of its places and no fault of its book
     */
    public function __construct(
        public string $template,
        public array $answers,
        public array $edits = [],
        public ?DemoFault $fault = null,
        public bool $isPushed = true,
        public array $byHand = [],
        public string $note = '',
        public string $lookedAfterBy = 'lena@saltmarsh.example',
        public bool $isCalled = false,
        public array $besides = [],
    ) {
    }

    public function name(): string
    {
        return is_string($this->answers['name'] ?? null) ? $this->answers['name'] : '';
    }

    public function key(): string
    {
        return Slug::of($this->name());
    }

    /** @return list<array{key: string, name: string, mail: string}> in the order of its list of users */
    public function people(): array
    {
        $text = static fn (mixed $row, string $cell): string =>
            is_array($row) && is_string($row[$cell] ?? null) ? $row[$cell] : '';

        return array_map(static fn (mixed $row): array => [
            'key' => Slug::of($text($row, 'name')), 'name' => $text($row, 'name'), 'mail' => $text($row, 'mail'),
        ], array_values(is_array($this->answers['users'] ?? null) ? $this->answers['users'] : []));
    }
}
