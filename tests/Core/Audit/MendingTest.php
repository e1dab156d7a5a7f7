<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Mending;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Change\ChangeSet;
use PHPUnit\Framework\TestCase;

final class MendingTest extends TestCase
{
    /** Whatever a button would mend is mended at once, in a change set that leads from the one book to the other. */
    public function test_nothing_that_can_be_mended_is_left_and_the_changes_lead_there(): void
    {
        $book = BookFormat::fromJson((string) file_get_contents(dirname(__DIR__, 2) . '/data/bench-book.json'));
        $auditor = Auditor::whole();
        $before = $auditor->audit(new Inspection($book, Samples::NOW));
        $mended = Mending::of($auditor->standing(new Inspection($book, Samples::NOW)));
        $after = $auditor->audit(new Inspection($mended->book, Samples::NOW));

        self::assertNotSame([], array_filter($before, static fn (Finding $finding): bool => $finding->fix !== null));
        self::assertSame([], array_map(
            static fn (Finding $finding): string => $finding->title(),
            array_filter($after, static fn (Finding $finding): bool => $finding->fix !== null),
        ));
        self::assertLessThan(count($before), count($after));
        self::assertSame(BookFormat::toJson($mended->book), BookFormat::toJson(
            ChangeSet::read(json_decode((string) json_encode($mended->changes->toArray()), true))->applyTo($book),
        ));
    }
}
