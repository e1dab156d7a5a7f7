<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Choice;
use Jaunty\Core\Book\Fields\Extension;
use Jaunty\Core\Book\Fields\Flag;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\LeadsTo;
use Jaunty\Core\Book\Fields\Left;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Secret;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;
use Jaunty\Core\Book\Fields\Texts;

/** Where a voice message is left, and who is told of it. */
final readonly class Mailbox implements BookObject
{
    use Declared;
    use NamedObject;

    /** @param list<string> $notify mail addresses */
    private function __construct(
        #[Slug]
        public string $key,
        #[Id]
        public ?string $id,
        #[Text(like: 'key')]
        public string $name,
        #[Extension]
        public ?string $extension,
        #[Refers(Kind::User)]
        public ?Reference $owner,
        #[Flag(true)]
        #[Said('Takes messages')]
        public bool $enabled,
        #[Refers(Kind::Prompt)]
        #[Left]
        public ?Reference $greeting,
        #[LeadsTo]
        #[Said('Key 0 leads to')]
        public ?Destination $zero,
        #[Flag(false)]
        public bool $full,
        #[Choice(PinStrength::None)]
        #[Said('PIN')]
        #[Secret]
        #[Left]
        public PinStrength $pin,
        #[Texts]
        #[Said('Mails to', 'Mail addresses.')]
        public array $notify,
        #[Flag(true)]
        #[Said('Sound by mail')]
        public bool $attachAudio,
        #[Flag(false)]
        public bool $deleteAfterMail,
        #[Flag(false)]
        #[Said('Written out')]
        public bool $transcribe,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::Mailbox;
    }

    public function extension(): ?string
    {
        return $this->extension;
    }
}
