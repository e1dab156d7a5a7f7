<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Words\Language;
use Jaunty\Core\Words\Message;

/**
 * What a rule says of itself; `docs/rules.md` is written from it. Its words (its name, what it looks for, why that
 * matters, what to do, what it says of one place) are messages under its id in `core/lang`, in each language.
 */
final readonly class About
{
    /** Known to the trade, with no standard behind it. */
    public const COMMON_PRACTICE = 'common practice';

    /** Follows from the model of a call alone. */
    public const MODEL = 'the model of a call';

    /**
     * @param  string  $id  `area.name`, never changed once it is out: waivers hang on it
     * @param  string  $source  a standard, a law with its jurisdiction, or one of the constants above
     * @param  list<string>  $explains  ids of rules whose finding about the same object says no more than this one's
     * @param  list<Threshold>  $thresholds  that it asks for
     * @param  bool  $looksAtLive  whether it compares what was read from the switch, and is run where that is
     * @param  list<string>  $countries  ISO 3166-1 codes where alone it holds; none for everywhere
     */
    public function __construct(
        public string $id,
        public Severity $severity,
        public string $source = self::COMMON_PRACTICE,
        public array $countries = [],
        public array $explains = [],
        public array $thresholds = [],
        public bool $looksAtLive = false,
    ) {
    }

    /** Its short name. */
    public function name(?Language $in = null): string
    {
        return $this->said('name', $in);
    }

    /** What is wrong, in general. */
    public function what(?Language $in = null): string
    {
        return $this->said('what', $in);
    }

    /** Why it matters. */
    public function why(?Language $in = null): string
    {
        return $this->said('why', $in);
    }

    /** How to put it right. */
    public function remedy(?Language $in = null): string
    {
        return $this->said('remedy', $in);
    }

    public function area(): string
    {
        return explode('.', $this->id)[0];
    }

    public function holdsIn(?string $country): bool
    {
        return $this->countries === [] || in_array($country, $this->countries, true);
    }

    private function said(string $part, ?Language $in): string
    {
        return ($in ?? Language::english())->say(new Message("{$this->id}/{$part}"));
    }
}
