<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

use Jaunty\Core\Book\Evidence;
use Jaunty\Core\Book\Zone;
use Jaunty\Core\Hours\Breaks;
use Jaunty\Core\Hours\HolidayRegions;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\SpokenHours;
use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Numbering\TypedNumber;
use Jaunty\Core\Numbering\UnusableNumber;
use Jaunty\Core\Outbound\HomeDialling;

/** Reads one answer by the type of its slot. Tables are read row by row (`TableReader`). */
final readonly class AnswerReader
{
    private const YES = ['yes', 'y', 'true', '1', 'on'];

    private const NO = ['no', 'n', 'false', '0', 'off'];

    /** Said after a number that is another carrier's still: it stands in the book from the first day. */
    private const COMES_OVER = '/[\s,;]*\(?\b(?:porting in|to be ported|being ported|to port|port)\)?$/i';

    /** How far ahead holidays are listed that no rule can say. */
    private const YEARS_OF_HOLIDAYS = 3;

    /** @param array<string, list<array<string, mixed>>> $tables rows of the tables read so far, by slot */
    public function __construct(private Circumstances $circumstances, private array $tables = [])
    {
    }

    /**
     * @return ?array<string, mixed> the parts of the answer, `value` being the whole of it; null where it may stay open
     *     and does
     *
     * @throws UnusableAnswer in words for the person who answered
     */
    public function read(Slot $slot, string $answer): ?array
    {
        // Marks of the writing direction and spaces of no width are seen by nobody; joiners are part of how some names
        // are written.
        $answer = (string) preg_replace(
            '/[\x{200B}\x{200E}\x{200F}\x{202A}-\x{202E}\x{2060}\x{2066}-\x{2069}\x{FEFF}]+/u',
            '',
            $answer,
        );
        $answer = $slot->type === SlotType::Hours || $slot->type === SlotType::Script
            ? trim($answer)
            : trim((string) preg_replace('/\s+/u', ' ', $answer));
        $answer = $answer === '' ? $slot->default ?? '' : $answer;
        if ($answer === '') {
            return $slot->optional ? null : throw new UnusableAnswer('an answer is needed here');
        }
        if (
            mb_strlen($answer) > $slot->type->longest()
            || preg_match('/[\x00-\x08\x0B\x0C\x0E-\x1F\x7F]/', $answer) === 1
        ) {
            throw new UnusableAnswer("at most {$slot->type->longest()} plain characters, please");
        }

        return match ($slot->type) {
            SlotType::Text, SlotType::Script => ['value' => $answer, 'slug' => Slug::of($answer)],
            SlotType::Postcode => ['value' => Postcode::written($answer, $this->circumstances->country)],
            SlotType::Zone => Zone::exists($answer)
                ? ['value' => $answer]
                : throw new UnusableAnswer("\"{$answer}\" is no time zone; write one such as America/Halifax"),
            SlotType::Number => $this->number($answer),
            SlotType::Phone => $this->phone($answer),
            SlotType::Person => self::person($answer),
            SlotType::Choice => self::choice($slot, $answer),
            SlotType::YesNo => self::yesNo($answer),
            SlotType::Whole => self::whole($slot, $answer),
            SlotType::Hours => $this->hours($answer),
            SlotType::Region => $this->region($answer),
            SlotType::Mail => self::mail($answer),
            SlotType::Extension => preg_match('/^\d{2,6}$/D', $answer) === 1
                ? ['value' => $answer]
                : throw new UnusableAnswer("\"{$answer}\" is no extension; write two to six digits"),
            SlotType::Teams => ['value' => self::teams($answer)],
            SlotType::RowOf => $this->rowOf((string) $slot->of, $answer),
            SlotType::Table => throw new \LogicException('a table is read row by row'),
        };
    }

    /** @return array<string, mixed> */
    private function number(string $answer): array
    {
        $bare = (string) preg_replace(self::COMES_OVER, '', $answer);
        $read = $this->phone($bare);
        if ($bare !== $answer) {
            $read = [
                'readAs' => E164::parse($read['value'])->display() . ', porting in', 'comesOver' => true,
            ] + $read;
        }

        return $read + ['nearDigits' => HomeDialling::near($read['value'])];
    }

    /** @return array{value: string, readAs?: string} */
    private function phone(string $answer): array
    {
        try {
            $number = TypedNumber::in($this->circumstances->country, $this->circumstances->mainNumber)->read($answer);

            // Whoever wrote it in the form of the country sees which country that was.
            return ['value' => (string) $number]
                + (str_starts_with($answer, '+') ? [] : ['readAs' => $number->display()]);
        } catch (UnusableNumber $fault) {
            throw new UnusableAnswer($fault->getMessage());
        }
    }

    /** @return array<string, mixed> */
    private static function person(string $answer): array
    {
        $name = PersonName::of($answer);

        return [
            'value' => $name->whole(), 'first' => $name->first, 'last' => $name->last,
            'slug' => Slug::of($name->whole()),
        ];
    }

    /** @return array<string, mixed> */
    private static function choice(Slot $slot, string $answer): array
    {
        foreach ($slot->options as $key => $said) {
            if ($answer === $key || mb_strtolower($answer) === mb_strtolower($said)) {
                return ['value' => $key, 'said' => $said];
            }
        }
        throw new UnusableAnswer("\"{$answer}\" is not offered; choose " . implode(', ', $slot->options));
    }

    /** @return array<string, mixed> */
    private static function yesNo(string $answer): array
    {
        return match (true) {
            in_array(mb_strtolower($answer), self::YES, true) => ['value' => true],
            in_array(mb_strtolower($answer), self::NO, true) => ['value' => false],
            default => throw new UnusableAnswer('yes or no, please'),
        };
    }

    /** @return array<string, mixed> */
    private static function whole(Slot $slot, string $answer): array
    {
        [$least, $most] = [$slot->least ?? 0, $slot->most ?? 999_999];

        return ctype_digit($answer) && (int) $answer >= $least && (int) $answer <= $most
            ? ['value' => (int) $answer]
            : throw new UnusableAnswer("\"{$answer}\" is no whole number from {$least} to {$most}");
    }

    /** @return array<string, mixed> */
    private function hours(string $answer): array
    {
        $read = SpokenHours::read($answer, $this->circumstances->today);
        if ($read['schedule'] === null) {
            throw new UnusableAnswer(implode(
                '; ',
                array_map(static fn (array $fault): string => "\"{$fault['text']}\": {$fault['why']}", $read['faults']),
            ));
        }

        return [
            'value' => $answer, 'readAs' => $read['readAs'], 'weekly' => $read['schedule']['weekly'],
            'periods' => $read['schedule']['periods'], 'breaks' => Breaks::of($read['schedule']['weekly']),
            'filled' => Breaks::filled($read['schedule']['weekly']),
        ];
    }

    /** @return array<string, mixed> */
    private function region(string $answer): array
    {
        $code = mb_strtoupper($answer);
        foreach (HolidayRegions::names() as $known => $name) {
            if ($known !== $code && mb_strtolower($name) !== mb_strtolower($answer)) {
                continue;
            }
            $year = LocalDate::parts($this->circumstances->today)[0];
            $calendar = HolidayRegions::calendar($known, 'holidays', $year, $year + self::YEARS_OF_HOLIDAYS)?->toArray()
                ?? [];

            $country = substr($known, 0, 2);
            $dialling = HomeDialling::of($country);

            return [
                'helpDigits' => $dialling?->help, 'nationalDigits' => $dialling?->national,
                'forwardedDigits' => $dialling?->led, 'abroadDigits' => $dialling?->abroad,
                'value' => $known, 'name' => $name, 'country' => $country,
                'subdivision' => str_contains($known, '-') ? $known : null,
                'knownUntil' => $calendar['knownUntil'] ?? null, 'holidays' => $calendar['holidays'] ?? [],
            ];
        }
        throw new UnusableAnswer("the holidays of \"{$answer}\" are not known here; choose one of the list");
    }

    /** @return array<string, mixed> */
    private static function mail(string $answer): array
    {
        return Evidence::isMail($answer)
            ? ['value' => mb_strtolower($answer)]
            : throw new UnusableAnswer("\"{$answer}\" is no mail address; write one such as ines@thornback.example");
    }

    /** @return array<string, mixed> */
    private function rowOf(string $table, string $answer): array
    {
        $names = [];
        foreach ($this->tables[$table] ?? [] as $row) {
            $name = TableReader::label($row);
            if ($row['key'] === $answer || Slug::of($name) === Slug::of($answer)) {
                return ['value' => $name, 'slug' => $row['key']];
            }
            $names[] = $name;
        }
        throw new UnusableAnswer("\"{$answer}\" is none of " . (
            $names === [] ? 'those named before' : implode(', ', array_slice($names, 0, 8))
        ));
    }

    /** @return list<array{value: string, slug: string}> */
    private static function teams(string $answer): array
    {
        $teams = [];
        foreach (explode(',', str_replace([';', '/', '+'], ',', $answer)) as $name) {
            if (trim($name) !== '') {
                $teams[Slug::of($name)] = [
                    'value' => mb_strtoupper(mb_substr(trim($name), 0, 1)) . mb_substr(trim($name), 1),
                    'slug' => Slug::of($name),
                ];
            }
        }

        return array_values($teams);
    }
}
