<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Begins;
use Jaunty\Core\Book\Fields\Choice;
use Jaunty\Core\Book\Fields\Extension;
use Jaunty\Core\Book\Fields\Flag;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\ItemsOf;
use Jaunty\Core\Book\Fields\LeadsTo;
use Jaunty\Core\Book\Fields\Matching;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;
use Jaunty\Core\Book\Fields\TimeZone;

/** An auto attendant: by the state of its schedule, a greeting and where the call goes. */
final readonly class Attendant implements BookObject
{
    use Declared;
    use NamedObject;

    public const WHEN = '/^(open|closed|holiday|(holiday|period):[a-z0-9][a-z0-9.-]*)$/D';

    /** @param list<array{item: string, when: string, greeting: ?Reference, then: ?Destination}> $answers */
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
        #[TimeZone]
        #[Said('Time zone')]
        public ?string $zone,
        #[Text]
        public ?string $language,
        #[Flag(true)]
        public bool $enabled,
        #[Refers(Kind::Schedule)]
        #[Said('Hours')]
        public ?Reference $schedule,
        #[Choice(CallingClass::National)]
        #[Said('Sends outside')]
        public CallingClass $onwardClass,
        #[ItemsOf([
            'item' => new Slug(),
            'when' => new Matching(self::WHEN, 'open, closed, holiday, holiday:ITEM or period:ITEM', must: true),
            'greeting' => new Refers(Kind::Prompt), 'then' => new LeadsTo(),
        ])]
        #[Begins(['when' => 'open'])]
        #[Said(help: 'By what the hours say.')]
        public array $answers,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::Attendant;
    }

    public function extension(): ?string
    {
        return $this->extension;
    }
}
