<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Decimal;
use Jaunty\Core\Book\Fields\Flag;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Shape;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;
use Jaunty\Core\Book\Fields\Unit;
use Jaunty\Core\Book\Fields\Whole;

/** Something callers hear: a recording, or as yet only its script. */
final readonly class Prompt implements BookObject
{
    use Declared;
    use NamedObject;

    /** Common practice for recorded speech. */
    private const WORDS_A_MINUTE = 150;

    /** @param ?array<string, int|float|string|null> $audio seconds, rate, channels, codec, peakDb, sha256 */
    private function __construct(
        #[Slug]
        public string $key,
        #[Id]
        public ?string $id,
        #[Text(like: 'key')]
        public string $name,
        #[Text]
        #[Said(help: 'What is said.')]
        public ?string $script,
        #[Text('en')]
        public string $language,
        #[Shape(
            [
                'seconds' => new Decimal(0, 86_400, default: 0), 'rate' => new Whole(1, 1_000_000),
                'channels' => new Whole(1, 64), 'codec' => new Text(), 'peakDb' => new Decimal(-200, 200),
                'sha256' => new Text(),
            ],
            mayBeUnset: true,
        )]
        #[Said('Recording', units: ['seconds' => Unit::Seconds])]
        public ?array $audio,
        #[Flag(false)]
        #[Said(help: 'Spoken by the product until the customer has recorded one.')]
        public bool $standIn,
    ) {
    }

    /**
     * Whole seconds it plays: its audio, else its words at 150 a minute, rounded up; a prompt of neither takes none.
     */
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
}
