<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch;

use Standins\PracticeSwitch\Calls\CallDesk;
use Standins\Shared\Faults;
use Standins\Shared\Refusal;
use Standins\Shared\Request;
use Standins\Shared\Response;
use Standins\Shared\Standin;

/**
 * The practice voice platform. Accounts and their records over HTTP and JSON: paged lists, reads, creations with an
 * idempotency key, edits with a version check (412 when stale), deletions (409 while something points there), an edit
 * log, what becomes of a call, and a ticket for each call played at it.
 */
final class PracticeSwitch extends Standin
{
    private const PAGE = 50;

    private readonly Records $records;

    private readonly RecordRules $rules;

    private readonly CallDesk $calls;

    private readonly Handsets $handsets;

    private readonly Faults $faults;

    private readonly ?RateLimit $limit;

    /**
     * @param  string  $file  the SQLite file, or `:memory:`
     * @param  ?\Closure(): int  $clock  seconds since 1970
     * @param  ?int  $perSecond  calls it takes in a second; unset: any number
     */
    public function __construct(
        string $file,
        private readonly string $token,
        ?\Closure $clock = null,
        ?int $perSecond = null,
    ) {
        $this->faults = new Faults($file);
        $this->limit = $perSecond === null ? null : new RateLimit($file, $perSecond, time(...));
        $this->records = new Records($file, $clock ?? time(...));
        $this->rules = new RecordRules($this->records);
        $this->calls = new CallDesk($file, $this->records);
        $this->handsets = new Handsets($file, $this->records, $clock ?? time(...));
    }

    protected function answer(Request $request): Response
    {
        if ($request->path === '/' || $request->path === '/bench') {
            return (new Bench($this->records, $this->rules, $this->calls))->answer($request);
        }
        if ($request->path === '/health') {
            return Response::json(200, ['well' => true]);
        }
        if (str_starts_with($request->path, '/provision/')) {
            return $this->handsets->answer($request);
        }
        if (! hash_equals("Bearer {$this->token}", $request->header('authorization') ?? '')) {
            throw new Refusal(401, 'a reseller token is needed');
        }
        $steps = explode('/', trim($request->path, '/'));
        if ($steps === ['provision']) {
            return $this->handsets->answer($request);
        }
        if ($steps === ['v1', 'faults']) {
            return $this->faults->answer($request);
        }
        if (($steps[0] ?? '') !== 'v1' || ($steps[1] ?? '') !== Vocabulary::ACCOUNT) {
            throw new Refusal(404, 'nothing here');
        }

        $this->limit?->count();

        return $this->faults->around(fn (): Response => $this->answered($request, array_slice($steps, 2)));
    }

    /** @param list<string> $steps */
    private function answered(Request $request, array $steps): Response
    {
        try {
            if (in_array($steps[1] ?? null, ['trials', 'traffic', 'tickets'], true)) {
                return $this->calls($request, $steps[0], $steps[1]);
            }

            return $this->records->inTransaction(fn (): Response => $this->once($request, $steps));
        } catch (Refusal $refusal) {
            return $this->refused($refusal);
        }
    }

    private function calls(Request $request, string $account, string $what): Response
    {
        $this->records->get($account, Vocabulary::ACCOUNT, $account);

        return match ("{$request->method} {$what}") {
            'POST trials' => Response::json(200, $this->calls->ask($account, $request->json())),
            'POST traffic' => Response::json(200, $this->calls->play($account, $request->json())),
            'GET tickets' => Response::json(
                200,
                $this->calls->tickets($account, (int) ($request->query['after'] ?? 0), self::PAGE),
            ),
            default => throw new Refusal(405, $what === 'tickets' ? 'GET' : 'POST'),
        };
    }

    /** @param list<string> $steps */
    private function once(Request $request, array $steps): Response
    {
        $key = $request->header('idempotency-key');
        if ($key === null || $request->method === 'GET') {
            return $this->route($request, $steps);
        }
        $done = $this->records->done($key);
        if ($done !== null) {
            return new Response((int) $done['status'], (string) $done['body'], [
                'Content-Type' => 'application/json',
                'Replayed' => '1',
            ]);
        }
        $response = $this->route($request, $steps);
        $this->records->markDone($key, $response->status, $response->body);

        return $response;
    }

