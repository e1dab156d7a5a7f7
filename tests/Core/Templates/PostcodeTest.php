<?php

declare(strict_types=1);

namespace Tests\Core\Templates;

use Jaunty\Core\Templates\Postcode;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class PostcodeTest extends TestCase
{
    #[TestWith(['b0x1x0', 'CA', 'B0X 1X0'])]
    #[TestWith(['B0X-1X0', 'CA', 'B0X 1X0'])]
    #[TestWith(['sw1a1aa', 'GB', 'SW1A 1AA'])]
    #[TestWith(['m1 1ae', 'GB', 'M1 1AE'])]
    #[TestWith(['041011234', 'US', '04101-1234'])]
    #[TestWith(['04101', 'US', '04101'])]
    #[TestWith(['b0x1x0', 'US', 'b0x1x0'])]
    #[TestWith(['next to the quay', 'CA', 'next to the quay'])]
    #[TestWith(['b0x1x0', null, 'b0x1x0'])]
    public function test_it_is_written_as_the_country_writes_it(string $typed, ?string $country, string $written): void
    {
        self::assertSame($written, Postcode::written($typed, $country));
        self::assertSame($written, Postcode::written($written, $country));
    }
}
