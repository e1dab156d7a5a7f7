<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch;

final class HandError extends \RuntimeException
{
}
