<?php

declare(strict_types=1);

namespace Jaunty\Core;

/** Marks everything core throws on purpose: input it cannot use, never a bug of ours. */
interface CoreException extends \Throwable
{
}
