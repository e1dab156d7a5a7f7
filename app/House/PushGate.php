<?php

declare(strict_types=1);

namespace App\House;

/** What becomes of a push while blockers stand at the customer. */
enum PushGate: string
{
    case Open = 'open';
    case Leads = 'leads';
    case Shut = 'shut';
}
