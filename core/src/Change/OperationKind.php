<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

enum OperationKind: string
{
    case Create = 'create';
    case Set = 'set';
    case Move = 'move';
    case Delete = 'delete';
}
