<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

/**
 * One person as a line of a mail has them, whatever stands first: what looks like a mail address, a telephone or an
 * extension is one, the name is what is left in front, and the rest is words.
 */
final class LooseLine
{
    private const MAIL = '/[<(\[]?\s*(?:mailto:)?([\p{L}0-9._%+\'-]+@[\p{L}0-9-]+(?:\.[\p{L}0-9-]+)+)\s*[>)\]]?/u';

    private const EXTENSION = '/(?<![\p{L}\d])(?:ext(?:ension)?|x|poste|local|#)\s*[.:#]*\s*(\d{2,6})(?!\d)/iu';

    /** North American numbers, whole or without the area code; any with a plus; those of elsewhere by a zero first. */
    private const PHONE = '(?:\+\d[\d\s().-]{6,}\d|(?:1[\s.-]?)?(?:\(\d{3}\)|\d{3})[\s.-]?\d{3}[\s.-]?\d{4}'
        . '|0\d[\d\s().-]{6,}\d|\d{3}[\s.-]\d{4})(?!\d)';

    private const LABELS = [
        'mobile' => '(?:cell(?:ular|phone| phone)?|mob(?:ile)?(?: phone)?|cellulaire|portable|m|c)',
        'direct' => '(?:direct(?: line| dial| number)?|d\.?i\.?d|d\.?d\.?i|ligne directe|d)',
        '' => '(?:tel(?:ephone)?|phone|office|work|home|fax|t|p|o|h|f|bureau)',
    ];

    /** Marks of a list in front: bullets, a number with a dot, what a mail quotes. */
    private const LIST_MARK = '/^[\s>*•·‣◦–—-]+|^\s*\d{1,3}[.)]\s+/u';

    public string $name = '';

    public ?string $extension = null;

    public ?string $mail = null;

    public ?string $mobile = null;

    public ?string $direct = null;

    /** @var list<string> what stands there besides */
    public array $words = [];

    private function __construct(private string $text)
    {
    }

    public static function read(string $line): self
    {
        $self = new self((string) preg_replace(self::LIST_MARK, '', $line));
        $self->mail = $self->take(self::MAIL);
        while (($other = $self->take(self::MAIL)) !== null) {
            $self->words[] = $other;
        }
        foreach (self::LABELS as $kind => $label) {
            while (
                ($number = $self->take('/(?<![\p{L}\d])' . $label . '\s*[.:#]*\s*(' . self::PHONE . ')/iu')) !== null
            ) {
                $self->phone($kind, $number);
            }
        }
        $self->extension = $self->take(self::EXTENSION);
        while (($number = $self->take('/(?<![\d+])(' . self::PHONE . ')/u')) !== null) {
            $self->phone('mobile', $number);
        }
        $self->extension ??= $self->take('/(?<![\p{L}\d+(@.])(\d{2,6})(?![\p{L}\d@])/u');
        $self->rest();

        return $self;
    }

    private function phone(string $kind, string $number): void
    {
        if ($kind === 'mobile' && $this->mobile === null) {
            $this->mobile = $number;
        } elseif ($kind === 'direct' && $this->direct === null) {
            $this->direct = $number;
        } else {
            $this->words[] = $number;
        }
    }

    private function take(string $pattern): ?string
    {
        if (preg_match($pattern, $this->text, $found, PREG_OFFSET_CAPTURE) !== 1) {
            return null;
        }
        [$whole, $at] = $found[0];
        // What stood on either side of it is not one word now.
        $this->text = substr($this->text, 0, $at) . '  ' . substr($this->text, $at + strlen($whole));

        return trim($found[1][0]);
    }

    private function rest(): void
    {
        $text = (string) preg_replace('/[<>\[\]"]+|\(\s*\)/u', ' ', $this->text);
        $text = (string) preg_replace('/\s*[(|]\s*|\)|\s+[-–—\/:]+\s+/u', "\t", $text);
        $pieces = preg_split('/\t+|\s{2,}|;/u', $text, flags: PREG_SPLIT_NO_EMPTY);
        $pieces = array_values(array_filter(
            array_map(
                static fn (string $piece): string
                    => (string) preg_replace('/^[\s,.:–—\/|-]+|[\s,.:–—\/|-]+$/u', '', $piece),
                $pieces === false ? [] : $pieces,
            ),
            static fn (string $piece): bool => preg_match('/[\p{L}\p{N}]/u', $piece) === 1,
        ));
        $first = array_shift($pieces) ?? '';
        $parts = array_values(array_filter(
            array_map(trim(...), explode(',', $first)),
            static fn (string $part): bool => $part !== '',
        ));
        if (count($parts) > 1 && PersonName::isLast($parts[0])) {
            $this->name = "{$parts[0]}, {$parts[1]}";
            $rest = array_slice($parts, 2);
        } else {
            $this->name = $parts[0] ?? '';
            $rest = array_slice($parts, 1);
            // "Marsh   Ines   201": a name in two columns.
            if (
                $rest === [] && $pieces !== [] && ! str_contains($this->name, ' ')
                && preg_match('/^[\p{L}\'.-]+$/uD', $pieces[0]) === 1
            ) {
                $this->name .= ' ' . array_shift($pieces);
            }
        }
        array_push($this->words, ...$rest, ...$pieces);
    }
}
