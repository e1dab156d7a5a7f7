<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** What every object with a name shares. @internal */
trait NamedObject
{
    public function key(): string
    {
        return $this->key;
    }

    public function id(): ?string
    {
        return $this->id;
    }

    public function label(): string
    {
        return $this->name;
    }

    public function extension(): ?string
    {
        return null;
    }
}
