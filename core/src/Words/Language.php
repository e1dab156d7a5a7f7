<?php

declare(strict_types=1);

namespace Jaunty\Core\Words;

/**
 * A language that customers are written to in: one file in `core/lang`, of messages as ICU reads them
 * (https://unicode-org.github.io/icu/userguide/format_parse/messages/). English is whole, and every other is held
 * against it by a test.
 */
final class Language
{
    public const ENGLISH = 'en';

    /** @var array<string, self> */
    private static array $read = [];

    /** @var array<string, \MessageFormatter> */
    private array $formatters = [];

    private ?\IntlDateFormatter $days = null;

    /**
     * @param  string  $tag  BCP 47
     * @param  string  $name  in itself
     * @param  string  $day  a date, as ICU writes patterns
     * @param  array<string, string>  $messages
     */
    private function __construct(
        public readonly string $tag,
        public readonly string $name,
        private readonly string $day,
        private readonly array $messages,
    ) {
    }

    public static function english(): self
    {
        return self::of(self::ENGLISH);
    }

    /** @throws UnknownLanguage */
    public static function of(string $tag): self
    {
        return self::$read[$tag] ??= self::read($tag);
    }

    /**
     * The one that fits what somebody speaks best: `fr-CA` for `fr`, English for whatever is not here.
     *
     * @param  string  $tag  BCP 47
     */
    public static function near(string $tag): self
    {
        $tags = array_keys(self::all());
        $primary = static fn (string $each): string => strtolower(explode('-', $each)[0]);
        $same = array_filter($tags, static fn (string $each): bool => $primary($each) === $primary($tag));

        return self::of(in_array($tag, $tags, true) ? $tag : (reset($same) === false ? self::ENGLISH : reset($same)));
    }

    /** @return non-empty-array<string, string> the name of each, in itself, by its tag; English first */
    public static function all(): array
    {
        $names = [self::ENGLISH => self::english()->name];
        foreach (self::files() as $file) {
            $tag = basename($file, '.json');
            $names[$tag] ??= self::of($tag)->name;
        }

        return $names;
    }

    /** @return list<string> ids of all its messages */
    public function ids(): array
    {
        return array_keys($this->messages);
    }

    /** @throws UnsayableMessage */
    public function say(Message $message): string
    {
        $id = $message->id;
        $formatter = $this->formatters[$id] ??= \MessageFormatter::create($this->tag, $this->pattern($id))
            ?? throw UnsayableMessage::malformed($this->tag, $id);
        $said = $formatter->format(array_map($this->inWords(...), $message->with));

        return is_string($said) ? $said : throw UnsayableMessage::refused(
            $this->tag,
            $id,
            $formatter->getErrorMessage(),
        );
    }

    /** The same with a capital letter, whatever it begins with. */
    public function sentence(Message $message): string
    {
        $said = $this->say($message);

        return mb_strtoupper(mb_substr($said, 0, 1)) . mb_substr($said, 1);
    }

    /**
     * What the message says before it is said of anything.
     *
     * @throws UnsayableMessage where there is none
     */
    public function pattern(string $id): string
    {
        return $this->messages[$id] ?? throw UnsayableMessage::missing($this->tag, $id);
    }

    /**
     * What somebody has to write yet, or better, before it says whatever another says.
     *
     * @return list<string>
     */
    public function lacks(self $english): array
    {
        $lacks = [];
        foreach (array_diff($english->ids(), $this->ids()) as $id) {
            $lacks[] = "{$id} is not said";
        }
        foreach (array_diff($this->ids(), $english->ids()) as $id) {
            $lacks[] = "{$id} is asked of nobody";
        }
        foreach (array_intersect($this->ids(), $english->ids()) as $id) {
            $unknown = $this->unknownTo($english->pattern($id), $id);
            if ($unknown !== null) {
                $lacks[] = $unknown;
            }
        }

        return $lacks;
    }

    /** Says a message in each of its cases, with the arguments that another's pattern has. */
    private function unknownTo(string $pattern, string $id): ?string
    {
        preg_match_all('/\{(\w+)(?=[,}])/', $pattern, $named);
        preg_match_all('/\{(\w+), (?:plural|number)/', "{$pattern} {$this->messages[$id]}", $counted);
        preg_match_all('/(\w+) \{/', $this->messages[$id], $cases);
        foreach (['1', '2', ...$cases[1]] as $case) {
            $with = array_fill_keys($named[1], $case);
            foreach ($counted[1] as $name) {
                if (isset($with[$name])) {
                    $with[$name] = is_numeric($case) ? (int) $case : 3;
                }
            }
            try {
                $said = $this->say(new Message($id, $with));
            } catch (UnsayableMessage $unsayable) {
                return $unsayable->getMessage();
            }
            if (preg_match('/\{\w*\}/', $said, $left) === 1) {
                return "{$id} names {$left[0]}, which nobody tells it";
            }
        }

        return null;
    }

    private function inWords(string|int|Message|Listing|Day $what): string|int
    {
        return match (true) {
            $what instanceof Message => $this->say($what),
            $what instanceof Listing => $this->listed($what),
            $what instanceof Day => $this->date($what),
            default => $what,
        };
    }

    private function listed(Listing $listing): string
    {
        $names = array_map($this->inWords(...), $listing->all);
        if ($listing->more > 0) {
            return $this->say(new Message('list/more', ['all' => implode(', ', $names), 'n' => $listing->more]));
        }
        $last = array_pop($names);
        if ($names === [] || $listing->joint === ',') {
            return implode(', ', [...$names, (string) $last]);
        }

        return $this->say(
            new Message("list/{$listing->joint}", ['all' => implode(', ', $names), 'last' => (string) $last]),
        );
    }

    private function date(Day $day): string
    {
        $this->days ??= new \IntlDateFormatter(
            $this->tag,
            \IntlDateFormatter::NONE,
            \IntlDateFormatter::NONE,
            'UTC',
            \IntlDateFormatter::GREGORIAN,
            $this->day,
        );
        $said = (string) $this->days->format(new \DateTimeImmutable("{$day->date}T12:00:00Z"));

        return $day->time === null ? $said : $this->say(new Message('moment', ['day' => $said, 'time' => $day->time]));
    }

    /** @return list<string> */
    private static function files(): array
    {
        $files = glob(self::folder() . '/*.json');

        return $files === false ? [] : $files;
    }

    private static function folder(): string
    {
        return dirname(__DIR__, 2) . '/lang';
    }

    private static function read(string $tag): self
    {
        $file = self::folder() . "/{$tag}.json";
        if (preg_match('/^[a-z]{2,3}(-[A-Z]{2})?$/D', $tag) !== 1 || ! is_file($file)) {
            throw UnknownLanguage::named($tag);
        }
        /** @var array{name: string, day: string, messages: array<string, string|array<string, string>>} $all */
        $all = json_decode((string) file_get_contents($file), true, 512, JSON_THROW_ON_ERROR);

        return self::ofValue($tag, $all);
    }

    /** @param array{name: string, day: string, messages: array<string, string|array<string, string>>} $all of a file */
    public static function ofValue(string $tag, array $all): self
    {
        $messages = [];
        foreach ($all['messages'] as $id => $said) {
            foreach (is_array($said) ? $said : ['' => $said] as $part => $message) {
                $messages[$part === '' ? $id : "{$id}/{$part}"] = $message;
            }
        }

        return new self($tag, $all['name'], $all['day'], $messages);
    }
}
