<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Choice;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Texts;

/** What a site sends with an emergency call, and whom it tells. */
final readonly class EmergencyPlan implements BookPart
{
    use DeclaredPart;

    /** @param list<string> $notify mail addresses */
    private function __construct(
        #[Refers(Kind::Number)]
        #[Said(help: 'The number emergency services call back.')]
        public ?Reference $callback,
        #[Choice(CallbackUse::WhenNone)]
        #[Said('Shown')]
        public CallbackUse $callbackUse,
        #[Texts]
        #[Said('Mails to', 'Mail addresses told of an emergency call.')]
        public array $notify,
    ) {
    }
}
