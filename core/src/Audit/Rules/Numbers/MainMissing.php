<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Numbers;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;

/** A customer in whose book no main number is named. */
final readonly class MainMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.main-missing',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $numbers = $inspection->book->all(Number::class);
        if ($numbers !== [] && $inspection->book->tenant->mainNumber === null) {
            yield Found::of(
                ['n' => count($numbers)],
                $inspection->book->tenant,
            )->at('mainNumber')
                ->fixedBy(
                    count($numbers) === 1
                    ? Fix::set(
                        "Make it {$inspection->names->of($numbers[0])}",
                        $inspection->book->tenant,
                        'mainNumber',
                        (string) Reference::of($numbers[0]),
                    )
                    : null,
                );
        }
    }
}
