<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Begins;
use Jaunty\Core\Book\Fields\Beside;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\Items;
use Jaunty\Core\Book\Fields\ItemsOf;
use Jaunty\Core\Book\Fields\LeadsTo;
use Jaunty\Core\Book\Fields\Matching;
use Jaunty\Core\Book\Fields\Part;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Shape;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;
use Jaunty\Core\Book\Fields\TimeZone;

/** A place of the customer's: address, time zone, extension range, emergency details. */
final readonly class Site implements BookObject
{
    use Declared;
    use NamedObject;

    private const DIGITS = '/^[0-9]{1,15}$/D';

    /**
     * @param  array<string, ?string>  $address  street, city, subdivision, postcode, country
     * @param  list<array{item: string, name: string}>  $floors
     * @param  list<Workplace>  $workplaces
     * @param  list<SiteContact>  $contacts
     * @param  list<array{item: string, from: string, to: string}>  $extensionRanges  both ends inclusive
     */
    private function __construct(
        #[Slug]
        public string $key,
        #[Id]
        public ?string $id,
        #[Text(like: 'key')]
        public string $name,
        #[TimeZone]
        #[Said('Time zone', 'Unset: the customer\'s.')]
        public ?string $zone,
        #[Shape([
            'street' => new Text(), 'city' => new Text(), 'subdivision' => new Text(), 'postcode' => new Text(),
            'country' => new Text(),
        ])]
        #[Said(inside: [
            'street' => 'Street', 'city' => 'City', 'subdivision' => 'State or province', 'postcode' => 'Postcode',
        ])]
        public array $address,
        #[ItemsOf(['item' => new Slug(), 'name' => new Text(like: 'item')])]
        public array $floors,
        #[Items(Workplace::class)]
        #[Beside]
        #[Said(help: 'Pins on the plans of the floors.')]
        public array $workplaces,
        #[Items(SiteContact::class)]
        #[Beside]
        #[Said(help: 'Whom to ask at the site, and when they are there.')]
        public array $contacts,
        #[ItemsOf([
            'item' => new Slug(),
            'from' => new Matching(self::DIGITS, 'an extension', must: true),
            'to' => new Matching(self::DIGITS, 'an extension', must: true),
        ])]
        #[Begins(['from' => '200', 'to' => '299'])]
        #[Said(help: 'New users get the first free extension of these.')]
        public array $extensionRanges,
        #[LeadsTo]
        #[Said('When the site is out', 'Where calls for its people go while its line is down.')]
        public ?Destination $siteOut,
        #[Part(Defaults::class)]
        #[Said(help: 'Where calls go on when the user does not say.')]
        public Defaults $defaults,
        #[Part(EmergencyPlan::class)]
        #[Said('Emergency plan')]
        public EmergencyPlan $emergency,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::Site;
    }
}
