<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Choice;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\LeadsTo;
use Jaunty\Core\Book\Fields\Matching;
use Jaunty\Core\Book\Fields\Own;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\RefersToMany;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Shape;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;
use Jaunty\Core\Book\Fields\Unit;
use Jaunty\Core\Book\Fields\Whole;

/** A menu: prompt, keys, dialling of extensions and names, and what happens on silence and wrong keys. */
final readonly class Menu implements BookObject
{
    use Declared;
    use NamedObject;

    public const KEY = '/^[0-9*#]$/D';

    private const KEYPAD = '1234567890*#';

    /** A file writes keys as an object, the canonical form as items, so that each merges by itself. */
    private const KEYS_SCHEMA = [
        'type' => ['object', 'array'],
        'patternProperties' => [
            '^[0-9*#]$' => [
                'type' => 'object',
                'properties' => [
                    'to' => ['title' => 'To', 'anyOf' => [['$ref' => '#/$defs/destination'], ['type' => 'null']]],
                    'label' => ['title' => 'Label', 'type' => ['string', 'null'], 'maxLength' => Node::MOST_TEXT],
                ],
                'additionalProperties' => false,
            ],
        ],
        'additionalProperties' => false,
    ];

    /**
     * @param  array<array-key, MenuKey>  $keys  by key; a digit is an integer key of the array
     * @param  int  $wait  seconds after each play
     * @param  array{scope: ExtensionReach, least: int, most: ?int, interdigit: int}  $dialExtensions  interdigit in
     *     seconds
     * @param  array{scope: NameScope, groups: list<Reference>, by: NameOrder, match: NameMatch}  $dialByName
     */
    private function __construct(
        #[Slug]
        public string $key,
        #[Id]
        public ?string $id,
        #[Text(like: 'key')]
        public string $name,
        #[Refers(Kind::Site)]
        public ?Reference $site,
        #[Refers(Kind::Prompt)]
        public ?Reference $prompt,
        #[Own([self::class, 'readKeys'], self::KEYS_SCHEMA, [self::class, 'writeKeys'], [self::class, 'linksOfKeys'], [
            'item' => new Matching(self::KEY, 'one key of a telephone (0 to 9, * or #)', must: true),
            'to' => new LeadsTo(),
            'label' => new Text(),
        ])]
        public array $keys,
        #[Whole(1, 1000, default: 3)]
        #[Said(help: 'How often the prompt is said before silence counts.')]
        public int $plays,
        #[Whole(0, 3600, default: 5)]
        #[Said(help: 'After each time.', in: Unit::Seconds)]
        public int $wait,
        #[Refers(Kind::Prompt)]
        #[Said('Said to wrong keys')]
        public ?Reference $invalidPrompt,
        #[Whole(1, 1000, default: 3)]
        #[Said('Wrong keys allowed')]
        public int $invalidAllowed,
        #[LeadsTo]
        #[Said('Wrong keys lead to', 'Where a caller goes who pressed wrong keys too often.')]
        public ?Destination $invalid,
        #[LeadsTo]
        #[Said('No key leads to', 'Where a caller goes who presses nothing.')]
        public ?Destination $silence,
        #[Choice(TransferWay::ComesBack)]
        public TransferWay $transfer,
        #[Choice(CallingClass::National)]
        #[Said('Sends outside')]
        public CallingClass $onwardClass,
        #[Shape([
            'scope' => new Choice(ExtensionReach::Off), 'least' => new Whole(1, 15, default: 1),
            'most' => new Whole(1, 15), 'interdigit' => new Whole(0, 60, default: 3),
        ])]
        #[Said(
            'Extensions may be dialled',
            inside: ['interdigit' => 'Pause between digits'],
            units: ['least' => Unit::Digits, 'most' => Unit::Digits, 'interdigit' => Unit::Seconds],
        )]
        public array $dialExtensions,
        #[Shape([
            'scope' => new Choice(NameScope::Off), 'groups' => new RefersToMany(Kind::Group),
            'by' => new Choice(NameOrder::First), 'match' => new Choice(NameMatch::Partial),
        ])]
        #[Said('Dialled by name')]
        public array $dialByName,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::Menu;
    }

    /**
     * @internal
     *
     * @return array<array-key, MenuKey>
     */
    public static function readKeys(Node $node, string $field): array
    {
        $keys = [];
        foreach ($node->keyed($field) as $name => $key) {
            $key->allow('item', 'to', 'label');
            if (preg_match(self::KEY, (string) $name) !== 1) {
                throw UnusableBook::malformed($key->path, 'one key of a telephone (0 to 9, * or #)', (string) $name);
            }
            $keys[$name] = new MenuKey((string) $name, $key->destination('to'), $key->textOrNull('label'));
        }
        // They lie as they lie on the telephone, however a file orders them.
        uksort($keys, static fn (int|string $a, int|string $b): int => strpos(self::KEYPAD, (string) $a) <=> strpos(
            self::KEYPAD,
            (string) $b,
        ));

        return $keys;
    }

    /**
     * @internal
     *
     * @return list<array{item: string, to: ?string, label: ?string}>
     */
    public static function writeKeys(mixed $keys): array
    {
        return array_map(
            static fn (MenuKey $key): array => [
                'item' => $key->key,
                'to' => $key->to === null ? null : (string) $key->to,
                'label' => $key->label,
            ],
            self::each($keys),
        );
    }

    /**
     * @internal
     *
     * @return list<Link>
     */
    public static function linksOfKeys(string $path, mixed $keys): array
    {
        $links = [];
        foreach (self::each($keys) as $key) {
            if ($key->to?->object !== null) {
                $links[] = new Link("{$path}/{$key->key}/to", $key->to->object);
            }
        }

        return $links;
    }

    /** @return list<MenuKey> */
    private static function each(mixed $keys): array
    {
        return is_array($keys)
            ? array_values(array_filter($keys, static fn (mixed $key): bool => $key instanceof MenuKey))
            : [];
    }
}
