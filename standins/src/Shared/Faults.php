<?php

declare(strict_types=1);

namespace Standins\Shared;

/**
 * Trouble on demand, the same for the same seed: errors of the stand-in's own, wires cut before a call took effect and
 * after, slow answers, and windows in which nothing goes. What is in force is kept, so it survives a restart.
 */
final readonly class Faults
{
    private const SCHEMA = <<<'SQL'
        CREATE TABLE IF NOT EXISTS faults (one INTEGER PRIMARY KEY CHECK (one = 1), plan TEXT NOT NULL,
            calls INTEGER NOT NULL);
        SQL;

    /** What can be asked for, and the most of it; shares are of a hundred calls. */
    private const KNOBS = [
        'seed' => PHP_INT_MAX, 'errors' => 100, 'cut_before' => 100, 'cut_after' => 100, 'latency_ms' => 10_000,
        'outage_calls' => 100_000,
    ];

    private Store $store;

    public function __construct(string $file)
    {
        $this->store = new Store($file, self::SCHEMA);
    }

    /** PUT asks for trouble, DELETE ends it, GET says what is in force. */
    public function answer(Request $request): Response
    {
        if ($request->method === 'DELETE') {
            $this->none();
        }

        return Response::json(
            200,
            $request->method === 'PUT' ? $this->ask($request->json()) : $this->inForce(),
        );
    }

    /**
     * @param  array<string, mixed>  $asked
     * @return array<string, int> what is in force now
     *
     * @throws Refusal 422 naming the knob
     */
    public function ask(array $asked): array
    {
        foreach ($asked as $knob => $value) {
            if (! isset(self::KNOBS[$knob]) || ! is_int($value) || $value < 0 || $value > self::KNOBS[$knob]) {
                throw new Refusal(
                    422,
                    isset(self::KNOBS[$knob])
                        ? 'wants a whole number up to ' . self::KNOBS[$knob]
                        : 'there is no such trouble; ask for ' . implode(', ', array_keys(self::KNOBS)),
                    $knob,
                );
            }
        }
        $this->store->rows(
            'INSERT INTO faults (one, plan, calls) VALUES (1, ?, 0) ON CONFLICT (one) DO UPDATE SET plan = '
                . 'excluded.plan, calls = 0',
            [json_encode($asked, JSON_THROW_ON_ERROR)],
        );

        return $this->inForce();
    }

    public function none(): void
    {
        $this->store->rows('DELETE FROM faults');
    }

    /** @return array<string, int> */
    public function inForce(): array
    {
        return $this->plan() + array_fill_keys(array_keys(self::KNOBS), 0);
    }

    /** @param callable(): Response $answer */
    public function around(callable $answer): Response
    {
        $plan = $this->plan();
        if ($plan === []) {
            return $answer();
        }
        $call = (int) ($this->store->row('UPDATE faults SET calls = calls + 1 RETURNING calls')['calls'] ?? 0);
        if (($plan['latency_ms'] ?? 0) > 0) {
            usleep($plan['latency_ms'] * 1000);
        }
        if ($call <= ($plan['outage_calls'] ?? 0)) {
            return Response::json(503, ['fault' => 'out of service for a while'], ['Retry-After' => '1']);
        }
        $throw = hexdec(substr(hash('sha256', ($plan['seed'] ?? 0) . " {$call}"), 0, 8)) % 100;
        foreach (['errors', 'cut_before', 'cut_after'] as $trouble) {
            $throw -= $plan[$trouble] ?? 0;
            if ($throw < 0) {
                return match ($trouble) {
                    'errors' => Response::json(500, ['fault' => 'something went wrong here']),
                    'cut_before' => Response::cut(),
                    'cut_after' => $this->after($answer),
                };
            }
        }

        return $answer();
    }

    /** @param callable(): Response $answer */
    private function after(callable $answer): Response
    {
        $answer();

        return Response::cut();
    }

    /** @return array<string, int> */
    private function plan(): array
    {
        $row = $this->store->row('SELECT plan FROM faults');

        $plan = [];
        foreach ($row === null ? [] : (array) json_decode((string) $row['plan'], true) as $knob => $value) {
            if (is_int($value)) {
                $plan[(string) $knob] = $value;
            }
        }

        return $plan;
    }
}
