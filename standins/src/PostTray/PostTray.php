<?php

declare(strict_types=1);

namespace Standins\PostTray;

use Standins\Shared\Refusal;
use Standins\Shared\Request;
use Standins\Shared\Response;
use Standins\Shared\Standin;

/** Where outgoing mail ends up: taken over HTTP, kept as .eml files in a folder, shown on a page. */
final class PostTray extends Standin
{
    private const MOST_SHOWN = 200;

    /** @param ?\Closure(): int $clock seconds since 1970 */
    public function __construct(private readonly string $folder, private readonly ?\Closure $clock = null)
    {
        if (! is_dir($folder) && ! mkdir($folder, 0o750, true) && ! is_dir($folder)) {
            throw new \RuntimeException("cannot make {$folder}");
        }
    }

    protected function answer(Request $request): Response
    {
        return match (true) {
            $request->path === '/health' => Response::json(200, ['well' => true]),
            $request->path === '/mail' && $request->method === 'POST' => $this->take($request->json()),
            $request->path === '/mail' => Response::json(200, ['mail' => $this->names()]),
            preg_match('#^/mail/([0-9a-z-]+\.eml)$#D', $request->path, $found) === 1 => $this->show($found[1]),
            $request->path === '/' => $this->page(),
            default => throw new Refusal(404, 'nothing here'),
        };
    }

    /** @param array<string, mixed> $body */
    private function take(array $body): Response
    {
        foreach (['to', 'subject', 'text'] as $field) {
            if (! is_string($body[$field] ?? null) || $body[$field] === '') {
                throw new Refusal(422, 'is needed', $field);
            }
        }
        /** @var array{to: string, subject: string, text: string} $body */
        if (filter_var($body['to'], FILTER_VALIDATE_EMAIL) === false) {
            throw new Refusal(422, "{$body['to']} is no mail address", 'to');
        }
        $stamp = $this->clock === null ? time() : ($this->clock)();
        $eml = 'From: Saltmarsh Voice <desk@saltmarsh.example>' . "\r\n"
            . "To: {$body['to']}\r\n"
            . 'Subject: ' . mb_encode_mimeheader(str_replace(["\r", "\n"], ' ', $body['subject']), 'UTF-8') . "\r\n"
            . 'Date: ' . gmdate('D, d M Y H:i:s +0000', $stamp) . "\r\n"
            . "MIME-Version: 1.0\r\nContent-Type: text/plain; charset=utf-8\r\nContent-Transfer-Encoding: 8bit\r\n\r\n"
            . $body['text'] . "\r\n";
        $name = sprintf('%06d-%s.eml', count($this->names()) + 1, substr(hash('sha256', $eml), 0, 8));
        $path = "{$this->folder}/{$name}";
        // Written beside and renamed, so that a kill leaves no half letter.
        if (file_put_contents("{$path}.part", $eml) === false || ! rename("{$path}.part", $path)) {
            throw new Refusal(507, 'the letter could not be kept');
        }

        return Response::json(201, ['name' => $name]);
    }

    private function show(string $name): Response
    {
        $path = "{$this->folder}/{$name}";
        if (! is_file($path)) {
            throw new Refusal(404, "no letter called {$name}");
        }

        return new Response(200, (string) file_get_contents($path), ['Content-Type' => 'message/rfc822']);
    }

    private function page(): Response
    {
        $rows = '';
        foreach (array_slice(array_reverse($this->names()), 0, self::MOST_SHOWN) as $name) {
            $head = explode("\r\n\r\n", (string) file_get_contents("{$this->folder}/{$name}"), 2)[0];
            $rows .= '<li><a href="/mail/'
                . self::escape($name)
                . '">'
                . self::escape(mb_decode_mimeheader($head))
                . '</a>';
        }

        return Response::page('<!doctype html><html lang="en"><meta charset="utf-8"><title>Post '
            . 'tray</title><style>body{font:15px/1.5 monospace;margin:2rem;white-space:pre-wrap}</style>'
            . '<h1>Post tray</h1>' . ($rows === '' ? '<p>No mail yet.</p>' : "<ol reversed>{$rows}</ol>") . '</html>');
    }

    /** @return list<string> oldest first */
    private function names(): array
    {
        $files = glob("{$this->folder}/*.eml");

        return $files === false ? [] : array_map(basename(...), $files);
    }
}
