<?php

declare(strict_types=1);

namespace App\House;

/** How a switch, the carrier or the studio is reached. Its token is kept apart, sealed. */
final readonly class Connection
{
    /**
     * @param  string  $name  as customers have it by: a word in small letters
     * @param  string  $kind  one of config/roster.php: how it is spoken to
     * @param  ?string  $url  where it listens; null for one that listens nowhere
     * @param  ?string  $directory  a name under the folder for switches that are files
     */
    public function __construct(
        public string $name,
        public string $kind,
        public ?string $url,
        public ?string $directory = null,
    ) {
    }

    /** @return ?self null for what is no connection */
    public static function read(mixed $value): ?self
    {
        $text = static fn (string $field): ?string => is_array($value) && is_string($value[$field] ?? null)
            ? $value[$field]
            : null;
        $name = $text('name');
        $kind = $text('kind');

        return $name === null || $kind === null ? null : new self($name, $kind, $text('url'), $text('directory'));
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return array_filter([
            'name' => $this->name, 'kind' => $this->kind, 'url' => $this->url, 'directory' => $this->directory,
        ], is_string(...));
    }
}
