<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch;

final readonly class Record
{
    /** @param array<string, mixed> $body */
    public function __construct(
        public string $id,
        public string $account,
        public string $collection,
        public array $body,
        public int $version,
        public int $serial,
    ) {
    }

    /** @param array<string, int|string|null> $row */
    public static function fromRow(array $row): self
    {
        /** @var array<string, mixed> $body */
        $body = json_decode((string) $row['body'], true, 64, JSON_THROW_ON_ERROR);

        return new self(
            (string) $row['id'],
            (string) $row['account'],
            (string) $row['collection'],
            $body,
            (int) $row['version'],
            (int) $row['serial'],
        );
    }

    /** @return array<string, mixed> as the API shows it */
    public function show(): array
    {
        return ['id' => $this->id, 'version' => $this->version] + $this->body;
    }
}
