<?php

declare(strict_types=1);

namespace App\Ports;

use App\Files\FileKind;
use App\Files\GivenFile;
use App\Files\RowFiles;
use App\Models\PortCase;
use App\Models\PortPaperRow;
use App\Time\Clock;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Support\Str;
use Jaunty\Core\Ports\PortPaper;

/** Papers of ports, every one that was put there; of each kind the newest counts. In the customer's scope. */
final readonly class PortPapers
{
    public function __construct(private RowFiles $files, private Clock $clock, private ConnectionInterface $db)
    {
    }

    /** @throws PortRefused */
    public static function kindOf(string $bytes): FileKind
    {
        $whyNot = GivenFile::whyNot($bytes);
        if ($whyNot !== null) {
            throw PortRefused::file($whyNot);
        }
        $kind = FileKind::of($bytes);

        return $kind === null || $kind === FileKind::Gif ? throw PortRefused::noPaper() : $kind;
    }

    public function keep(PortCase $case, string $technicianId, PaperFile $paper): void
    {
        $this->db->insert(
            'insert into port_papers (tenant_id, id, port_id, kind, name, type, size, digest, dated, put_by, put_at, '
                . 'bytes, disk, path) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ' . RowFiles::COLUMNS . ')',
            [
                $case->tenant_id, (string) Str::uuid(), $case->id, $paper->paper, $paper->name, $paper->kind->value,
                strlen($paper->bytes), hash('sha256', $paper->bytes), $paper->dated, $technicianId,
                $this->clock->now()->format(\DateTimeInterface::ATOM),
                ...$this->files->put('papers', $paper->bytes, $paper->kind),
            ],
        );
    }

    /** @return list<PortPaperRow> the newest first */
    public function of(PortCase $case): array
    {
        return array_values(PortPaperRow::query()->where('tenant_id', $case->tenant_id)->where('port_id', $case->id)
            ->orderByDesc('serial')
            ->get(PortPaperRow::COLUMNS)
            ->all());
    }

    /**
     * @param  list<PortPaperRow>  $papers  the newest first
     * @return list<PortPaperRow> the newest of each kind
     */
    public static function newest(array $papers): array
    {
        $newest = [];
        foreach ($papers as $paper) {
            $newest[$paper->kind] ??= $paper;
        }

        return array_values($newest);
    }

    /**
     * @param  list<PortPaperRow>  $rows
     * @return list<PortPaper>
     */
    public static function seen(array $rows): array
    {
        return array_map(
            static fn (PortPaperRow $row): PortPaper => new PortPaper($row->kind, $row->dated),
            $rows,
        );
    }

    /** @return ?string null where the file is gone */
    public function bytes(PortPaperRow $paper): ?string
    {
        return $this->files->get('port_papers', $paper->tenant_id, $paper->id, $paper->disk, $paper->path);
    }
}
