<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch;

/**
 * A hand on a rack of practice telephones. Each stands for one somebody unpacked: plugged in, it fetches its
 * configuration from the switch with its own login and says that it is there; its faults are those telephones have.
 */
final readonly class Rack
{
    private const NEWEST = '4.2.1';

    private const OLD = '2.0.7';

    private const LARGE = 15;

    private const FAULTS = ['none', 'wrong-secret', 'old-version', 'old-configuration'];

    public function __construct(private string $url, private string $token)
    {
    }

    /**
     * @param  list<string>  $arguments
     * @return string what to print
     *
     * @throws HandError in words for the person at the keyboard
     */
    public function work(array $arguments): string
    {
        [$verb, $which, $fault] = $arguments + ['list', '', 'none'];
        $sets = array_values(array_filter(
            $this->sets(),
            static fn (array $set): bool => $which === '' || self::isMeant($set, $which),
        ));
        if ($sets === []) {
            throw new HandError("no telephone on the rack is called \"{$which}\"");
        }
        if ($verb !== 'list' && $which === '') {
            throw new HandError("say which: bin/phones {$verb} ADDRESS, or a customer, or a site of it");
        }

        return match ($verb) {
            'list' => implode('', array_map(self::line(...), $sets)),
            'plug' => $this->each($sets, fn (array $set): string => $this->plug($set, $fault)),
            'unplug' => $this->each($sets, fn (array $set): string => $this->unplug($set)),
            'begin' => $this->begin($sets),
            default => throw new HandError(
                'usage: bin/phones [list [WHICH] | plug WHICH [' . implode(' | ', self::FAULTS)
                    . '] | unplug WHICH]; WHICH is a hardware address, a customer, or CUSTOMER/SITE',
            ),
        };
    }

    /** @param array<string, ?string> $set */
    private static function isMeant(array $set, string $which): bool
    {
        $hardware = strtolower((string) preg_replace('/[^0-9A-Fa-f]/', '', $which));

        return $set['mac'] === $hardware
            || $set['account'] === $which
            || strcasecmp("{$set['account']}/{$set['premises']}", $which) === 0;
    }

    /** @param array<string, ?string> $set */
    private static function line(array $set): string
    {
        return str_pad(implode(':', str_split((string) $set['mac'], 2)), 20) . str_pad((string) $set['account'], 26)
            . str_pad((string) $set['caption'], 34) . ($set['since'] === null ? 'not there' : 'registered') . "\n";
    }

    /**
     * @param  list<array<string, ?string>>  $sets
     * @param  \Closure(array<string, ?string>): string  $work
     */
    private function each(array $sets, \Closure $work): string
    {
        $text = '';
        foreach ($sets as $set) {
            $text .= "{$set['caption']}: {$work($set)}\n";
        }

        return $text;
    }

    /**
     * The rack as the demo finds it: everything that was never plugged in is; of a large customer something is old and
     * something is gone.
     *
     * @param  list<array<string, ?string>>  $sets
     */
    private function begin(array $sets): string
    {
        $text = '';
        foreach ($sets as $no => $set) {
            if ($set['heard'] === '1' || $set['fate'] !== 'out') {
                continue;
            }
            $isLarge = count($sets) > self::LARGE;
            $text .= $this->each([$set], fn (array $set): string => $this->plug($set, match (true) {
                $isLarge && $no === 4 => 'old-version',
                $isLarge && $no === 7 => 'old-configuration',
                default => 'none',
            }));
            if ($isLarge && $no === 10) {
                $this->unplug(['since' => '1'] + $set);
            }
        }

        return $text;
    }

    /** @param array<string, ?string> $set */
    private function plug(array $set, string $fault): string
    {
        if (! in_array($fault, self::FAULTS, true)) {
            throw new HandError("{$fault}: wants one of " . implode(', ', self::FAULTS));
        }
        if ($set['mac'] === null) {
            return 'its address is not known at the switch';
        }
        if ($set['login'] === null) {
            return 'the switch has no login for it yet; push first';
        }
        $login = $fault === 'wrong-secret' ? 'WrongWrongWrong1' : $set['login'];
        [$status, $answer] = $this->say('GET', $set['mac'], $login);
        if ($status !== 200) {
            return 'fetched nothing: ' . (is_string($answer['error'] ?? null) ? $answer['error'] : "status {$status}");
        }
        $version = is_string($answer['version'] ?? null) ? $answer['version'] : '';
        [$status] = $this->say('PUT', "{$set['mac']}/here", $login, [
            'make' => $set['make'],
            'firmware' => $fault === 'old-version' ? self::OLD : self::NEWEST,
            'address' => '10.0.' . hexdec(substr($set['mac'], -4, 2)) . '.' . hexdec(substr($set['mac'], -2)),
            'config' => $fault === 'old-configuration' ? "old-{$version}" : $version,
            'keeps' => $fault === 'old-configuration' ? 1 : 0,
        ]);

        return $status === 200 ? 'fetched its configuration and registered' : "not let in (status {$status})";
    }

    /** @param array<string, ?string> $set */
    private function unplug(array $set): string
    {
        if ($set['mac'] === null || $set['login'] === null || $set['since'] === null) {
            return 'was not there';
        }
        $this->say('DELETE', "{$set['mac']}/here", $set['login']);

        return 'is gone';
    }

    /** @return list<array<string, ?string>> */
    private function sets(): array
    {
        [, $answer] = $this->ask('GET', '/provision', "Bearer {$this->token}");
        $rows = is_array($answer['rows'] ?? null) ? array_values(array_filter($answer['rows'], is_array(...))) : [];

        usort($rows, static fn (array $one, array $other): int => [$one['account'] ?? '', $one['mac'] ?? ''] <=> [
            $other['account'] ?? '', $other['mac'] ?? '',
        ]);

        return array_map(static fn (array $row): array => array_map(
            static fn (mixed $value): ?string => is_scalar($value) ? (string) $value : null,
            array_filter($row, is_string(...), ARRAY_FILTER_USE_KEY) + ['mac' => null, 'login' => null],
        ), $rows);
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array{int, array<mixed>}
     */
    private function say(string $method, string $path, string $login, array $body = []): array
    {
        $hardware = explode('/', $path)[0];

        return $this->ask($method, "/provision/{$path}", 'Basic ' . base64_encode("{$hardware}:{$login}"), $body);
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array{int, array<mixed>}
     *
     * @throws HandError
     */
    private function ask(string $method, string $path, string $authorization, array $body = []): array
    {
        $answer = @file_get_contents($this->url . $path, false, stream_context_create(['http' => [
            'method' => $method, 'ignore_errors' => true, 'timeout' => 10,
            'header' => "Authorization: {$authorization}\r\nContent-Type: application/json",
            'content' => $body === [] ? '' : json_encode($body, JSON_THROW_ON_ERROR),
        ]]));
        if ($answer === false) {
            throw new HandError("the practice switch does not answer at {$this->url}");
        }
        $status = (int) (preg_match('~ (\d{3}) ~', $http_response_header[0] ?? '', $found) === 1 ? $found[1] : 0);
        $read = json_decode($answer, true);

        return [$status, is_array($read) ? $read : []];
    }
}
