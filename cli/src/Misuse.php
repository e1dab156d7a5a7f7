<?php

declare(strict_types=1);

namespace Jaunty\CommandLine;

/** The command line cannot be understood, or a file cannot be used; said to whoever typed it, with exit code 2. */
final class Misuse extends \RuntimeException
{
}
