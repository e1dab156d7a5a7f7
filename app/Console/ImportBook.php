<?php

declare(strict_types=1);

namespace App\Console;

use App\Book\NumberNotFree;
use App\Models\Technician;
use App\TakingOn\BookImport;
use Jaunty\Core\Book\UnusableBook;

/** Takes a customer on from a book file. */
final class ImportBook extends CustomerCommand
{
    protected $signature = 'roster:import {file : a tenant book} {--as= : the technician in whose name}';

    protected $description = 'Take a customer on from a tenant book, whole or not at all';

    public function __construct(private readonly BookImport $import)
    {
        parent::__construct();
    }

    protected function work(Technician $technician): int
    {
        $file = $this->argument('file');
        $text = is_string($file) && is_file($file) ? file_get_contents($file) : false;
        try {
            [$tenant, $fitted] = $this->import->import(
                $technician->id,
                $text === false ? throw UnusableBook::missing('file', is_string($file) ? $file : '') : $text,
            );
        } catch (UnusableBook | NumberNotFree $fault) {
            $this->error($fault->getMessage());

            return self::UNDONE;
        }
        foreach ($fitted as $operation) {
            $this->line("fitted to the switch's steps: {$operation->object} {$operation->path}");
        }
        $this->line("took on {$tenant->name} as {$tenant->key}");

        return self::SUCCESS;
    }
}
