<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Sentences\CallSentence;

/** A finding with its fix as edits a draft takes, and the call that shows it as a sentence. */
final class FindingResource
{
    /** @return array<string, mixed> */
    public static function of(Finding $finding, Book $book): array
    {
        return [
            'rule' => $finding->about->id,
            'name' => $finding->about->name(),
            'severity' => $finding->severity()->value,
            'title' => $finding->title(),
            'detail' => $finding->detail(),
            'why' => $finding->about->why(),
            'remedy' => $finding->about->remedy(),
            'source' => $finding->about->source,
            'objects' => array_map(
                static fn (BookObject $object): string => (string) Reference::of($object),
                $finding->objects,
            ),
            'item' => $finding->item,
            'path' => $finding->path,
            'count' => $finding->count,
            'fingerprint' => $finding->fingerprint(),
            'call' => $finding->call === null ? null : CallSentence::write($finding->call, $book),
            'fix' => $finding->fix === null ? null : [
                'label' => $finding->fix->label,
                'changes' => array_map(
                    static fn (Operation $operation): array => DraftResource::change($operation, $book),
                    $finding->fix->changes->operations,
                ),
            ],
        ];
    }
}
