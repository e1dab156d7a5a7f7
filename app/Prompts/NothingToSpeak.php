<?php

declare(strict_types=1);

namespace App\Prompts;

/** A prompt without a script cannot be spoken. */
final class NothingToSpeak extends \RuntimeException
{
}
