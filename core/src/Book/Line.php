<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Choice;
use Jaunty\Core\Book\Fields\Extension;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;

/** A line without a person: fax, alarm, lift, door, card machine. */
final readonly class Line implements BookObject
{
    use Declared;
    use NamedObject;

    private function __construct(
        #[Slug]
        public string $key,
        #[Id]
        public ?string $id,
        #[Extension]
        public ?string $extension,
        #[Text(like: 'key')]
        public string $name,
        #[Choice(LinePurpose::Fax)]
        public LinePurpose $purpose,
        #[Refers(Kind::Site)]
        public ?Reference $site,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::Line;
    }

    public function extension(): ?string
    {
        return $this->extension;
    }
}
