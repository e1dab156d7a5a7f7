<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Beside;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\ItemsOf;
use Jaunty\Core\Book\Fields\Phone;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;

/** Somebody outside the company whom the directory knows. */
#[Beside]
final readonly class Contact implements BookObject
{
    use Declared;
    use NamedObject;

    /** @param list<array{item: string, number: string}> $phones in E.164 */
    private function __construct(
        #[Slug]
        public string $key,
        #[Id]
        public ?string $id,
        #[Text(like: 'key')]
        public string $name,
        #[Text]
        public ?string $organisation,
        #[Text]
        #[Said('Mail')]
        public ?string $email,
        #[ItemsOf(['item' => new Slug(), 'number' => new Phone(must: true)])]
        public array $phones,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::Contact;
    }
}
