<?php

declare(strict_types=1);

namespace Jaunty\Core\Places\Readiness;

/**
 * What one call takes of a line, each way: payload, and what it is wrapped in. Nothing is left out for pauses, and
 * nothing added for RTCP, which is one part in twenty of it at the most (RFC 3550, 6.2).
 */
final readonly class CallBandwidth
{
    /** Octets, without extensions: RFC 3550, 5.1. */
    public const RTP = 12;

    /** RFC 768. */
    public const UDP = 8;

    /** IPv4 without options: RFC 791, 3.1. */
    public const IP = 20;

    /** Addresses, type and check sequence, without preamble and gap: IEEE 802.3, 3.1.1. */
    public const ETHERNET = 18;

    /** Milliseconds of speech in a packet that telephones commonly send. */
    public const PACKET_MS = [20, 30];

    private function __construct(
        public Codec $codec,
        public int $packetMs,
        /** Octets of speech in a packet. */
        public int $payload,
    ) {
    }

    public static function of(Codec $codec, int $packetMs): self
    {
        // G.729 codes ten milliseconds at a time; of G.711 any time is a whole number of octets.
        if ($packetMs < 10 || $packetMs > 60 || $packetMs % 10 !== 0) {
            throw new \InvalidArgumentException("a packet of {$packetMs} ms is no multiple of ten from 10 to 60");
        }

        return new self($codec, $packetMs, intdiv($codec->bitsPerSecond() * $packetMs, 8 * 1000));
    }

    /** @return list<self> of each codec by each usual packet */
    public static function usual(): array
    {
        $all = [];
        foreach (Codec::cases() as $codec) {
            foreach (self::PACKET_MS as $packetMs) {
                $all[] = self::of($codec, $packetMs);
            }
        }

        return $all;
    }

    /** kbit/s, as IP carries it. */
    public function onIp(): float
    {
        return $this->with(self::RTP + self::UDP + self::IP);
    }

    /** kbit/s, as Ethernet carries it. */
    public function onEthernet(): float
    {
        return $this->with(self::RTP + self::UDP + self::IP + self::ETHERNET);
    }

    /** Octets in a packet are eight bits each, and packets are counted in milliseconds: kbit/s. */
    private function with(int $headers): float
    {
        return ($this->payload + $headers) * 8 / $this->packetMs;
    }
}
