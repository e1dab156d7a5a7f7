<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

/**
 * Hours as customers write them, brought to the few forms that `SpokenHours` reads: days by three letters, times in
 * digits, no politeness. What is not known here stays as it was written.
 *
 * @internal
 */
final class PlainHours
{
    private const NUMBERS = [
        'one' => 1, 'two' => 2, 'three' => 3, 'four' => 4, 'five' => 5, 'six' => 6, 'seven' => 7, 'eight' => 8,
        'nine' => 9, 'ten' => 10, 'eleven' => 11, 'twelve' => 12,
    ];

    private const FRENCH = [
        '/\blun(?:di)?s?\b\.?/iu' => 'Mon', '/\bmardis?\b/iu' => 'Tue', '/\bmer(?:credi)?s?\b\.?/iu' => 'Wed',
        '/\bjeu(?:di)?s?\b\.?/iu' => 'Thu', '/\bven(?:dredi)?s?\b\.?/iu' => 'Fri', '/\bsam(?:edi)?s?\b\.?/iu' => 'Sat',
        '/\bdim(?:anche)?s?\b\.?/iu' => 'Sun', '/\bferm[ée]+s?\b/iu' => 'closed', '/\bjours fériés\b/iu' => 'holidays',
        '/(?<=\d|h)\s*à\s*(?=\d)/iu' => ' to ', '/\s+au\s+/iu' => ' to ', '/\bde\s+(?=\d)/iu' => '',
        '/\bminuit\b/iu' => 'midnight', '/\bmidi\b/iu' => 'noon',
    ];

    /** Days by one or two letters, where something follows that only a day has behind it. */
    private const SHORT = '/(?<![a-z\'.])(mo|m|tu|t|we|w|th|fr|f|sa|su)(?=\s*[-,\/&]\s*(?:mo?|tu?|we?|th|fr?|sa|su)\b'
        . '|\s*:?\s*\d|\s+(?:till|until|closed)\b)/i';

    private const LETTERS = [
        'mo' => 'Mon', 'm' => 'Mon', 'tu' => 'Tue', 't' => 'Tue', 'we' => 'Wed', 'w' => 'Wed', 'th' => 'Thu',
        'fr' => 'Fri', 'f' => 'Fri', 'sa' => 'Sat', 'su' => 'Sun',
    ];

    private const WORDS = [
        '/[–—−]/u' => '-', '/[\x{A0}\x{202F}]/u' => ' ', '/\b([ap])\.\s?m\.?/i' => '$1m',
        '/\b(mon|tues?|wed|thu(?:rs?)?|fri|sat|sun)\./i' => '$1',
        '/\b(\d{1,2})h(\d{2})\b/i' => '$1:$2', '/\b(\d{1,2}) ?h\b/i' => '$1:00',
        '/\b12 ?(?:o\'clock )?noon\b|(?<!after)\bnoon\b/i' => '12:00', '/\b(?:12 ?)?midnight\b/i' => '24:00',
        '/\b(\d{2})(\d{2})\s*(-|to|till|until)\s*(\d{2})(\d{2})\b(?!-)/i' => '$1:$2$3$4:$5',
        '/\b(\d{1,2}) o\'?clock\b/i' => '$1', '/\b24\s*\/\s*7\b/' => 'daily 24 hours',
        '/\b(?:we are|we\'re|our (?:office )?hours are|(?:office|business|opening|store|shop) hours(?: are)?)\b\s*:?/i'
            => '',
        '/,?\s*\b(?:(?:with )?no|without(?: an?)?) (?:lunch|break|pause)(?: break)?s?\b/i' => '',
        // A sentence ends a clause as a line does.
        '/\.\s+(?=[A-Z])/' => "\n",
    ];

    /** Closed on public holidays, which the calendar of the region says already. */
    private const HOLIDAYS = '/[,;]?\s*\b(?:(?:and|but|we are)\s+)?closed\s+'
        . '(?:on\s+|for\s+|during\s+|all\s+|the\s+|any\s+|les\s+)*'
        . '(?:public|bank|statutory|stat|national|federal|civic|provincial|legal)?\s*holidays?\b'
        . '|(?<=weekends|sundays|saturdays|sun|sat)\s*(?:,|and|&)\s*(?:public|bank|statutory|stat)?\s*holidays\b/i';

    private function __construct(public readonly string $text, public readonly bool $keepsHolidays)
    {
    }

    public static function of(string $said): self
    {
        $plain = (string) preg_replace(
            [...array_keys(self::FRENCH), ...array_keys(self::WORDS)],
            [...array_values(self::FRENCH), ...array_values(self::WORDS)],
            $said,
        );
        $plain = (string) preg_replace(self::HOLIDAYS, '', $plain, -1, $holidays);
        $plain = (string) preg_replace_callback(
            self::SHORT,
            static fn (array $found): string => self::LETTERS[strtolower($found[1])],
            $plain,
        );
        // What follows a dash was told by what stood before it: `M-F` is `Mon-F` by now.
        $plain = (string) preg_replace_callback(
            '/(?<=Mon|Tue|Wed|Thu|Fri|Sat|Sun)(\s*[-,\/&]\s*)(mo|m|tu|t|we|w|th|fr|f|sa|su)\b/i',
            static fn (array $found): string => $found[1] . self::LETTERS[strtolower($found[2])],
            $plain,
        );

        return new self(self::lasting(self::inDigits($plain)), $holidays > 0);
    }

    /** Hours spelt out, as on the telephone: `half past twelve to one` is `12:30 to 1`. */
    private static function inDigits(string $said): string
    {
        $number = '(' . implode('|', array_keys(self::NUMBERS)) . '|\d{1,2})';
        $hour = static fn (string $word): int => self::NUMBERS[strtolower($word)] ?? (int) $word;
        $said = (string) preg_replace_callback(
            "/\b(half|quarter) past {$number}\b/i",
            static fn (array $found): string => $hour($found[2]) . (strtolower($found[1]) === 'half' ? ':30' : ':15'),
            $said,
        );
        $said = (string) preg_replace_callback(
            "/\bquarter to {$number}\b/i",
            static fn (array $found): string => (($hour($found[1]) + 10) % 12 + 1) . ':45',
            $said,
        );

        return (string) preg_replace_callback(
            '/\b(' . implode('|', array_keys(self::NUMBERS)) . ')\b/i',
            static fn (array $found): string => (string) $hour($found[1]),
            $said,
        );
    }

    /** `12:00 for an hour` is `12:00 to 13:00`. */
    private static function lasting(string $said): string
    {
        return (string) preg_replace_callback(
            '/\b(\d{1,2})(?::(\d{2}))? for (?:(an|a|1) hour|(half an|a half) hour|(\d{2}) min(?:ute)?s?)\b/i',
            static function (array $found): string {
                $from = (int) $found[1] * 60 + (int) ($found[2] ?? 0);
                $minutes = ($found[5] ?? '') !== '' ? (int) $found[5] : (($found[4] ?? '') !== '' ? 30 : 60);
                $to = $from + $minutes;

                return sprintf('%d:%02d to %d:%02d', intdiv($from, 60), $from % 60, intdiv($to, 60), $to % 60);
            },
            $said,
        );
    }
}
