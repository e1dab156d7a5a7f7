<?php

declare(strict_types=1);

namespace App\House;

use App\Models\HouseRow;

/** Reads what the reseller settled: once for each request, job or command. */
final class House
{
    private ?HouseRow $row = null;

    public function settings(): Settings
    {
        return Settings::of($this->row()->settings);
    }

    /** Whether somebody can sign in: it has had a lead. */
    public function hasBegun(): bool
    {
        return $this->row()->begun_at !== null;
    }

    /** @param string $of `carrier`, `studio` or the name of a switch */
    public function token(string $of): string
    {
        return $this->row()->secrets[$of] ?? '';
    }

    public function hasToken(string $of): bool
    {
        return $this->token($of) !== '';
    }

    /**
     * In a lead's scope.
     *
     * @param  array<string, mixed>  $settings  whole, as Settings::toArray() gives them
     * @param  array<string, ?string>  $tokens  new ones by connection; null takes one away
     */
    public function write(string $leadId, array $settings, array $tokens, \DateTimeImmutable $now): void
    {
        // Two leads at once: the second waits, and writes over what it did not look at.
        $row = HouseRow::query()->lockForUpdate()->firstOrFail();
        $row->forceFill([
            'settings' => $settings,
            'secrets' => array_filter([...$row->secrets ?? [], ...$tokens], is_string(...)),
            'begun_at' => $row->begun_at ?? $now,
            'changed_at' => $now, 'changed_by' => $leadId,
        ])->save();
        $this->row = $row;
    }

    public function forget(): void
    {
        $this->row = null;
    }

    private function row(): HouseRow
    {
        return $this->row ??= HouseRow::query()->firstOrFail();
    }
}
