<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Beside;
use Jaunty\Core\Book\Fields\Choice;
use Jaunty\Core\Book\Fields\Counts;
use Jaunty\Core\Book\Fields\Flag;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\Items;
use Jaunty\Core\Book\Fields\LeadsTo;
use Jaunty\Core\Book\Fields\Matching;
use Jaunty\Core\Book\Fields\Own;
use Jaunty\Core\Book\Fields\Part;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;
use Jaunty\Core\Book\Fields\TimeZone;
use Jaunty\Core\Book\Fields\Unit;
use Jaunty\Core\Book\Fields\Whole;

/** The customer itself: what holds for the whole book where nothing nearer says otherwise. */
final readonly class Tenant implements BookObject
{
    use Declared;
    use NamedObject;

    private const LEFT_SCHEMA = [
        'description' => 'fields that are the customer\'s own to change on the switch, as kind and path; unset: the '
            . 'usual ones (docs/decisions/0015-left-waived-signed.md)',
        'type' => 'array',
        'default' => null,
        'items' => ['type' => 'string', 'pattern' => '^[a-z]+\\.[a-z][A-Za-z]*(/([A-Za-z0-9.-]+|\\*))*$'],
    ];

    /**
     * @param  int  $secondsPerRing  seconds; 5 is the trade's rule of thumb (common practice)
     * @param  int  $chainRings  rings for a chain's place that names none
     * @param  int  $transferRings  rings for a screened transfer from a menu
     * @param  list<BlockedCaller>  $blocked
     * @param  ?list<string>  $leftToCustomer  fields that are the customer's own to change on the switch, as kind and
     *     path; unset: the usual ones
     * @param  array<string, int>  $licences  how many are bought, by name
     */
    private function __construct(
        #[Slug]
        public string $key,
        #[Id]
        public ?string $id,
        #[Text(like: 'key')]
        #[Said('Name')]
        public string $name,
        #[Beside]
        #[Choice(Stage::Building)]
        #[Said('Stage')]
        public Stage $state,
        #[Matching('/^[A-Z]{2}$/D', 'a country code (ISO 3166-1, two capital letters)')]
        #[Said('Country', 'ISO 3166-1, two capital letters: how national numbers are read.')]
        public ?string $region,
        #[Matching('/^[A-Z]{2}-[A-Z0-9]{1,3}$/D', 'a subdivision code (ISO 3166-2, such as CA-NS)')]
        #[Said('State or province', 'ISO 3166-2, such as CA-NS: which holidays are known.')]
        public ?string $subdivision,
        #[TimeZone(must: true)]
        #[Said('Time zone')]
        public string $zone,
        #[Text('en')]
        #[Said(help: 'What prompts are spoken in where they say nothing else.')]
        public string $language,
        #[Refers(Kind::Number)]
        #[Said('Main number')]
        public ?Reference $mainNumber,
        #[LeadsTo]
        #[Said(help: 'Who is meant where a call is sent to the operator.')]
        public ?Destination $operator,
        #[Whole(1, 60, default: 5)]
        #[Said('A ring lasts', 'Rings become seconds by it; the switch keeps whole rings.', in: Unit::Seconds)]
        public int $secondsPerRing,
        #[Whole(1, 100, default: 3)]
        #[Said('Rings of a fallback', 'For a place of a fallback chain that names none.', in: Unit::Rings)]
        public int $chainRings,
        #[Whole(1, 100, default: 4)]
        #[Said(help: 'A transfer from a menu that comes back rings so often.', in: Unit::Rings)]
        public int $transferRings,
        #[Matching('/^[0-9*#]{1,4}$/D', 'a prefix of one to four keys')]
        #[Said(help: 'Dialled before an outside number.')]
        public ?string $outsidePrefix,
        #[Whole(1, 15, default: 3)]
        #[Said(in: Unit::Digits)]
        public int $extensionLength,
        #[Whole(1, 1000, default: 20)]
        #[Said(help: 'A call that was passed on so often ends.')]
        public int $transferLimit,
        #[Items(BlockedCaller::class)]
        #[Said('Blocked callers')]
        public array $blocked,
        #[Beside]
        #[Flag(true)]
        #[Said('May withhold', 'Whether anybody\'s calls may show no number.')]
        public bool $mayWithhold,
        #[Part(Defaults::class)]
        #[Said(help: 'Where calls go on when neither the user nor the site says.')]
        public Defaults $defaults,
        #[Part(Features::class)]
        public Features $features,
        #[Counts(1_000_000)]
        #[Said(help: 'How many are bought, by name.')]
        public array $licences,
        #[Beside]
        #[Own([self::class, 'readLeft'], self::LEFT_SCHEMA, mayBeUnset: true)]
        #[Said(
            'Left to the customer',
            'Fields that are the customer\'s own to change on the switch, as kind and path; unset: the usual ones '
                . '(docs/decisions/0015-left-waived-signed.md).',
            unset: 'the usual ones',
        )]
        public ?array $leftToCustomer,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::Tenant;
    }

    /**
     * @internal
     *
     * @return ?list<string>
     */
    public static function readLeft(Node $node, string $field): ?array
    {
        if ($node->isNullOrMissing($field)) {
            return null;
        }
        $kinds = implode('|', array_map(static fn (Kind $kind): string => $kind->value, Kind::cases()));
        $left = array_values(array_unique($node->texts($field)));
        foreach ($left as $said) {
            if (preg_match("~^(?:{$kinds})\\.[a-z][A-Za-z]*(?:/(?:[A-Za-z0-9.-]+|\\*))*$~D", $said) !== 1) {
                throw UnusableBook::malformed(
                    $node->at($field),
                    'a kind and a field (mailbox.greeting, group.members/*/signedIn)',
                    $said,
                );
            }
        }
        sort($left);

        return $left;
    }
}
