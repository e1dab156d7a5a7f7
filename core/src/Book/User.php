<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Choice;
use Jaunty\Core\Book\Fields\Extension;
use Jaunty\Core\Book\Fields\Flag;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\Items;
use Jaunty\Core\Book\Fields\ItemsOf;
use Jaunty\Core\Book\Fields\Part;
use Jaunty\Core\Book\Fields\Phone;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Shape;
use Jaunty\Core\Book\Fields\Slug;
use Jaunty\Core\Book\Fields\Text;
use Jaunty\Core\Book\Fields\TimeZone;
use Jaunty\Core\Book\Fields\Whole;

/** A person at the customer's with an extension: devices, own treatments, and where they sit. */
final readonly class User implements BookObject
{
    use Declared;

    /**
     * @param  array{first: ?string, last: ?string}  $name
     * @param  list<Leg>  $legs  in ring order
     * @param  array{floor: ?string, room: ?string, address: ?string}  $emergency
     * @param  array{listed: bool, spokenName: bool}  $directory
     * @param  list<array{item: string, level: int}>  $skills
     */
    private function __construct(
        #[Slug]
        public string $key,
        #[Id]
        public ?string $id,
        #[Extension]
        public ?string $extension,
        #[Shape(['first' => new Text(), 'last' => new Text()])]
        #[Said(inside: ['first' => 'First name', 'last' => 'Last name'])]
        public array $name,
        #[Text]
        #[Said('Shown as', 'Unset: first and last name.')]
        public ?string $display,
        #[Text]
        #[Said('Mail')]
        public ?string $email,
        #[Refers(Kind::Site)]
        public ?Reference $site,
        #[TimeZone]
        #[Said('Time zone', 'Unset: the site\'s.')]
        public ?string $zone,
        #[Refers(Kind::Schedule)]
        #[Said('Hours', 'Decides between open, closed and holiday.')]
        public ?Reference $schedule,
        #[Choice(UserStatus::Active)]
        public UserStatus $status,
        #[Choice(CallingClass::National)]
        #[Said('May call')]
        public CallingClass $callingClass,
        #[Flag(true)]
        #[Said(help: 'A second call rings while they are on one.')]
        public bool $callWaiting,
        #[Refers(Kind::Mailbox)]
        #[Said('Messages in')]
        public ?Reference $mailbox,
        #[Refers(Kind::Number)]
        #[Said('Calls out as')]
        public ?Reference $callerId,
        #[Phone]
        #[Said(
            'Calls out as a number elsewhere',
            'Of another carrier, in E.164: shown instead, but for help. Known by a call with a code.',
        )]
        public ?string $showsOutside,
        #[Flag(false)]
        #[Said('Withholds', 'Their calls show no number, but for help.')]
        public bool $withholds,
        #[Text('user')]
        public string $licence,
        #[Items(Leg::class)]
        #[Said('Phones', 'In ring order.')]
        public array $legs,
        #[Part(Handling::class, name: 'handling/open')]
        #[Said('In open hours')]
        public Handling $open,
        #[Part(Handling::class, mayBeUnset: true, name: 'handling/closed')]
        #[Said('While closed', 'Unset: as while open.')]
        public ?Handling $closed,
        #[Part(Handling::class, mayBeUnset: true, name: 'handling/holiday')]
        #[Said('On holidays', 'Unset: as while closed.')]
        public ?Handling $holiday,
        #[Shape(['floor' => new Text(), 'room' => new Text(), 'address' => new Text()])]
        #[Said('Where they sit', 'Told to emergency services.')]
        public array $emergency,
        #[Shape(['listed' => new Flag(true), 'spokenName' => new Flag(false)])]
        #[Said(inside: ['listed' => 'Listed', 'spokenName' => 'Spoken name recorded'])]
        public array $directory,
        #[Refers(Kind::User)]
        #[Said('Reports to')]
        public ?Reference $reportsTo,
        #[ItemsOf(['item' => new Slug(), 'level' => new Whole(1, 100, default: 1)])]
        public array $skills,
    ) {
    }

    /** @return list<Leg> telephones that can speak by themselves */
    public function speakers(): array
    {
        return array_values(array_filter(
            $this->legs,
            static fn (Leg $leg): bool => in_array($leg->legKind, [LegKind::Desk, LegKind::Soft], true),
        ));
    }

    public function kind(): Kind
    {
        return Kind::User;
    }

    public function key(): string
    {
        return $this->key;
    }

    public function id(): ?string
    {
        return $this->id;
    }

    /** Display name, else first and last name, else the key. */
    public function label(): string
    {
        $full = trim("{$this->name['first']} {$this->name['last']}");

        return $this->display ?? ($full === '' ? $this->key : $full);
    }

    public function extension(): ?string
    {
        return $this->extension;
    }
}
