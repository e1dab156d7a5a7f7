<?php

declare(strict_types=1);

namespace Tests\Feature;

/** The runs of even seed. */
final class FaultRunsEvenTest extends FaultRuns
{
    protected const FIRST = 2;
}
