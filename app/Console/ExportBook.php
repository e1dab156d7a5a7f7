<?php

declare(strict_types=1);

namespace App\Console;

use App\Access\Scope;
use App\Book\BookRepository;
use App\Models\Ability;
use App\Models\Technician;
use App\Models\TenantRow;
use Jaunty\Core\Book\BookFormat;

/** A customer's whole book as a file. */
final class ExportBook extends CustomerCommand
{
    protected $signature = 'roster:export {customer : key} {--as= : the technician in whose name}';

    protected $description = 'Print a customer\'s book as last entered, as bin/roster reads it';

    public function __construct(private readonly Scope $scope, private readonly BookRepository $books)
    {
        parent::__construct();
    }

    protected function work(Technician $technician): int
    {
        $key = $this->argument('customer');
        $this->output->write($this->scope->tenant(
            $technician->id,
            is_string($key) ? $key : '',
            Ability::Read,
            fn (TenantRow $tenant): string => BookFormat::toJson($this->books->head($tenant->id)),
        ));

        return self::SUCCESS;
    }
}
