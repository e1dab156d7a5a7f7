<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** The kinds of object a book holds. A new kind is a case here and a readonly class beside it. */
enum Kind: string
{
    case Tenant = 'tenant';
    case Site = 'site';
    case Number = 'number';
    case User = 'user';
    case Group = 'group';
    case Chain = 'chain';
    case Attendant = 'attendant';
    case Menu = 'menu';
    case Schedule = 'schedule';
    case Calendar = 'calendar';
    case Mailbox = 'mailbox';
    case Announcement = 'announcement';
    case Prompt = 'prompt';
    case Line = 'line';
    case Device = 'device';
    case SharedLine = 'sharedLine';
    case Conference = 'conference';
    case PickUpGroup = 'pickUpGroup';
    case ParkPlace = 'parkPlace';
    case PageZone = 'pageZone';
    case Trunk = 'trunk';
    case Route = 'route';
    case Team = 'team';
    case Contact = 'contact';
    case Promise = 'promise';

    /** The field of the tenant book that holds objects of this kind. */
    public function field(): string
    {
        return match ($this) {
            self::Tenant => 'tenant',
            self::Site => 'sites',
            self::Number => 'numbers',
            self::User => 'users',
            self::Group => 'groups',
            self::Chain => 'chains',
            self::Attendant => 'attendants',
            self::Menu => 'menus',
            self::Schedule => 'schedules',
            self::Calendar => 'calendars',
            self::Mailbox => 'mailboxes',
            self::Announcement => 'announcements',
            self::Prompt => 'prompts',
            self::Line => 'lines',
            self::Device => 'devices',
            self::SharedLine => 'sharedLines',
            self::Conference => 'conferences',
            self::PickUpGroup => 'pickUpGroups',
            self::ParkPlace => 'parkPlaces',
            self::PageZone => 'pageZones',
            self::Trunk => 'trunks',
            self::Route => 'routes',
            self::Team => 'teams',
            self::Contact => 'contacts',
            self::Promise => 'promises',
        };
    }

    /** Whether a call can be sent to an object of this kind (design 09, Destination). */
    public function takesCalls(): bool
    {
        return match ($this) {
            self::User, self::Group, self::Chain, self::Attendant, self::Menu, self::Mailbox, self::Announcement,
            self::Line, self::SharedLine, self::Conference => true,
            self::Tenant, self::Site, self::Number, self::Schedule, self::Calendar, self::Prompt, self::Trunk,
            self::Route, self::Team, self::Contact, self::Promise, self::Device, self::PickUpGroup, self::ParkPlace,
            self::PageZone => false,
        };
    }

    /** @return list<self> the kinds a book holds lists of, in the order of the format's page */
    public static function listed(): array
    {
        return array_values(array_filter(self::cases(), static fn (self $kind): bool => $kind !== self::Tenant));
    }

    /** @return class-string<BookObject> */
    public function class(): string
    {
        return match ($this) {
            self::Tenant => Tenant::class,
            self::Site => Site::class,
            self::Number => Number::class,
            self::User => User::class,
            self::Group => Group::class,
            self::Chain => Chain::class,
            self::Attendant => Attendant::class,
            self::Menu => Menu::class,
            self::Schedule => Schedule::class,
            self::Calendar => Calendar::class,
            self::Mailbox => Mailbox::class,
            self::Announcement => Announcement::class,
            self::Prompt => Prompt::class,
            self::Line => Line::class,
            self::Device => Device::class,
            self::SharedLine => SharedLine::class,
            self::Conference => Conference::class,
            self::PickUpGroup => PickUpGroup::class,
            self::ParkPlace => ParkPlace::class,
            self::PageZone => PageZone::class,
            self::Trunk => Trunk::class,
            self::Route => Route::class,
            self::Team => Team::class,
            self::Contact => Contact::class,
            self::Promise => Promise::class,
        };
    }

    /**
     * Reads one object of this kind.
     *
     * @throws UnusableBook naming the path of the first fault
     */
    public function read(Node $node): BookObject
    {
        return ($this->class())::read($node);
    }
}
