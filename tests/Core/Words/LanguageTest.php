<?php

declare(strict_types=1);

namespace Tests\Core\Words;

use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Book\Destination;
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Book\Stage;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Hours\HoursState;
use Jaunty\Core\Words\Day;
use Jaunty\Core\Words\Language;
use Jaunty\Core\Words\Listing;
use Jaunty\Core\Words\Message;
use Jaunty\Core\Words\UnknownLanguage;
use Jaunty\Core\Words\UnsayableMessage;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LanguageTest extends TestCase
{
    /** @return array<string, array{string}> */
    public static function languages(): array
    {
        return array_map(static fn (string $tag): array => [$tag], array_combine(
            array_keys(Language::all()),
            array_keys(Language::all()),
        ));
    }

    #[DataProvider('languages')]
    public function test_each_language_says_whatever_english_says(string $tag): void
    {
        self::assertGreaterThan(1_000, count(Language::english()->ids()));
        self::assertSame([], Language::of($tag)->lacks(Language::english()));
    }

    public function test_it_is_found_what_a_third_language_lacks(): void
    {
        $english = Language::ofValue('en', ['name' => 'English', 'day' => 'EEE', 'messages' => [
            'a' => ['title' => '{who} rings', 'detail' => '{n, plural, one {# time} other {# times}}'], 'b' => 'none',
            'c' => 'yes',
        ]]);
        $third = Language::ofValue('de', ['name' => 'Deutsch', 'day' => 'EEE', 'messages' => [
            'a' => ['title' => '{wer} klingelt', 'detail' => '{n, plural, one {# Mal} other {# Male}}'],
            'c' => '{n, plural, one {# Mal}}', 'd' => 'nie',
        ]]);

        $lacks = $third->lacks($english);

        self::assertSame(
            ['b is not said', 'd is asked of nobody', 'a/title names {wer}, which nobody tells it'],
            array_slice($lacks, 0, 3),
        );
        self::assertStringContainsString('message "c" cannot be read', $lacks[3]);
        self::assertCount(4, $lacks);
        self::assertSame([], $english->lacks($english));
    }

    public function test_each_word_of_a_book_that_a_sentence_may_name_is_a_message(): void
    {
        $wanted = [
            ...array_map(static fn (NumberStatus $each): string => "number/{$each->value}", NumberStatus::cases()),
            ...array_map(static fn (CallingClass $each): string => "class/{$each->value}", CallingClass::cases()),
            ...array_map(static fn (CallingClass $each): string => "calls/{$each->value}", CallingClass::cases()),
            ...array_map(static fn (Stage $each): string => "stage/{$each->value}", Stage::cases()),
            ...array_map(static fn (Outcome $each): string => "outcome/{$each->value}", Outcome::cases()),
            ...array_map(static fn (HoursState $each): string => "hours/{$each->value}", HoursState::cases()),
            ...array_map(static fn (string $each): string => "destination/{$each}", array_keys(Destination::WORDS)),
        ];

        self::assertSame([], array_values(array_diff($wanted, Language::english()->ids())));
    }

    public function test_lists_days_and_counts_are_said_as_the_language_has_them(): void
    {
        $french = Language::of('fr-CA');
        $says = static fn (Language $in, string|int|Message|Listing|Day $what): string => $in->say(
            new Message('emergency.nobody-notified/title', ['site' => $what]),
        );

        self::assertStringStartsWith('Quay: ', $says(Language::english(), 'Quay'));
        self::assertStringStartsWith('Fri 25 Dec 2026: ', $says(Language::english(), new Day('2026-12-25')));
        self::assertStringStartsWith(
            'Fri 25 Dec 2026 at 08:00: ',
            $says(Language::english(), new Day('2026-12-25', '08:00')),
        );
        self::assertStringStartsWith(
            "ven. 25 déc. 2026 à 08:00\u{a0}: ",
            $says($french, new Day('2026-12-25', '08:00')),
        );
        self::assertStringStartsWith("a, b et c\u{a0}: ", $says($french, Listing::of(['a', 'b', 'c'])));
        self::assertStringStartsWith('a or b: ', $says(Language::english(), Listing::either(['a', 'b'])));
        self::assertStringStartsWith('a, b: ', $says(Language::english(), Listing::row(['a', 'b'])));
        self::assertStringStartsWith('a and 1 more: ', $says(Language::english(), Listing::firstOf(['a', 'b'], 1)));
        self::assertStringStartsWith("a et 2 autres\u{a0}: ", $says($french, Listing::firstOf(['a', 'b', 'c'], 1)));
        self::assertStringStartsWith(
            "la réception\u{a0}: ",
            $says($french, new Message('destination/operator')),
        );
    }

    public function test_who_speaks_like_it_is_answered_in_it_and_anybody_else_in_english(): void
    {
        self::assertSame(
            ['fr-CA', 'fr-CA', 'fr-CA', 'en', 'en', 'en'],
            array_map(
                static fn (string $tag): string => Language::near($tag)->tag,
                ['fr-CA', 'fr', 'fr-FR', 'en-CA', 'de', ''],
            ),
        );
    }

    public function test_a_language_that_is_not_here_and_a_message_that_is_not_are_refused(): void
    {
        try {
            Language::of('../en');
            self::fail('it was read');
        } catch (UnknownLanguage $unknown) {
            self::assertSame('There is no language "../en" here; there are en, fr-CA', $unknown->getMessage());
        }
        $this->expectException(UnsayableMessage::class);
        $this->expectExceptionMessage('Language fr-CA has no message "nothing.of-it/title"');
        Language::of('fr-CA')->say(new Message('nothing.of-it/title'));
    }
}
