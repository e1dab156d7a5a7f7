<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Something callers hear: a recording, or as yet only its script. */
final readonly class Prompt implements BookObject
{
    use NamedObject;

    /** Common practice for recorded speech. */
    private const WORDS_A_MINUTE = 150;

    /** @param ?array<string, int|float|string|null> $audio seconds, rate, channels, codec, peakDb, sha256 */
    private function __construct(
        public string $key,
        public ?string $id,
        public string $name,
        public ?string $script,
        public string $language,
        public ?array $audio,
        public bool $standIn,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'id', 'name', 'script', 'language', 'audio', 'standIn');

        return new self(
            key: $node->slug('key'),
            id: $node->id(),
            name: $node->text('name', $node->text('key')),
            script: $node->textOrNull('script'),
            language: $node->text('language', 'en'),
            audio: $node->isNullOrMissing('audio') ? null : self::readAudio($node->object('audio')),
            standIn: $node->flag('standIn', false),
        );
    }

    /** Whole seconds it plays: its audio, else its words at 150 a minute, rounded up; a prompt of neither takes none. */
    public function seconds(): int
    {
        if ($this->audio !== null) {
            return (int) ceil((float) ($this->audio['seconds'] ?? 0));
        }
        $words = preg_match_all('/\S+/u', $this->script ?? '');

        return (int) ceil((int) $words * 60 / self::WORDS_A_MINUTE);
    }

    public function kind(): Kind
    {
        return Kind::Prompt;
    }

    public function toArray(): array
    {
        return ['key' => $this->key, 'name' => $this->name, 'script' => $this->script, 'language' => $this->language, 'audio' => $this->audio, 'standIn' => $this->standIn];
    }

    public function links(): array
    {
        return [];
    }

    /** @return array<string, int|float|string|null> */
    private static function readAudio(Node $node): array
    {
        $node->allow('seconds', 'rate', 'channels', 'codec', 'peakDb', 'sha256');

        return [
            'seconds' => $node->number('seconds', 0, 0, 86_400),
            'rate' => $node->isNullOrMissing('rate') ? null : $node->whole('rate', 0, 1, 1_000_000),
            'channels' => $node->isNullOrMissing('channels') ? null : $node->whole('channels', 0, 1, 64),
            'codec' => $node->textOrNull('codec'),
            'peakDb' => $node->isNullOrMissing('peakDb') ? null : $node->number('peakDb', 0, -200, 200),
            'sha256' => $node->textOrNull('sha256'),
        ];
    }
}
