<?php

declare(strict_types=1);

namespace Jaunty\Bench;

/**
 * Many technicians at work at once: each looks at the Roster, opens a customer, edits, reads what the margin says,
 * follows a call.
 */
final class Technicians
{
    /** Milliseconds that somebody looks at an answer, at least and at most. */
    private const PAUSE = [2000, 4000];

    /** @var array<int, array{at: float, step: int, who: int, customer: string}> */
    private array $waiting = [];

    /** @var array<string, ?array{group: string, schedule: string, number: string}> by customer */
    private array $known = [];

    /** @var array<string, list<float>> milliseconds by what was asked for */
    public array $taken = [];

    public int $refused = 0;

    /**
     * @param non-empty-list<Served> $signedIn who they sign in as, in turn, so that nobody's share of requests a minute
     *     is used up
     */
    public function __construct(private readonly array $signedIn, int $count, private readonly \Random\Randomizer $dice)
    {
        $theirs = array_map($this->customersOf(...), $signedIn);
        for ($i = 0; $i < $count; $i++) {
            $who = $i % count($signedIn);
            $this->waiting[] = [
                'at' => microtime(true) + $dice->getInt(0, self::PAUSE[1]) / 1000, 'step' => $i, 'who' => $who,
                'customer' => $theirs[$who][$i % count($theirs[$who])],
            ];
        }
    }

    public function work(float $seconds): void
    {
        $multi = curl_multi_init();
        $end = microtime(true) + $seconds;
        $under = [];
        while (microtime(true) < $end || $under !== []) {
            foreach ($this->waiting as $index => $each) {
                if ($each['at'] <= microtime(true) && microtime(true) < $end) {
                    unset($this->waiting[$index]);
                    [$name, $method, $path, $body] = $this->next($each['step'], $each['customer']);
                    $curl = $this->signedIn[$each['who']]->prepare($method, $path, $body);
                    curl_multi_add_handle($multi, $curl);
                    $under[spl_object_id($curl)] = [$name, $each];
                }
            }
            curl_multi_exec($multi, $running);
            while (($done = curl_multi_info_read($multi)) !== false) {
                $curl = $done['handle'];
                if (! $curl instanceof \CurlHandle) {
                    continue;
                }
                [$name, $each] = $under[spl_object_id($curl)];
                unset($under[spl_object_id($curl)]);
                $this->taken[$name][] = curl_getinfo($curl, CURLINFO_TOTAL_TIME) * 1000;
                $this->refused += curl_getinfo($curl, CURLINFO_RESPONSE_CODE) >= 400 || $done['result'] !== CURLE_OK
                    ? 1
                    : 0;
                curl_multi_remove_handle($multi, $curl);
                $this->waiting[] = [
                    'at' => microtime(true) + $this->dice->getInt(...self::PAUSE) / 1000,
                    'step' => $each['step'] + 1,
                ]
                    + $each;
            }
            curl_multi_select($multi, 0.005);
        }
    }

    /** @return float the milliseconds that this share of all answers took at most */
    public function percentile(float $share): float
    {
        $all = array_merge(...array_values($this->taken));
        sort($all);

        return $all[(int) floor((count($all) - 1) * $share)] ?? INF;
    }

    /** @return array{string, non-empty-string, string, ?array<string, mixed>} */
    private function next(int $step, string $customer): array
    {
        $path = "/api/customers/{$customer}";
        $known = $this->known[$customer] ?? throw new \LogicException("nothing is known of {$customer}");

        return match ($step % 11) {
            0 => ['roster', 'GET', '/api/customers', null],
            1 => ['desk', 'GET', "{$path}/desk", null],
            2, 5 => ['margin', 'GET', "{$path}/margin", null],
            3 => ['now', 'GET', "{$path}/now", null],
            4 => ['edit', 'POST', "{$path}/draft/edits", [
                'edits' => [
                    ['object' => $known['group'], 'path' => 'noAnswerSeconds', 'value' => 20 + 5 * ($step % 7)],
                ],
            ]],
            6 => ['call', 'POST', "{$path}/calls", ['sentence' => "{$known['number']} tue 14:05", 'in' => 'edited']],
            7 => ['live', 'GET', "{$path}/live", null],
            8 => ['hours', 'GET', "{$path}/hours/{$known['schedule']}", null],
            9 => ['findings', 'GET', '/api/findings', null],
            default => ['drop', 'DELETE', "{$path}/draft", null],
        };
    }

    /** @return non-empty-list<string> of the customers they look after, those that have something of everything */
    private function customersOf(Served $served): array
    {
        $shown = json_decode($served->ask('GET', '/api/customers'), true, 512, JSON_THROW_ON_ERROR);
        $able = [];
        foreach (is_array($shown) && is_array($shown['customers']) ? $shown['customers'] : [] as $customer) {
            if (is_array($customer) && is_string($customer['key'])) {
                $this->known[$customer['key']] ??= self::knownOf($served, $customer['key']);
                $able[] = $customer['key'];
            }
        }
        $able = array_values(array_filter($able, fn (string $key): bool => $this->known[$key] !== null));

        return $able === [] ? throw new \RuntimeException('no customer has a group, hours and a number') : $able;
    }

    /**
     * @return ?array{group: string, schedule: string, number: string} nothing where a customer has none of one of them
     */
    private static function knownOf(Served $served, string $customer): ?array
    {
        $desk = json_decode($served->ask('GET', "/api/customers/{$customer}/desk"), true, 512, JSON_THROW_ON_ERROR);
        $first = [];
        foreach (is_array($desk) && is_array($desk['objects']) ? $desk['objects'] : [] as $object) {
            if (is_array($object) && is_string($object['kind']) && is_string($object['key'])) {
                $first[$object['kind']] ??= $object['key'];
            }
        }

        return isset($first['group'], $first['schedule'], $first['number'])
            ? ['group' => "group:{$first['group']}", 'schedule' => $first['schedule'], 'number' => $first['number']]
            : null;
    }
}
