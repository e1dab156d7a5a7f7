<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

use Jaunty\Core\Book\Route;

/** What one route had to say, and why. */
final readonly class RouteSaid
{
    public function __construct(public Route $route, public Verdict $verdict, public string $why)
    {
    }
}
