<?php

declare(strict_types=1);

namespace Standins\Studio;

use Standins\Shared\Refusal;
use Standins\Shared\Request;
use Standins\Shared\Response;
use Standins\Shared\Standin;

/**
 * A studio that speaks scripts, by espeak-ng where a speaker would sit: good enough to hear a menu before it is
 * recorded, and never mistaken for a person. The same lines sound the same to the byte.
 */
final class Studio extends Standin
{
    private const MOST_LETTERS = 4000;

    private const WORDS_A_MINUTE = '150';

    /** Voices by tongue, as the program names them; the first part of a tongue will do. */
    private const VOICES = [
        'en-gb' => 'en-gb', 'en' => 'en-us', 'fr-ca' => 'fr-fr', 'fr' => 'fr-fr', 'de' => 'de', 'es' => 'es',
        'nl' => 'nl', 'it' => 'it', 'pt' => 'pt', 'cy' => 'cy', 'gd' => 'gd',
    ];

    public function __construct(private readonly string $token)
    {
    }

    protected function answer(Request $request): Response
    {
        if ($request->path === '/' || $request->path === '/health') {
            return Response::json(200, ['well' => true, 'desk' => 'studio']);
        }
        if (! hash_equals("Bearer {$this->token}", $request->header('authorization') ?? '')) {
            throw new Refusal(401, 'a reseller token is needed');
        }

        return [$request->method, $request->path] === ['POST', '/takes']
            ? $this->take($request->json())
            : throw new Refusal(404, 'nothing here');
    }

    /** @param array<string, mixed> $body */
    private function take(array $body): Response
    {
        $lines = is_string($body['lines'] ?? null) ? trim($body['lines']) : '';
        $tongue = is_string($body['tongue'] ?? null) ? strtolower($body['tongue']) : '';
        if ($lines === '' || mb_strlen($lines) > self::MOST_LETTERS) {
            throw new Refusal(422, 'wants lines to speak, of at most ' . self::MOST_LETTERS . ' letters', 'lines');
        }
        $voice = self::VOICES[$tongue]
            ?? self::VOICES[explode('-', $tongue)[0]]
            ?? throw new Refusal(422, "nobody here speaks \"{$tongue}\"", 'tongue');
        $spoken = self::run(['espeak-ng', '-v', $voice, '-s', self::WORDS_A_MINUTE, '--stdin', '--stdout'], $lines);
        $file = tempnam(sys_get_temp_dir(), 'take');
        if ($file === false) {
            throw new Refusal(500, 'no tape left');
        }
        try {
            self::run(
                [
                    'sox', '-R', '-D', '-t', 'wav', '-', '-t', 'wav', '-r', '8000', '-c', '1', '-e', 'mu-law', '-b',
                    '8', $file, 'gain', '-n', '-3',
                ],
                $spoken,
            );

            return new Response(200, (string) file_get_contents($file), ['Content-Type' => 'audio/wav']);
        } finally {
            @unlink($file);
        }
    }

    /** @param list<string> $command */
    private static function run(array $command, string $input): string
    {
        $process = @proc_open($command, [['pipe', 'r'], ['pipe', 'w'], ['file', '/dev/null', 'w']], $pipes);
        if ($process === false) {
            throw new Refusal(503, "the speaker is not here ({$command[0]})");
        }
        // Both programs read all they are given before they say anything.
        fwrite($pipes[0], $input);
        fclose($pipes[0]);
        $output = (string) stream_get_contents($pipes[1]);
        fclose($pipes[1]);

        return proc_close($process) === 0
            ? $output
            : throw new Refusal(503, "the speaker has lost their voice ({$command[0]})");
    }
}
