<?php

declare(strict_types=1);

namespace Jaunty\Core\Prompts;

use Jaunty\Core\CoreException;

/** A file that is no recording, or one that cannot be played; says what is wrong with it. */
final class UnusableAudio extends \RuntimeException implements CoreException
{
}
