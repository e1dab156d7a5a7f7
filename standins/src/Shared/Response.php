<?php

declare(strict_types=1);

namespace Standins\Shared;

final readonly class Response
{
    private const CUT = 0;

    /** @param array<string, string> $headers */
    public function __construct(public int $status, public string $body, public array $headers = [])
    {
    }

    /** @param array<string, string> $headers */
    public static function json(int $status, mixed $value, array $headers = []): self
    {
        return new self(
            $status,
            json_encode($value, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
            ['Content-Type' => 'application/json'] + $headers,
        );
    }

    /** No answer at all: the wire is cut. */
    public static function cut(): self
    {
        return new self(self::CUT, '');
    }

    public function isCut(): bool
    {
        return $this->status === self::CUT;
    }

    public static function page(string $html): self
    {
        return new self(200, $html, ['Content-Type' => 'text/html; charset=utf-8']);
    }

    public static function seeOther(string $path): self
    {
        return new self(303, '', ['Location' => $path]);
    }

    public function send(): void
    {
        if ($this->isCut()) {
            // A body is promised and does not come, which is what a caller sees of a cut wire.
            header('Content-Length: 1000');

            return;
        }
        http_response_code($this->status);
        foreach ($this->headers as $name => $value) {
            header("{$name}: {$value}");
        }
        echo $this->body;
    }
}
