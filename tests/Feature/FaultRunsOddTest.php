<?php

declare(strict_types=1);

namespace Tests\Feature;

/** The runs of odd seed. */
final class FaultRunsOddTest extends FaultRuns
{
    protected const FIRST = 1;
}
