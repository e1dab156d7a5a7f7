<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Revision;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Change\Operation;

/** What was entered at once, as the contract has it. */
final class RevisionResource
{
    /**
     * @param  ?string  $object  a reference: only changes of that
     * @return array<string, mixed>
     */
    public static function of(Revision $revision, Book $book, ?string $object): array
    {
        return [
            'no' => $revision->no,
            'source' => $revision->source,
            'note' => $revision->note,
            'undoes' => $revision->undoes,
            'by' => $revision->technician->name,
            'at' => $revision->entered_at->toAtomString(),
            'changes' => array_values(array_map(
                static fn (Operation $operation): array => DraftResource::change($operation, $book),
                array_filter(
                    $revision->changes()->operations,
                    static fn (Operation $operation): bool => $object === null
                        || (string) $operation->object === $object,
                ),
            )),
        ];
    }
}
