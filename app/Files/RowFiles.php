<?php

declare(strict_types=1);

namespace App\Files;

use Illuminate\Database\ConnectionInterface;

/**
 * Files that belong to a row of a customer's, in its columns `bytes`, `disk` and `path`: as base64 on the way there and
 * back, since not every byte is text.
 */
final readonly class RowFiles
{
    /** For an insert, where the three columns come one after another. */
    public const COLUMNS = "decode(?, 'base64'), ?, ?";

    public function __construct(private FileStore $files, private ConnectionInterface $db)
    {
    }

    /** @return array{?string, ?string, ?string} what COLUMNS takes */
    public function put(string $folder, string $bytes, FileKind $kind): array
    {
        $kept = $this->files->put($folder, $bytes, $kind->ending());

        return [$kept === null ? base64_encode($bytes) : null, $kept?->disk, $kept?->path];
    }

    /**
     * In the customer's scope.
     *
     * @param  'port_papers'|'floor_plans'  $table
     * @return ?string null where the file is gone
     */
    public function get(string $table, string $tenantId, string $id, ?string $disk, ?string $path): ?string
    {
        if ($disk !== null && $path !== null) {
            return $this->files->get(new Kept($disk, $path));
        }
        $row = $this->db->selectOne(
            "select encode(bytes, 'base64') as told from {$table} where tenant_id = ? and id = ?",
            [$tenantId, $id],
        );

        return is_object($row) && is_string($row->told ?? null) ? (string) base64_decode($row->told, true) : null;
    }
}