    /** @param list<string> $steps */
    private function route(Request $request, array $steps): Response
    {
        [$account, $collection, $id] = $steps + [null, null, null];
        if ($account === null) {
            return $request->method === 'POST'
                ? $this->create(null, Vocabulary::ACCOUNT, $request)
                : Response::json(
                    200,
                    ['rows' => $this->accountsCalled($request->query['handle'] ?? null), 'next' => null],
                );
        }
        if ($collection === null) {
            return $this->one($account, Vocabulary::ACCOUNT, $account, $request);
        }
        $this->records->get($account, Vocabulary::ACCOUNT, $account);
        if ($collection === 'jobs' && $id !== null) {
            return Response::json(200, $this->records->job($account, $id));
        }
        if ($collection === 'handsets') {
            return Response::json(200, ['rows' => $this->handsets->of($account)]);
        }
        if ($collection === 'edits') {
            return Response::json(200, ['rows' => $this->records->edits($account)]);
        }
        if ($collection === Vocabulary::ACCOUNT || ! isset(Vocabulary::collections()[$collection])) {
            throw new Refusal(404, "no collection called {$collection}");
        }
        if ($id !== null) {
            return $this->one($account, $collection, $id, $request);
        }

        return $request->method === 'POST'
            ? $this->create($account, $collection, $request)
            : $this->page($account, $collection, $request);
    }

    private function one(string $account, string $collection, string $id, Request $request): Response
    {
        $record = $this->records->get($account, $collection, $id);
        if ($request->method === 'GET') {
            return Response::json(200, $record->show());
        }
        if ($request->method !== 'PATCH' && $request->method !== 'DELETE') {
            throw new Refusal(405, 'GET, PATCH or DELETE');
        }
        $expected = $request->header('if-match');
        if ($expected !== null && $expected !== (string) $record->version) {
            throw new Refusal(412, "version {$expected} is stale: the record is at version {$record->version}");
        }
        if ($request->method === 'PATCH') {
            $given = $request->json();
            if ($collection === 'sets' && is_string($given['login'] ?? null) && $given['login'] !== 'set') {
                $this->handsets->learn($record, $given['login']);
            }

            return Response::json(
                200,
                $this->records->replace($record, $this->rules->changed($record, $given), self::who($request))
                    ->show(),
            );
        }
        $this->rules->refuseWhilePointedAt($record);
        $this->records->remove($record, self::who($request));

        return Response::json(200, ['removed' => $record->id]);
    }

    private function create(?string $account, string $collection, Request $request): Response
    {
        $body = $this->rules->made($account, $collection, $request->json());
        $fixed = ['accounts' => 'handle', 'lines' => 'digits'][$collection] ?? null;
        if ($fixed !== null) {
            $this->refuseTaken($collection, $fixed, $body[$fixed]);
        }

        $made = $this->records->add($account, $collection, $body, self::who($request));

        // Carriers take their time: a line rings only once its job is done.
        return Response::json(201, $made->show() + (
            $collection === 'lines' ? ['job' => $this->records->begin($made)] : []
        ));
    }

    /** Handles and lines are one of a kind on the whole switch. */
    private function refuseTaken(string $collection, string $field, mixed $value): void
    {
        if (! is_string($value) || $value === '') {
            throw new Refusal(422, 'is needed', $field);
        }
        foreach ($this->records->accounts() as $account) {
            $others = $collection === Vocabulary::ACCOUNT
                ? [$account]
                : $this->records->list($account->id, $collection);
            foreach ($others as $other) {
                if (($other->body[$field] ?? null) === $value) {
                    throw new Refusal(422, "{$value} exists already", $field);
                }
            }
        }
    }

    private function page(string $account, string $collection, Request $request): Response
    {
        $rows = $this->records->list($account, $collection, (int) ($request->query['after'] ?? 0), self::PAGE + 1);
        $page = array_slice($rows, 0, self::PAGE);
        $last = $page === [] ? null : $page[count($page) - 1]->serial;

        return Response::json(200, [
            'rows' => array_map(static fn (Record $record): array => $record->show(), $page),
            'next' => count($rows) > self::PAGE ? $last : null,
        ]);
    }

    /** @return list<array<string, mixed>> */
    private function accountsCalled(?string $handle): array
    {
        $accounts = array_filter(
            $this->records->accounts(),
            static fn (Record $record): bool => $handle === null || $record->body['handle'] === $handle,
        );

        return array_map(static fn (Record $record): array => $record->show(), array_values($accounts));
    }

    private static function who(Request $request): string
    {
        return mb_substr($request->header('acting-for') ?? 'reseller', 0, 80);
    }
}
