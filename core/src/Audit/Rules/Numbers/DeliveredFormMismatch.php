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
use Jaunty\Core\Book\Trunk;

/** A number that waits for another form than its trunk delivers. */
final readonly class DeliveredFormMismatch implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.delivered-form-mismatch',
            Severity::Blocker,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Number::class) as $number) {
            $trunk = $inspection->find($number->trunk, Trunk::class);
            if ($trunk !== null && $number->deliveredAs !== null && $number->deliveredAs !== $trunk->deliversAs) {
                yield Found::of(
                    [
                        'number' => $inspection->names->said($number),
                        'trunk' => $trunk->name,
                        'expected' => $number->deliveredAs->value,
                        'delivered' => $trunk->deliversAs->value,
                    ],
                    $number,
                    $trunk,
                )->at('deliveredAs')
                    ->fixedBy(Fix::set('Expect it as the trunk delivers it', $number, 'deliveredAs', null));
            }
        }
    }
}
