<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Flow;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Promise;
use Jaunty\Core\Calls\OneCall\Keeping;

/** A kept expectation no longer holds. */
final readonly class PromiseBroken implements Rule
{
    public function about(): About
    {
        return new About(
            'flow.promise-broken',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Promise::class) as $promise) {
            $keeping = Keeping::of($inspection->book, $promise);
            if (! $keeping->isKept) {
                yield Found::of(
                    ['text' => $promise->text, 'reason' => $this->named($inspection, $keeping->reason)],
                    $promise,
                )->at('expect')->shownBy($keeping->trace === null ? null : $promise->call);
            }
        }
    }

    private function named(Inspection $inspection, string $reason): string
    {
        return (string) preg_replace_callback(
            '/\b[a-z]+:[a-z0-9+][a-z0-9.+-]*/',
            static fn (array $found): string => $inspection->names->of($found[0]),
            $reason,
        );
    }
}
