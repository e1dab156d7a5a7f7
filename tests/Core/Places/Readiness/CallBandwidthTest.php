<?php

declare(strict_types=1);

namespace Tests\Core\Places\Readiness;

use Jaunty\Core\Places\Readiness\CallBandwidth;
use Jaunty\Core\Places\Readiness\Codec;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class CallBandwidthTest extends TestCase
{
    /**
     * Figures that were published apart from this code: `tests/data/bandwidth.csv`, each with its source.
     *
     * @return iterable<string, array{string, int, string, float}>
     */
    public static function published(): iterable
    {
        $lines = file(__DIR__ . '/../../../data/bandwidth.csv', FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES);
        foreach ($lines === false ? [] : $lines as $line) {
            if ($line[0] === '#') {
                continue;
            }
            [$codec, $packet, $on, $kbit] = str_getcsv($line);
            yield "{$codec} {$packet} ms on {$on}" => [(string) $codec, (int) $packet, (string) $on, (float) $kbit];
        }
    }

    #[DataProvider('published')]
    public function test_a_call_takes_what_is_published(string $codec, int $packetMs, string $on, float $kbit): void
    {
        $call = CallBandwidth::of(Codec::from($codec), $packetMs);

        self::assertSame($kbit, round($on === 'ip' ? $call->onIp() : $call->onEthernet(), 1));
    }

    /** RFC 3551, table 1 and 4.5: G.711 is a sample an octet, 8,000 a second; G.729 ten octets in ten milliseconds. */
    public function test_the_payload_is_a_whole_number_of_frames(): void
    {
        self::assertSame(
            [160, 240, 20, 30],
            array_map(static fn (CallBandwidth $call): int => $call->payload, CallBandwidth::usual()),
        );
    }

    public function test_a_packet_that_holds_no_whole_frame_is_refused(): void
    {
        $this->expectExceptionMessage('a packet of 25 ms is no multiple of ten from 10 to 60');
        CallBandwidth::of(Codec::G729, 25);
    }
}
