<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Zone;

/** What kind of answer a slot takes, and which parts an answer gives the template. */
enum SlotType: string
{
    case Text = 'text';
    case Zone = 'zone';
    case Number = 'number';
    case Person = 'person';

    private const LONGEST = 80;

    /**
     * @return array<string, string> the parts of the answer; `value` is the whole of it
     *
     * @throws UnusableAnswer in words for the person who answered
     */
    public function read(string $answer): array
    {
        $answer = trim((string) preg_replace('/\s+/u', ' ', $answer));
        if ($answer === '') {
            throw new UnusableAnswer('an answer is needed here');
        }
        if (mb_strlen($answer) > self::LONGEST || preg_match('/[\x00-\x1F\x7F]/', $answer) === 1) {
            throw new UnusableAnswer('at most ' . self::LONGEST . ' plain characters, please');
        }

        return match ($this) {
            self::Text => ['value' => $answer, 'slug' => Slug::of($answer)],
            self::Zone => Zone::exists($answer)
                ? ['value' => $answer]
                : throw new UnusableAnswer("\"{$answer}\" is no time zone; write one such as America/Halifax"),
            self::Number => preg_match(Number::E164, $answer) === 1
                ? ['value' => $answer]
                : throw new UnusableAnswer("\"{$answer}\" is no number in stock"),
            self::Person => self::person($answer),
        };
    }

    /** @return array<string, string> */
    private static function person(string $answer): array
    {
        $cut = mb_strrpos($answer, ' ');
        $first = $cut === false ? $answer : mb_substr($answer, 0, $cut);
        $last = $cut === false ? '' : mb_substr($answer, $cut + 1);

        return ['value' => $answer, 'first' => $first, 'last' => $last, 'slug' => Slug::of($answer)];
    }
}
