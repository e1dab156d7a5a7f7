<?php

declare(strict_types=1);

namespace App\Switching\Table;

use App\Switching\Bindings;
use App\Switching\SwitchConnector;
use App\Switching\SwitchSession;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Prompts\SoundFormat;
use Jaunty\Core\Provisioning\Capabilities;

/** Any switch that keeps records: what they are called, where they are kept and what they can hold are given to it. */
final readonly class TableConnector implements SwitchConnector
{
    public function __construct(
        private string $name,
        private string $title,
        private Dialect $dialect,
        private Records $records,
        private Capabilities $capabilities,
        private SoundFormat $plays,
    ) {
    }

    public function name(): string
    {
        return $this->name;
    }

    public function title(): string
    {
        return $this->title;
    }

    public function capabilities(): Capabilities
    {
        return $this->capabilities;
    }

    public function plays(): SoundFormat
    {
        return $this->plays;
    }

    public function open(Book $book, Bindings $bindings, string $actingFor = ''): SwitchSession
    {
        return new TableSession(
            $this->dialect,
            $this->records,
            $this->capabilities,
            $book,
            $bindings,
            $actingFor,
        );
    }
}
