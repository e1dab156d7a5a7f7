<?php

declare(strict_types=1);

namespace App\Prompts;

use App\Book\DraftDesk;
use App\Book\FieldEdit;
use App\Files\FileStore;
use App\Files\Kept;
use App\Models\Origin;
use App\Models\Recording;
use App\Models\TenantRow;
use App\Switching\Switches;
use App\Time\Clock;
use Illuminate\Database\ConnectionInterface;
use Jaunty\Core\Book\Prompt;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Prompts\SoundFormat;
use Jaunty\Core\Prompts\UnusableAudio;
use Jaunty\Core\Prompts\WavFile;

/**
 * What prompts sound like, version by version. The newest made, or one chosen again, is the book's by an edit of the
 * draft like any other.
 */
final readonly class Recordings
{
    private const PARTS = 160;

    /** Levels of what is larger are read after it was converted. */
    private const MOST_BYTES_DECODED = 4_000_000;

    public function __construct(
        private DraftDesk $drafts,
        private SoundConverter $converter,
        private Switches $switches,
        private Clock $clock,
        private ConnectionInterface $db,
        private FileStore $files,
    ) {
    }

    /**
     * What a file is made into for a switch that plays this format, before any transaction is open.
     *
     * @throws UnusableAudio
     */
    public function prepare(string $wav, SoundFormat $format): Sound
    {
        $came = WavFile::read($wav);
        $format->refuseTooLong($came);
        $made = $this->converter->to($format, $wav);
        $file = WavFile::read($made);
        $levels = strlen($wav) <= self::MOST_BYTES_DECODED ? $came->levels() ?? $file->levels() : $file->levels();
        $channels = $came->channels === 1 ? 'mono' : "{$came->channels} channels";

        return new Sound(
            $made,
            hash('sha256', $made),
            $file->seconds(),
            $levels?->peakDb,
            $file->waveform(self::PARTS),
            "{$came->codec->words()}, {$came->rate} Hz, {$channels}",
            $levels?->remarks() ?? [],
        );
    }

    /** Keeps a version and puts it in the draft. In the customer's scope. */
    public function keep(TenantRow $tenant, string $technicianId, Prompt $prompt, Sound $sound, Origin $origin): void
    {
        $last = Recording::query()->where('tenant_id', $tenant->id)
            ->where('prompt', $prompt->key)
            ->orderByDesc('no')
            ->first(['no']);
        $no = ($last->no ?? 0) + 1;
        $kept = $this->files->put('recordings', $sound->wav, 'wav');
        $this->db->insert(
            'insert into recordings (tenant_id, prompt, no, origin, wav, disk, path, sha256, seconds, peak_db, '
                . 'waveform, came_as, remarks, script, made_by, made_at) values (?, ?, ?, ?, decode(?, \'base64\'), '
                . '?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
            [
                $tenant->id, $prompt->key, $no, $origin->value, $kept === null ? base64_encode($sound->wav) : null,
                $kept?->disk, $kept?->path, $sound->sha256,
                round($sound->seconds, 3), $sound->peakDb, json_encode($sound->waveform, JSON_THROW_ON_ERROR),
                $sound->cameAs,
                json_encode($sound->remarks, JSON_THROW_ON_ERROR), $prompt->script, $technicianId,
                $this->clock->now()->format(\DateTimeInterface::ATOM),
            ],
        );
        $this->put($tenant, $technicianId, $prompt, $sound->seconds, $sound->peakDb, $sound->sha256, $origin);
    }

    /** Puts an earlier version in the draft again. In the customer's scope. */
    public function useAgain(TenantRow $tenant, string $technicianId, Prompt $prompt, Recording $recording): void
    {
        $this->put(
            $tenant,
            $technicianId,
            $prompt,
            (float) $recording->seconds,
            $recording->peak_db === null ? null : (float) $recording->peak_db,
            $recording->sha256,
            $recording->origin,
        );
    }

    /**
     * Newest first, without the sound itself. In the customer's scope.
     *
     * @return list<Recording>
     */
    public function of(string $tenantId, Prompt $prompt): array
    {
        $columns = [
            'tenant_id', 'prompt', 'no', 'origin', 'sha256', 'seconds', 'peak_db', 'waveform', 'came_as', 'remarks',
            'script', 'made_by', 'made_at',
        ];

        return array_values(
            Recording::query()->where('tenant_id', $tenantId)
            ->where('prompt', $prompt->key)
            ->orderByDesc('no')
            ->with('maker')
            ->get($columns)
            ->all(),
        );
    }

    /** In the customer's scope. @return ?string a WAV file as telephones play it */
    public function wav(string $tenantId, Prompt $prompt, int $no): ?string
    {
        $row = $this->db->selectOne(
            "select encode(wav, 'base64') as wav, disk, path from recordings where tenant_id = ? and prompt = ? "
                . 'and no = ?',
            [$tenantId, $prompt->key, $no],
        );
        if (is_object($row) && is_string($row->disk ?? null) && is_string($row->path ?? null)) {
            return $this->files->get(new Kept($row->disk, $row->path));
        }
        $wav = is_object($row) && is_string($row->wav ?? null) ? base64_decode($row->wav, true) : false;

        return $wav === false ? null : $wav;
    }

    private function put(
        TenantRow $tenant,
        string $technicianId,
        Prompt $prompt,
        float $seconds,
        ?float $peakDb,
        string $sha256,
        Origin $origin,
    ): void {
        $object = (string) Reference::of($prompt);
        $plays = $this->switches->of($tenant)->plays();
        $this->drafts->edit($tenant, $technicianId, [
            FieldEdit::of('set', $object, 'audio', [
                'seconds' => round($seconds, 3), 'rate' => $plays->rate,
                'channels' => $plays->channels, 'codec' => $plays->codec->value,
                'peakDb' => $peakDb, 'sha256' => $sha256,
            ]),
            FieldEdit::of('set', $object, 'standIn', $origin === Origin::Studio),
        ]);
    }
}
