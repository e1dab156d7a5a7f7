<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Numbering\DigitMap;

/** Which dialled digits go out by which trunks, and who may. */
final readonly class Route implements BookObject
{
    use NamedObject;

    /**
     * @param  string  $digits  a digit map (RFC 3435 section 2.1.5)
     * @param  int  $strip  digits taken off the front
     * @param  list<Reference>  $blocked  users and others who may not
     * @param  list<Reference>  $trunks  in the order they are tried
     */
    private function __construct(
        public string $key,
        public ?string $id,
        public string $name,
        public int $position,
        public string $digits,
        public int $strip,
        public string $prepend,
        public CallingClass $class,
        public bool $emergency,
        public ?Reference $schedule,
        public RoutePin $pin,
        public array $blocked,
        public array $trunks,
        public bool $extensionAsCallerId,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'id', 'name', 'position', 'digits', 'strip', 'prepend', 'class', 'emergency', 'schedule', 'pin', 'blocked', 'trunks', 'extensionAsCallerId');
        $digits = $node->text('digits');
        DigitMap::parse($digits, $node->at('digits'));

        return new self(
            key: $node->slug('key'),
            id: $node->id(),
            name: $node->text('name', $node->text('key')),
            position: $node->whole('position', 1, 1, 1_000_000),
            digits: $digits,
            strip: $node->whole('strip', 0, 0, 30),
            prepend: $node->text('prepend', ''),
            class: $node->choice('class', CallingClass::class, CallingClass::Local),
            emergency: $node->flag('emergency', false),
            schedule: $node->reference('schedule', Kind::Schedule),
            pin: $node->choice('pin', RoutePin::class, RoutePin::None),
            blocked: array_map(static fn (string $who): Reference => Reference::parse($who, $node->at('blocked')), $node->texts('blocked')),
            trunks: $node->references('trunks', Kind::Trunk),
            extensionAsCallerId: $node->flag('extensionAsCallerId', false),
        );
    }

    public function kind(): Kind
    {
        return Kind::Route;
    }

    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'name' => $this->name,
            'position' => $this->position,
            'digits' => $this->digits,
            'strip' => $this->strip,
            'prepend' => $this->prepend,
            'class' => $this->class->value,
            'emergency' => $this->emergency,
            'schedule' => Links::text($this->schedule),
            'pin' => $this->pin->value,
            'blocked' => array_map(strval(...), $this->blocked),
            'trunks' => array_map(strval(...), $this->trunks),
            'extensionAsCallerId' => $this->extensionAsCallerId,
        ];
    }

    public function links(): array
    {
        return [...Links::reference('schedule', $this->schedule), ...Links::references('blocked', $this->blocked), ...Links::references('trunks', $this->trunks)];
    }
}
