<?php

declare(strict_types=1);

namespace Tests\Outside;

use Jaunty\Core\Calls\Law\NameDirectory;
use PHPUnit\Framework\TestCase;

/**
 * Letters on the keys of a telephone.
 *
 * Source: ITU-T E.161 (02/2001) option A as recalled, and the same from google-libphonenumber 3.2.47 (npm);
 * tests/data/keypad_letters.csv.
 */
final class KeypadLettersTest extends TestCase
{
    public function test_every_letter_lies_on_its_key(): void
    {
        $rows = iterator_to_array(RefData::csv('keypad_letters.csv'), false);
        self::assertCount(26, $rows);
        foreach ($rows as $row) {
            self::assertSame($row['digit'], NameDirectory::code($row['letter']));
            self::assertSame($row['digit'], NameDirectory::code(strtolower($row['letter'])));
        }
    }

    public function test_accents_are_spelled_without_and_what_lies_on_no_key_is_left_out(): void
    {
        self::assertSame('2662', NameDirectory::code('Ánná'));
        self::assertSame('662774', NameDirectory::code("O'Már-ph"));
        self::assertSame('6203', NameDirectory::code('Ma d'));
    }
}
