<?php

declare(strict_types=1);

namespace App\Switching\Table;

use App\Switching\Bindings;
use App\Switching\SwitchTrouble;
use Jaunty\Core\Book\Reference;

/** Turns references into the switch's ids and back. */
final readonly class Names
{
    public function __construct(private Bindings $bindings)
    {
    }

    /** @throws SwitchTrouble where the object is not on the switch */
    public function idOf(string $reference): string
    {
        return $this->bindings->of(Reference::parse($reference))->externalId
            ?? throw SwitchTrouble::notBound($reference);
    }

    /** @return ?string null where nothing of the account is called that */
    public function referenceOf(string $id): ?string
    {
        $reference = $this->bindings->called($id);

        return $reference === null ? null : (string) $reference;
    }
}
