<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** An auto attendant: by the state of its schedule, a greeting and where the call goes. */
final readonly class Attendant implements BookObject
{
    use NamedObject;

    public const WHEN = '/^(open|closed|holiday|(holiday|period):[a-z0-9][a-z0-9.-]*)$/D';

    /** @param list<array{item: string, when: string, greeting: ?Reference, then: ?Destination}> $answers */
    private function __construct(
        public string $key,
        public ?string $id,
        public ?string $extension,
        public string $name,
        public ?Reference $site,
        public ?string $zone,
        public ?string $language,
        public bool $enabled,
        public ?Reference $schedule,
        public CallingClass $onwardClass,
        public array $answers,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'id', 'extension', 'name', 'site', 'zone', 'language', 'enabled', 'schedule', 'onwardClass', 'answers');

        return new self(
            key: $node->slug('key'),
            id: $node->id(),
            extension: $node->extension(),
            name: $node->text('name', $node->text('key')),
            site: $node->reference('site', Kind::Site),
            zone: $node->zoneOrNull('zone'),
            language: $node->textOrNull('language'),
            enabled: $node->flag('enabled', true),
            schedule: $node->reference('schedule', Kind::Schedule),
            onwardClass: $node->choice('onwardClass', CallingClass::class, CallingClass::National),
            answers: $node->items('answers', self::readAnswer(...)),
        );
    }

    public function kind(): Kind
    {
        return Kind::Attendant;
    }

    public function extension(): ?string
    {
        return $this->extension;
    }

    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'extension' => $this->extension,
            'name' => $this->name,
            'site' => Links::text($this->site),
            'zone' => $this->zone,
            'language' => $this->language,
            'enabled' => $this->enabled,
            'schedule' => Links::text($this->schedule),
            'onwardClass' => $this->onwardClass->value,
            'answers' => array_map(static fn (array $answer): array => ['item' => $answer['item'], 'when' => $answer['when'], 'greeting' => Links::text($answer['greeting']), 'then' => Links::text($answer['then'])], $this->answers),
        ];
    }

    public function links(): array
    {
        $links = [...Links::reference('site', $this->site), ...Links::reference('schedule', $this->schedule)];
        foreach ($this->answers as $answer) {
            array_push($links, ...Links::reference("answers/{$answer['item']}/greeting", $answer['greeting']), ...Links::destination("answers/{$answer['item']}/then", $answer['then']));
        }

        return $links;
    }

    /** @return array{item: string, when: string, greeting: ?Reference, then: ?Destination} */
    private static function readAnswer(Node $node): array
    {
        $node->allow('item', 'when', 'greeting', 'then');

        return [
            'item' => $node->slug('item'),
            'when' => $node->matching('when', self::WHEN, 'open, closed, holiday, holiday:ITEM or period:ITEM'),
            'greeting' => $node->reference('greeting', Kind::Prompt),
            'then' => $node->destination('then'),
        ];
    }
}
