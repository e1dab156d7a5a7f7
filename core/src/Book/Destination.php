<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/**
 * Where a call is sent: an object that takes calls, an outside number, or one of six words (design 09, Destination).
 * An unset destination is `null`, not an instance.
 */
final readonly class Destination implements \Stringable
{
    /** The words, as people say them. */
    public const WORDS = [
        'operator' => 'the operator', 'directory' => 'the directory', 'again' => 'the same menu again',
        'back' => 'the menu before', 'release' => 'hang up', 'busy' => 'busy tone',
    ];

    private function __construct(public ?Reference $object, public ?string $outside, public ?string $word)
    {
    }

    public static function object(Reference $object): self
    {
        return new self($object, null, null);
    }

    /** @throws UnusableBook naming $path */
    public static function parse(string $text, string $path): self
    {
        if (isset(self::WORDS[$text])) {
            return new self(null, null, $text);
        }
        if (str_starts_with($text, 'outside:')) {
            $number = substr($text, 8);
            if (preg_match(Number::E164, $number) !== 1) {
                throw UnusableBook::malformed($path, 'a telephone number in E.164 (outside:+19025550100)', $text);
            }

            return new self(null, Node::checkedPhone($number, $path), null);
        }
        $reference = Reference::parse($text, $path);
        if (! $reference->kind->takesCalls()) {
            throw UnusableBook::malformed($path, 'something that takes calls', $text);
        }

        return self::object($reference);
    }

    public function __toString(): string
    {
        return match (true) {
            $this->object !== null => (string) $this->object,
            $this->outside !== null => "outside:{$this->outside}",
            default => (string) $this->word,
        };
    }
}
