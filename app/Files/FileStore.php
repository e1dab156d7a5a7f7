<?php

declare(strict_types=1);

namespace App\Files;

use Illuminate\Contracts\Config\Repository;
use Illuminate\Contracts\Filesystem\Factory;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Support\Str;

/**
 * Where large things lie: in their rows, as they come, or on a disk that settings name (`ROSTER_FILES`). What was kept
 * in one place before is found there still.
 */
final readonly class FileStore
{
    public function __construct(
        private Factory $disks,
        private ConnectionInterface $db,
        private Repository $settings,
    ) {
    }

    /** @return ?Kept where it lies; null where it belongs in its row */
    public function put(string $folder, string $bytes, string $ending): ?Kept
    {
        $disk = $this->settings->get('filesystems.large');
        if (! is_string($disk) || $disk === '') {
            return null;
        }
        // Of no customer's name: a list of the disk tells nothing.
        $path = $folder . '/' . Str::lower(Str::random(2)) . '/' . Str::uuid() . ".{$ending}";
        try {
            $isKept = $this->disks->disk($disk)->put($path, $bytes);
        } catch (\Throwable $trouble) {
            throw new FileTrouble($disk, $trouble);
        }

        return $isKept ? new Kept($disk, $path) : throw new FileTrouble($disk);
    }

    /** @return ?string null where it is gone */
    public function get(Kept $kept): ?string
    {
        $disk = $this->disks->disk($kept->disk);

        return $disk->exists($kept->path) ? $disk->get($kept->path) : null;
    }

    /**
     * Deletes what was let go with its rows. One that cannot be reached now is tried again the next time.
     *
     * @return int how many files
     */
    public function sweep(): int
    {
        $gone = 0;
        /** @var list<object{disk: string, path: string}&\stdClass> $files */
        $files = $this->db->table('files_let_go')->orderBy('path')->get(['disk', 'path'])->all();
        foreach ($files as $file) {
            try {
                $this->disks->disk($file->disk)->delete($file->path);
            } catch (\Throwable $trouble) {
                report($trouble);

                continue;
            }
            $this->db->table('files_let_go')->where('disk', $file->disk)->where('path', $file->path)->delete();
            $gone++;
        }

        return $gone;
    }
}
