<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch;

/**
 * What this switch calls things. Numbers go without a plus, ring times are whole rings of five seconds, yes and no are
 * 1 and 0, and a place that a call can land on is `{"box": id}`, `{"person": id}`, `{"dial": digits}` or `{"act": word}`.
 */
final class Vocabulary
{
    public const ACCOUNT = 'accounts';

    /** @return array<string, array<string, Field>> fields by collection */
    public static function collections(): array
    {
        return [
            self::ACCOUNT => [
                'handle' => Field::fixedText(),
                'title' => Field::text(''),
                'clock' => Field::text('UTC'),
                'land' => Field::text(),
                'tongue' => Field::text('en'),
                'ring_len' => Field::number(5),
                'main_line' => Field::pointer('lines'),
                'front' => Field::tree(),
                'tier' => Field::text('harbour'),
            ],
            'premises' => [
                'caption' => Field::text(''),
                'clock' => Field::text(),
                'postal' => Field::tree(),
                'when_dark' => Field::tree(),
                'lift_code' => Field::text(),
            ],
            'lines' => [
                'digits' => Field::fixedText(),
                'caption' => Field::text(''),
                'active' => Field::bit(1),
                'lands_on' => Field::tree(),
                'at_premises' => Field::pointer('premises'),
                'shown_as' => Field::text(),
                'tag' => Field::text(),
                'tape' => Field::tree(['inward' => 0, 'outward' => 0]),
                'texts' => Field::bit(0),
                'jitter_class' => Field::number(2),
            ],
            'persons' => [
                'short' => Field::text(),
                'given' => Field::text(),
                'family' => Field::text(),
                'shown_as' => Field::text(),
                'mail' => Field::text(),
                'at_premises' => Field::pointer('premises'),
                'clock' => Field::text(),
                'standing' => Field::text('on'),
                'reach' => Field::number(2),
                'second_call' => Field::bit(1),
                'box' => Field::pointer('boxes'),
                'presents' => Field::pointer('lines'),
                'answers_to' => Field::pointer('persons'),
                'ringers' => Field::tree([]),
                'rules' => Field::tree(['day' => ['ringers' => '*', 'style' => 'at-once', 'on' => []], 'night' => null, 'feast' => null]),
                'badge' => Field::text(),
            ],
            'boxes' => [
                'caption' => Field::text(''),
                'short' => Field::text(),
                'person' => Field::pointer('persons'),
                'active' => Field::bit(1),
                'on_zero' => Field::tree(),
                'brimful' => Field::bit(0),
                'tell' => Field::tree([]),
                'with_sound' => Field::bit(1),
                'wipe' => Field::bit(0),
                'spell_out' => Field::bit(0),
                'keep_days' => Field::number(30),
            ],
        ];
    }

    /** Which collection a place's word points into. */
    public const PLACES = ['box' => 'boxes', 'person' => 'persons'];

    /** Which field must be unlike every other record's of the account, over these collections. */
    public const SHORT_HOLDERS = ['persons', 'boxes'];
}
