<?php

declare(strict_types=1);

namespace Standins\Shared;

/** One HTTP request, as a stand-in sees it. */
final readonly class Request
{
    private const LARGEST_BODY = 20_000_000;

    /**
     * @param  array<string, string>  $headers  names in small letters
     * @param  array<string, string>  $query
     */
    public function __construct(
        public string $method,
        public string $path,
        public array $headers = [],
        public array $query = [],
        public string $body = '',
    ) {
    }

    public static function fromServer(): self
    {
        $headers = [];
        foreach ($_SERVER as $name => $value) {
            if (is_string($value) && str_starts_with($name, 'HTTP_')) {
                $headers[str_replace('_', '-', strtolower(substr($name, 5)))] = $value;
            }
        }
        $uri = $_SERVER['REQUEST_URI'] ?? '/';
        $method = $_SERVER['REQUEST_METHOD'] ?? 'GET';

        return new self(
            is_string($method) ? $method : 'GET',
            rawurldecode((string) parse_url(is_string($uri) ? $uri : '/', PHP_URL_PATH)),
            $headers,
            self::texts($_GET),
            (string) file_get_contents('php://input', length: self::LARGEST_BODY),
        );
    }

    public function header(string $name): ?string
    {
        return $this->headers[$name] ?? null;
    }

    /**
     * @return array<string, mixed>
     *
     * @throws Refusal when the body is no JSON object
     */
    public function json(): array
    {
        $value = json_decode($this->body === '' ? '{}' : $this->body, true, 32);
        if (! is_array($value) || ($value !== [] && array_is_list($value))) {
            throw new Refusal(400, 'the body is not a JSON object');
        }

        /** @var array<string, mixed> $value */
        return $value;
    }

    /** @return array<string, string> the fields of an HTML form */
    public function form(): array
    {
        parse_str($this->body, $fields);

        return self::texts($fields);
    }

    /**
     * @param  array<mixed>  $fields
     * @return array<string, string> those that are plain text
     */
    private static function texts(array $fields): array
    {
        $texts = [];
        foreach ($fields as $name => $value) {
            if (is_string($value)) {
                $texts[(string) $name] = $value;
            }
        }

        return $texts;
    }
}
