<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Choice;
use Jaunty\Core\Book\Fields\Extension;
use Jaunty\Core\Book\Fields\Flag;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Secret;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;
use Jaunty\Core\Book\Fields\Whole;

/** A room in which whoever enters hears the others. */
final readonly class Conference implements BookObject
{
    use Declared;
    use NamedObject;

    /** @param int $most callers at once */
    private function __construct(
        #[Slug]
        public string $key,
        #[Id]
        public ?string $id,
        #[Extension]
        public ?string $extension,
        #[Text(like: 'key')]
        public string $name,
        #[Refers(Kind::Site)]
        public ?Reference $site,
        #[Flag(true)]
        public bool $enabled,
        #[Whole(2, 500, default: 10)]
        #[Said('Most in it')]
        public int $most,
        #[Choice(PinStrength::None)]
        #[Said('PIN')]
        #[Secret]
        public PinStrength $pin,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::Conference;
    }

    public function extension(): ?string
    {
        return $this->extension;
    }
}
