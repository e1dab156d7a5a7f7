<?php

declare(strict_types=1);

namespace App\Ports;

use App\Files\FileKind;

/** A file that somebody put with a port. */
final readonly class PaperFile
{
    /**
     * @param  'authority'|'bill'  $paper
     * @param  ?string  $dated  a date: of a bill
     */
    public function __construct(
        public string $paper,
        public string $name,
        public FileKind $kind,
        public string $bytes,
        public ?string $dated,
    ) {
    }
}
