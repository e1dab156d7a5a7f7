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
    case Mailbox = 'mailbox';

    /** The field of the tenant book that holds objects of this kind. */
    public function field(): string
    {
        return match ($this) {
            self::Tenant => 'tenant',
            self::Site => 'sites',
            self::Number => 'numbers',
            self::User => 'users',
            self::Mailbox => 'mailboxes',
        };
    }

    /** Whether a call can be sent to an object of this kind (design 09, Destination). */
    public function takesCalls(): bool
    {
        return match ($this) {
            self::User, self::Mailbox => true,
            self::Tenant, self::Site, self::Number => false,
        };
    }

    /** @return list<self> the kinds a book holds lists of, in the order of the format's page */
    public static function listed(): array
    {
        return array_values(array_filter(self::cases(), static fn (self $kind): bool => $kind !== self::Tenant));
    }

    /**
     * Reads one object of this kind.
     *
     * @throws UnusableBook naming the path of the first fault
     */
    public function read(Node $node): BookObject
    {
        return match ($this) {
            self::Tenant => Tenant::read($node),
            self::Site => Site::read($node),
            self::Number => Number::read($node),
            self::User => User::read($node),
            self::Mailbox => Mailbox::read($node),
        };
    }
}
