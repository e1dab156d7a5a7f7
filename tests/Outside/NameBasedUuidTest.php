<?php

declare(strict_types=1);

namespace Tests\Outside;

use Jaunty\Core\Identity\NameBasedUuid;
use PHPUnit\Framework\TestCase;

final class NameBasedUuidTest extends TestCase
{
    /**
     * Source: RFC 9562, appendix A.4: version 5 of "www.example.com" in the name space of the DNS (from memory of the
     * document).
     */
    public function test_the_worked_example_of_the_standard(): void
    {
        self::assertSame(
            '2ed6657d-e927-568b-95e1-2665a8aea6a2',
            NameBasedUuid::of('6ba7b810-9dad-11d1-80b4-00c04fd430c8', 'www.example.com'),
        );
    }
}
