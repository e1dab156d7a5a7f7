<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** What a line without a person is for. */
enum LinePurpose: string
{
    case Fax = 'fax';
    case Alarm = 'alarm';
    case Lift = 'lift';
    case Door = 'door';
    case Card = 'card';
    case Other = 'other';
}
