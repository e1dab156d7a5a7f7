<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Treats;

/** What a tenant or a site does with its users' calls where the user says nothing. */
final readonly class Defaults implements BookPart
{
    use DeclaredPart;

    private function __construct(
        #[Treats]
        public ?Treatment $noAnswer,
        #[Treats]
        public ?Treatment $busy,
        #[Treats]
        #[Said('No phone can be reached')]
        public ?Treatment $unreachable,
        #[Treats]
        #[Said('Not to be disturbed')]
        public ?Treatment $doNotDisturb,
    ) {
    }

    public function of(string $condition): ?Treatment
    {
        return match ($condition) {
            'noAnswer' => $this->noAnswer,
            'busy' => $this->busy,
            'unreachable' => $this->unreachable,
            'doNotDisturb' => $this->doNotDisturb,
            default => null,
        };
    }
}
