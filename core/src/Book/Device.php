<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Beside;
use Jaunty\Core\Book\Fields\Choice;
use Jaunty\Core\Book\Fields\Flag;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\Items;
use Jaunty\Core\Book\Fields\ItemsOf;
use Jaunty\Core\Book\Fields\Matching;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;

/** A telephone: which it is, where it stands, whose it is, and what its keys do. */
final readonly class Device implements BookObject
{
    use Declared;
    use NamedObject;

    public const HARDWARE = '/^[0-9a-f]{12}$/D';

    /**
     * @param  ?string  $model  of the reseller's list of models, by its key
     * @param  ?string  $hardware  twelve hex digits in small letters, unlike every other telephone's of all customers
     * @param  ?string  $workplace  of the site's, by its item: floor and room are known by it
     * @param  list<array{item: string, user: Reference}>  $lines  the first is its own
     * @param  list<DeviceKey>  $keys
     */
    private function __construct(
        #[Slug]
        public string $key,
        #[Id]
        public ?string $id,
        #[Text(like: 'key')]
        public string $name,
        #[Text]
        #[Said(help: 'Of the list of models, by its key.')]
        public ?string $model,
        #[Matching(self::HARDWARE, 'a hardware address (twelve hex digits in small letters)')]
        #[Said('Hardware address', 'Twelve hex digits, as printed below the telephone.')]
        public ?string $hardware,
        #[Refers(Kind::Site)]
        public ?Reference $site,
        #[Beside]
        #[Text]
        #[Said(help: 'Of the workplaces of its site, by its item.')]
        public ?string $workplace,
        #[Choice(DeviceStatus::InUse)]
        public DeviceStatus $status,
        #[Flag(false)]
        #[Said('Hot desk', 'Whoever sits down signs in at it.')]
        public bool $hotDesk,
        #[ItemsOf(['item' => new Slug(), 'user' => new Refers(Kind::User, must: true)])]
        #[Said(help: 'Whose calls ring at it; the first is its own.')]
        public array $lines,
        #[Items(DeviceKey::class)]
        public array $keys,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::Device;
    }
}
