<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** A menu: prompt, keys, dialling of extensions and names, and what happens on silence and wrong keys. */
final readonly class Menu implements BookObject
{
    use NamedObject;

    public const KEY = '/^[0-9*#]$/D';

    private const KEYPAD = '1234567890*#';

    /**
     * @param  array<array-key, MenuKey>  $keys  by key; a digit is an integer key of the array
     * @param  int  $wait  seconds after each play
     * @param  array{scope: ExtensionReach, least: int, most: ?int, interdigit: int}  $dialExtensions  interdigit in seconds
     * @param  array{scope: NameScope, groups: list<Reference>, by: NameOrder, match: NameMatch}  $dialByName
     */
    private function __construct(
        public string $key,
        public ?string $id,
        public string $name,
        public ?Reference $site,
        public ?Reference $prompt,
        public array $keys,
        public int $plays,
        public int $wait,
        public ?Reference $invalidPrompt,
        public int $invalidAllowed,
        public ?Destination $invalid,
        public ?Destination $silence,
        public TransferWay $transfer,
        public CallingClass $onwardClass,
        public array $dialExtensions,
        public array $dialByName,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'id', 'name', 'site', 'prompt', 'keys', 'plays', 'wait', 'invalidPrompt', 'invalidAllowed', 'invalid', 'silence', 'transfer', 'onwardClass', 'dialExtensions', 'dialByName');
        $dial = $node->object('dialExtensions');
        $dial->allow('scope', 'least', 'most', 'interdigit');
        $names = $node->object('dialByName');
        $names->allow('scope', 'groups', 'by', 'match');

        return new self(
            key: $node->slug('key'),
            id: $node->id(),
            name: $node->text('name', $node->text('key')),
            site: $node->reference('site', Kind::Site),
            prompt: $node->reference('prompt', Kind::Prompt),
            keys: self::readKeys($node),
            plays: $node->whole('plays', 3, 1, 1000),
            wait: $node->whole('wait', 5, 0, 3600),
            invalidPrompt: $node->reference('invalidPrompt', Kind::Prompt),
            invalidAllowed: $node->whole('invalidAllowed', 3, 1, 1000),
            invalid: $node->destination('invalid'),
            silence: $node->destination('silence'),
            transfer: $node->choice('transfer', TransferWay::class, TransferWay::ComesBack),
            onwardClass: $node->choice('onwardClass', CallingClass::class, CallingClass::National),
            dialExtensions: [
                'scope' => $dial->choice('scope', ExtensionReach::class, ExtensionReach::Off),
                'least' => $dial->whole('least', 1, 1, 15),
                'most' => $dial->isNullOrMissing('most') ? null : $dial->whole('most', 1, 1, 15),
                'interdigit' => $dial->whole('interdigit', 3, 0, 60),
            ],
            dialByName: [
                'scope' => $names->choice('scope', NameScope::class, NameScope::Off),
                'groups' => $names->references('groups', Kind::Group),
                'by' => $names->choice('by', NameOrder::class, NameOrder::First),
                'match' => $names->choice('match', NameMatch::class, NameMatch::Partial),
            ],
        );
    }

    public function kind(): Kind
    {
        return Kind::Menu;
    }

    /** Keys stand as items here, so that each merges by itself; a file writes them as an object (see BookFormat). */
    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'name' => $this->name,
            'site' => Links::text($this->site),
            'prompt' => Links::text($this->prompt),
            'keys' => array_values(array_map(static fn (MenuKey $key): array => ['item' => $key->key, 'to' => Links::text($key->to), 'label' => $key->label], $this->keys)),
            'plays' => $this->plays,
            'wait' => $this->wait,
            'invalidPrompt' => Links::text($this->invalidPrompt),
            'invalidAllowed' => $this->invalidAllowed,
            'invalid' => Links::text($this->invalid),
            'silence' => Links::text($this->silence),
            'transfer' => $this->transfer->value,
            'onwardClass' => $this->onwardClass->value,
            'dialExtensions' => ['scope' => $this->dialExtensions['scope']->value] + $this->dialExtensions,
            'dialByName' => [
                'scope' => $this->dialByName['scope']->value,
                'groups' => array_map(strval(...), $this->dialByName['groups']),
                'by' => $this->dialByName['by']->value,
                'match' => $this->dialByName['match']->value,
            ],
        ];
    }

    public function links(): array
    {
        $links = [...Links::reference('site', $this->site), ...Links::reference('prompt', $this->prompt)];
        foreach ($this->keys as $key) {
            array_push($links, ...Links::destination("keys/{$key->key}/to", $key->to));
        }

        return [
            ...$links,
            ...Links::reference('invalidPrompt', $this->invalidPrompt),
            ...Links::destination('invalid', $this->invalid),
            ...Links::destination('silence', $this->silence),
            ...Links::references('dialByName/groups', $this->dialByName['groups']),
        ];
    }

    /** @return array<array-key, MenuKey> */
    private static function readKeys(Node $node): array
    {
        $keys = [];
        foreach ($node->keyed('keys') as $name => $key) {
            $key->allow('item', 'to', 'label');
            if (preg_match(self::KEY, (string) $name) !== 1) {
                throw UnusableBook::malformed($key->path, 'one key of a telephone (0 to 9, * or #)', (string) $name);
            }
            $keys[$name] = new MenuKey((string) $name, $key->destination('to'), $key->textOrNull('label'));
        }
        // They lie as they lie on the telephone, however a file orders them.
        uksort($keys, static fn (int|string $a, int|string $b): int => strpos(self::KEYPAD, (string) $a) <=> strpos(self::KEYPAD, (string) $b));

        return $keys;
    }
}
