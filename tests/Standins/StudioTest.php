<?php

declare(strict_types=1);

namespace Tests\Standins;

use PHPUnit\Framework\TestCase;
use Standins\Shared\Request;
use Standins\Shared\Response;
use Standins\Studio\Studio;

final class StudioTest extends TestCase
{
    public function test_it_speaks_longer_lines_longer_and_the_same_lines_the_same(): void
    {
        $short = $this->take(['lines' => 'Good morning.', 'tongue' => 'en-GB']);
        $long = $this->take(
            ['lines' => 'Good morning. Nobody is here now; please leave a message.', 'tongue' => 'en-GB'],
        );

        self::assertSame([200, 'audio/wav'], [$short->status, $short->headers['Content-Type']]);
        // RIFF, format tag 7 (mu-law), one channel, 8,000 samples a second.
        self::assertSame(['RIFF', 7, 1, 8000], [substr($short->body, 0, 4), ...array_values(
            (array) unpack('vtag/vchannels/Vrate', substr($short->body, 20, 8)),
        )]);
        self::assertGreaterThan(2 * strlen($short->body), strlen($long->body));
        self::assertSame($short->body, $this->take(['lines' => 'Good morning.', 'tongue' => 'en-GB'])->body);
        self::assertNotSame($short->body, $this->take(['lines' => 'Good morning.', 'tongue' => 'fr-CA'])->body);
    }

    public function test_what_it_cannot_speak_it_refuses_with_the_reason(): void
    {
        foreach (
            [
                ['', 'en', 'lines'], [str_repeat('a', 4001), 'en', 'lines'], ['Hello', 'tlh', 'tongue'],
                ['Hello', '', 'tongue'],
            ] as [$lines, $tongue, $where]
        ) {
            $refused = $this->take(['lines' => $lines, 'tongue' => $tongue]);
            self::assertSame([422, $where], [$refused->status, json_decode($refused->body, true)['where']]);
        }
        self::assertSame(401, (new Studio('token'))->handle(new Request('POST', '/takes', [], [], '{}'))->status);
        self::assertSame(404, $this->ask('GET', '/takes', [])->status);
    }

    public function test_lines_are_lines_and_no_options(): void
    {
        self::assertSame(
            200,
            $this->take(['lines' => '--version; $(touch /tmp/never) `id`', 'tongue' => 'en'])->status,
        );
        self::assertFileDoesNotExist('/tmp/never');
    }

    /** @param array<string, string> $body */
    private function take(array $body): Response
    {
        return $this->ask('POST', '/takes', $body);
    }

    /** @param array<string, string> $body */
    private function ask(string $method, string $path, array $body): Response
    {
        return (new Studio('token'))->handle(new Request(
            $method,
            $path,
            ['authorization' => 'Bearer token'],
            [],
            json_encode($body, JSON_THROW_ON_ERROR),
        ));
    }
}
