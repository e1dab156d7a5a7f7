<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

/** What kind of thing holds a call. */
enum Place: string
{
    case Number = 'number';
    case User = 'user';
    case Outside = 'outside';
    case Group = 'group';
    case Chain = 'chain';
    case Attendant = 'attendant';
    case Menu = 'menu';
    case Transfer = 'transfer';
    case Mailbox = 'mailbox';
    case Announcement = 'announcement';
    case Line = 'line';
    case Conference = 'conference';
    case Park = 'park';
    case Page = 'page';
    case Directory = 'directory';
}
