<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** The customer itself: what holds for the whole book where nothing nearer says otherwise. */
final readonly class Tenant implements BookObject
{
    use NamedObject;

    /**
     * @param  int  $secondsPerRing  seconds; 5 is the trade's rule of thumb (common practice)
     * @param  int  $chainRings  rings for a chain's place that names none
     * @param  int  $transferRings  rings for a screened transfer from a menu
     * @param  list<BlockedCaller>  $blocked
     * @param  ?list<string>  $leftToCustomer  fields that are the customer's own to change on the switch, as kind and path; unset: the usual ones
     * @param  array<string, int>  $licences  how many are bought, by name
     */
    private function __construct(
        public string $key,
        public ?string $id,
        public string $name,
        public Stage $state,
        public ?string $region,
        public ?string $subdivision,
        public string $zone,
        public string $language,
        public ?Reference $mainNumber,
        public ?Destination $operator,
        public int $secondsPerRing,
        public int $chainRings,
        public int $transferRings,
        public ?string $outsidePrefix,
        public int $extensionLength,
        public int $transferLimit,
        public array $blocked,
        public Defaults $defaults,
        public array $licences,
        public ?array $leftToCustomer,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'id', 'name', 'state', 'region', 'subdivision', 'zone', 'language', 'mainNumber', 'operator', 'secondsPerRing', 'chainRings', 'transferRings', 'outsidePrefix', 'extensionLength', 'transferLimit', 'blocked', 'defaults', 'licences', 'leftToCustomer');

        return new self(
            key: $node->slug('key'),
            id: $node->id(),
            name: $node->text('name', $node->text('key')),
            state: $node->choice('state', Stage::class, Stage::Building),
            region: $node->matchingOrNull('region', '/^[A-Z]{2}$/D', 'a country code (ISO 3166-1, two capital letters)'),
            subdivision: $node->matchingOrNull('subdivision', '/^[A-Z]{2}-[A-Z0-9]{1,3}$/D', 'a subdivision code (ISO 3166-2, such as CA-NS)'),
            zone: $node->zone('zone'),
            language: $node->text('language', 'en'),
            mainNumber: $node->reference('mainNumber', Kind::Number),
            operator: $node->destination('operator'),
            secondsPerRing: $node->whole('secondsPerRing', 5, 1, 60),
            chainRings: $node->whole('chainRings', 3, 1, 100),
            transferRings: $node->whole('transferRings', 4, 1, 100),
            outsidePrefix: $node->matchingOrNull('outsidePrefix', '/^[0-9*#]{1,4}$/D', 'a prefix of one to four keys'),
            extensionLength: $node->whole('extensionLength', 3, 1, 15),
            transferLimit: $node->whole('transferLimit', 20, 1, 1000),
            blocked: $node->items('blocked', BlockedCaller::read(...)),
            defaults: Defaults::read($node->object('defaults')),
            licences: self::readLicences($node->object('licences')),
            leftToCustomer: self::readLeft($node),
        );
    }

    public function kind(): Kind
    {
        return Kind::Tenant;
    }

    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'name' => $this->name,
            'state' => $this->state->value,
            'region' => $this->region,
            'subdivision' => $this->subdivision,
            'zone' => $this->zone,
            'language' => $this->language,
            'mainNumber' => $this->mainNumber === null ? null : (string) $this->mainNumber,
            'operator' => $this->operator === null ? null : (string) $this->operator,
            'secondsPerRing' => $this->secondsPerRing,
            'chainRings' => $this->chainRings,
            'transferRings' => $this->transferRings,
            'outsidePrefix' => $this->outsidePrefix,
            'extensionLength' => $this->extensionLength,
            'transferLimit' => $this->transferLimit,
            'blocked' => array_map(static fn (BlockedCaller $caller): array => $caller->toArray(), $this->blocked),
            'defaults' => $this->defaults->toArray(),
            'licences' => $this->licences,
            'leftToCustomer' => $this->leftToCustomer,
        ];
    }

    public function links(): array
    {
        return [
            ...Links::reference('mainNumber', $this->mainNumber),
            ...Links::destination('operator', $this->operator),
            ...$this->defaults->links(),
        ];
    }

    /** @return ?list<string> */
    private static function readLeft(Node $node): ?array
    {
        if ($node->isNullOrMissing('leftToCustomer')) {
            return null;
        }
        $kinds = implode('|', array_map(static fn (Kind $kind): string => $kind->value, Kind::cases()));
        $left = array_values(array_unique($node->texts('leftToCustomer')));
        foreach ($left as $field) {
            if (preg_match("~^(?:{$kinds})\\.[a-z][A-Za-z]*(?:/(?:[A-Za-z0-9.-]+|\\*))*$~D", $field) !== 1) {
                throw UnusableBook::malformed($node->at('leftToCustomer'), 'a kind and a field (mailbox.greeting, group.members/*/signedIn)', $field);
            }
        }
        sort($left);

        return $left;
    }

    /** @return array<string, int> */
    private static function readLicences(Node $node): array
    {
        $licences = [];
        foreach ($node->fields() as $name) {
            $licences[$name] = $node->whole($name, 0, 0, 1_000_000);
        }
        ksort($licences, SORT_STRING);

        return $licences;
    }
}
