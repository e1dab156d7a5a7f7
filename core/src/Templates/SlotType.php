<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

/** What kind of answer a slot takes. */
enum SlotType: string
{
    case Text = 'text';
    /** Words that callers hear, of any length a person would speak. */
    case Script = 'script';
    case Zone = 'zone';
    /** One of the reseller's free numbers, in E.164. */
    case Number = 'number';
    case Person = 'person';
    case Choice = 'choice';
    case YesNo = 'yesNo';
    case Whole = 'whole';
    /** Opening hours as people say them. */
    case Hours = 'hours';
    /** Whose public holidays are kept. */
    case Region = 'region';
    case Mail = 'mail';
    /** A telephone number of somebody else's, in the national form of the region or with a plus. */
    case Phone = 'phone';
    /** As the country of the region answered writes it. */
    case Postcode = 'postcode';
    case Extension = 'extension';
    /** Names of teams, with commas between. */
    case Teams = 'teams';
    /** The name of a row of another table. */
    case RowOf = 'rowOf';
    /** Rows of other slots: pasted, or typed cell by cell. */
    case Table = 'table';

    /** How many characters an answer may have. */
    public function longest(): int
    {
        return match ($this) {
            self::Script, self::Hours => 2000,
            default => 80,
        };
    }

    /** Whether a cell looks like an answer of this kind: enough to guess which column of a pasted block is which. */
    public function looksLike(string $cell): bool
    {
        return match ($this) {
            self::Mail => preg_match('/^\S+@\S+$/D', $cell) === 1,
            self::Extension => preg_match('/^\d{2,6}$/D', $cell) === 1,
            self::Phone, self::Number => preg_match(
                '/^[+(\d][\d\s().-]{6,}(?:,? ?\(?port(?:ing in)?\)?)?$/Di',
                $cell,
            ) === 1,
            self::Person => preg_match('/^[^\d@]+$/D', $cell) === 1,
            self::Zone => str_contains($cell, '/') && preg_match('/\d/', $cell) !== 1,
            self::Hours => preg_match('/\b(?:mon|tue|wed|thu|fri|sat|sun|daily|weekdays)/i', $cell) === 1,
            self::Table => false,
            default => true,
        };
    }
}
