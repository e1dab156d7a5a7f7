<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Extension;
use Jaunty\Core\Book\Fields\Flag;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\ItemsOf;
use Jaunty\Core\Book\Fields\LeadsTo;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;
use Jaunty\Core\Book\Fields\Unit;
use Jaunty\Core\Book\Fields\Whole;

/** One line on the telephones of several people: rings at all, and carries one call. */
final readonly class SharedLine implements BookObject
{
    use Declared;
    use NamedObject;

    /**
     * @param  list<array{item: string, who: Reference}>  $members  in list order
     * @param  int  $rings  until it goes on
     */
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
        #[ItemsOf(['item' => new Slug(), 'who' => new Refers(Kind::User, must: true)])]
        public array $members,
        #[Whole(1, 100, default: 6)]
        #[Said('Rings for', in: Unit::Rings)]
        public int $rings,
        #[LeadsTo]
        #[Said('When it carries a call', unset: 'as when nobody answers')]
        public ?Destination $busy,
        #[LeadsTo]
        #[Said('When nobody answers', unset: 'its mailbox')]
        public ?Destination $noAnswer,
        #[Refers(Kind::Mailbox)]
        public ?Reference $mailbox,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::SharedLine;
    }

    public function extension(): ?string
    {
        return $this->extension;
    }

    /** The group that calls meet in it: everybody at once, one pass. */
    public function asGroup(): Group
    {
        return Group::read(Node::of([
            'key' => $this->key,
            'name' => $this->name,
            'site' => $this->site === null ? null : (string) $this->site,
            'enabled' => $this->enabled,
            'members' => array_map(
                static fn (array $member): array => ['item' => $member['item'], 'who' => (string) $member['who']],
                $this->members,
            ),
            // Nobody signs in or out at a line.
            'signInBy' => SignInBy::Administrator->value,
            'ringsEach' => $this->rings,
            'otherwise' => [
                'allBusy' => $this->busy === null ? null : (string) $this->busy,
                'noAnswer' => $this->noAnswer === null ? null : (string) $this->noAnswer,
            ],
            'mailbox' => $this->mailbox === null ? null : (string) $this->mailbox,
        ], (string) Reference::of($this)));
    }
}
