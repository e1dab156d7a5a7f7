<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Change\ChangeError;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\Diff;

/** A book with every fix made, one after another: what one mends another need not. */
final readonly class Mending
{
    /** No book has so many findings that each needs a fix of its own. */
    private const MOST = 500;

    /** @param list<string> $labels of the fixes made */
    private function __construct(
        public Book $book,
        public ChangeSet $changes,
        public array $labels,
        public StandingAudit $audit,
    ) {
    }

    /** @param ?list<string> $only fingerprints; every finding that can be mended where it is unset */
    public static function of(StandingAudit $audit, ?array $only = null): self
    {
        $mended = $book = $audit->book();
        $labels = [];
        $tried = [];
        while (count($tried) < self::MOST) {
            $next = null;
            foreach ($audit->findings as $finding) {
                if ($finding->fix !== null && ! isset($tried[$finding->fingerprint()]) && (
                    $only === null || in_array($finding->fingerprint(), $only, true)
                )) {
                    $next = $finding;
                    break;
                }
            }
            if ($next?->fix === null) {
                break;
            }
            // Once only: a fix that does not take its finding away would be made for ever.
            $tried[$next->fingerprint()] = true;
            try {
                $mended = $next->fix->applyTo($mended);
                $audit = $audit->changedTo($mended);
                $labels[] = "{$next->title()}: {$next->fix->label}";
            } catch (ChangeError) {
                continue;
            }
        }

        return new self($mended, Diff::between($book, $mended), $labels, $audit);
    }
}
