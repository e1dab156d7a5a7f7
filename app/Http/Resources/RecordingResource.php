<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Recording;
use Jaunty\Core\Book\Prompt;

/** A version of what a prompt sounds like, as the contract has it. */
final class RecordingResource
{
    /**
     * @param  list<Recording>  $recordings
     * @return list<array<string, mixed>>
     */
    public static function all(Prompt $prompt, array $recordings): array
    {
        return array_map(static fn (Recording $recording): array => self::of($prompt, $recording), $recordings);
    }

    /** @return array<string, mixed> */
    private static function of(Prompt $prompt, Recording $recording): array
    {
        return [
            'no' => $recording->no, 'origin' => $recording->origin->value,
            'seconds' => (float) $recording->seconds,
            'peakDb' => $recording->peak_db === null ? null : (float) $recording->peak_db,
            'waveform' => $recording->waveform, 'cameAs' => $recording->came_as,
            'remarks' => $recording->remarks, 'sha256' => $recording->sha256,
            'isOfThisScript' => $recording->script === $prompt->script,
            'isUsed' => ($prompt->audio['sha256'] ?? null) === $recording->sha256,
            'by' => $recording->maker->name, 'at' => $recording->made_at->toAtomString(),
        ];
    }
}
