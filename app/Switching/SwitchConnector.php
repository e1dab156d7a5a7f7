<?php

declare(strict_types=1);

namespace App\Switching;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Prompts\SoundFormat;
use Jaunty\Core\Provisioning\Capabilities;

/** One kind of switch, in the book's terms. */
interface SwitchConnector
{
    /** Names it at customers, in bindings and in snapshots. */
    public function name(): string;

    /** What people call it. */
    public function title(): string;

    public function capabilities(): Capabilities;

    /** What recordings have to be for it to play them. */
    public function plays(): SoundFormat;

    /** @param string $actingFor whose name the switch writes down beside what is changed */
    public function open(Book $book, Bindings $bindings, string $actingFor = ''): SwitchSession;
}
