<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

/** A rule that fell over a book: what it looks for is unknown there, which is not the same as sound. */
final readonly class Failure
{
    /** @param string $why as a sentence's end, without a full stop */
    public function __construct(public About $about, public string $why)
    {
    }

    public static function of(About $about, \Throwable $fault): self
    {
        return new self($about, rtrim($fault->getMessage() === '' ? $fault::class : $fault->getMessage(), '.'));
    }
}
