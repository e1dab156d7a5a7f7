<?php

declare(strict_types=1);

namespace App\Security;

final class SignInRefused extends \RuntimeException
{
    private function __construct(
        string $message,
        public readonly int $status,
        public readonly ?string $field,
        public readonly ?int $retryAfter = null,
    ) {
        parent::__construct($message);
    }

    public static function wrong(): self
    {
        return new self('This sign-in and password do not go together.', 422, 'password');
    }

    public static function codeNeeded(): self
    {
        return new self('Enter the six digits your authenticator shows now, or a recovery code.', 422, 'code');
    }

    public static function wrongCode(): self
    {
        return new self('This code is not the one of now, or was used already. Wait for the next one.', 422, 'code');
    }

    public static function tooManyTries(int $seconds): self
    {
        return new self("Too many tries. Wait {$seconds} seconds and try again.", 429, null, $seconds);
    }
}
