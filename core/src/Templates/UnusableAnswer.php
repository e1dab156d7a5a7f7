<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

use Jaunty\Core\CoreException;

/** One answer that cannot be used, in words for the person who gave it. */
final class UnusableAnswer extends \DomainException implements CoreException
{
}
