<?php

declare(strict_types=1);

namespace Standins\Shared;

/**
 * Somebody else's system: takes a request, gives a response, keeps its own store. Runs as a process or inside a test.
 */
abstract class Standin
{
    final public function handle(Request $request): Response
    {
        try {
            return $this->answer($request);
        } catch (Refusal $refusal) {
            return $this->refused($refusal);
        }
    }

    final protected function refused(Refusal $refusal): Response
    {
        return Response::json(
            $refusal->status,
            array_filter(['fault' => $refusal->getMessage(), 'where' => $refusal->where], is_string(...)),
            $refusal->headers,
        );
    }

    /** @throws Refusal */
    abstract protected function answer(Request $request): Response;

    final public static function escape(string $text): string
    {
        return htmlspecialchars($text, ENT_QUOTES | ENT_SUBSTITUTE | ENT_HTML5);
    }
}
