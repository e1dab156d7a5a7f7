<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

use Standins\PracticeSwitch\Records;
use Standins\Shared\Refusal;
use Standins\Shared\Store;

/**
 * Calls asked about and calls that were made. What is asked about leaves no trace; traffic played at the switch leaves
 * a ticket a call, and whoever took one is talking until it is over.
 */
final readonly class CallDesk
{
    private const SCHEMA = <<<'SQL'
        CREATE TABLE IF NOT EXISTS tickets (
            serial INTEGER PRIMARY KEY AUTOINCREMENT, account TEXT NOT NULL, began INTEGER NOT NULL,
                over INTEGER NOT NULL,
            person TEXT, body TEXT NOT NULL);
        CREATE INDEX IF NOT EXISTS tickets_by_account ON tickets (account, serial);
        SQL;

    private const TAKEN = 'taken';

    private const MOST_CALLS = 500;

    private Store $store;

    public function __construct(string $file, private Records $records)
    {
        $this->store = new Store($file, self::SCHEMA);
    }

    /**
     * @param  array<string, mixed>  $asked
     * @return array<string, mixed>
     *
     * @throws Refusal 422
     */
    public function ask(string $account, array $asked): array
    {
        return Call::place(Holdings::of($this->records, $account), Question::read($asked))->show();
    }

    /**
     * @param  array<string, mixed>  $asked  calls, each as one asked about, and `talk`, the seconds talked if somebody
     *     takes it
     * @return array{played: int, ended: array<string, int>}
     *
     * @throws Refusal 422
     */
    public function play(string $account, array $asked): array
    {
        $calls = $asked['calls'] ?? null;
        if (! is_array($calls) || ! array_is_list($calls) || count($calls) > self::MOST_CALLS) {
            throw new Refusal(422, 'wants a list of at most ' . self::MOST_CALLS . ' calls', 'calls');
        }
        $holdings = Holdings::of($this->records, $account);

        return $this->store->inTransaction(fn (): array => $this->all($account, $holdings, $calls));
    }

    /** @return array{rows: list<array<string, mixed>>, next: ?int} in the order they were played */
    public function tickets(string $account, int $after, int $most): array
    {
        $rows = $this->store->rows(
            'SELECT serial, body FROM tickets WHERE account = ? AND serial > ? ORDER BY serial LIMIT ?',
            [$account, $after, $most + 1],
        );
        $page = array_slice($rows, 0, $most);
        $shown = [];
        foreach ($page as $row) {
            $body = json_decode((string) $row['body'], true);
            $shown[] = ['id' => "t-{$row['serial']}"]
                + array_filter(is_array($body) ? $body : [], is_string(...), ARRAY_FILTER_USE_KEY);
        }

        return ['rows' => $shown, 'next' => count($rows) > $most ? (int) $page[count($page) - 1]['serial'] : null];
    }

    /**
     * @param  list<mixed>  $calls
     * @return array{played: int, ended: array<string, int>}
     */
    private function all(string $account, Holdings $holdings, array $calls): array
    {
        $ended = [];
        foreach ($calls as $place => $call) {
            try {
                $word = $this->one(
                    $account,
                    $holdings,
                    is_array($call) ? array_filter($call, is_string(...), ARRAY_FILTER_USE_KEY) : [],
                );
            } catch (Refusal $refusal) {
                throw new Refusal($refusal->status, $refusal->getMessage(), "calls.{$place}.{$refusal->where}");
            }
            $ended[$word] = ($ended[$word] ?? 0) + 1;
        }

        return ['played' => count($calls), 'ended' => $ended];
    }

    /** @param array<string, mixed> $asked */
    private function one(string $account, Holdings $holdings, array $asked): string
    {
        $question = Question::read($asked);
        $talk = $asked['talk'] ?? 0;
        if (! is_int($talk) || $talk < 0) {
            throw new Refusal(422, 'wants seconds', 'talk');
        }
        $busy = $this->store->rows(
            'SELECT DISTINCT person FROM tickets WHERE account = ? AND person IS NOT NULL AND began <= ? AND over > ?',
            [$account, $question->instant, $question->instant],
        );
        $answer = Call::place($holdings, $question->withTalking(
            ...array_map(strval(...), array_column($busy, 'person')),
        ));
        $isTaken = $answer->ending->word === self::TAKEN;
        $took = $question->instant + $answer->ending->second;
        $rang = array_values(
            array_filter($answer->journal, static fn (array $line): bool => $line['what'] === 'rings'),
        );
        $ticket = [
            'stamp' => $question->instant,
            'from' => $question->from(),
            'dialled' => $question->dialled,
            'rang' => array_map(
                static fn (array $line): array => ['t' => $line['t'], 'place' => $line['place']],
                $rang,
            ),
            'bands' => array_values(array_unique(array_column(array_column($answer->journal, 'place'), 'band'))),
            'ended' => $answer->ending->word,
            'place' => $answer->ending->place->show(),
            'waited' => $answer->ending->second,
            'talked' => $isTaken ? $talk : 0,
        ];
        $this->store->rows('INSERT INTO tickets (account, began, over, person, body) VALUES (?, ?, ?, ?, ?)', [
            $account, $took, $took + ($isTaken ? $talk : 0),
            $isTaken && $answer->ending->place->is('person') ? $answer->ending->place->id : null,
            json_encode($ticket, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
        ]);

        return $answer->ending->word;
    }
}
