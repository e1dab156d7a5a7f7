<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch;

use Standins\PracticeSwitch\Calls\CallDesk;
use Standins\Shared\Refusal;
use Standins\Shared\Request;
use Standins\Shared\Response;
use Standins\Shared\Standin;

/**
 * A page for people who tinker: see what an account holds, change a field by hand as its own administrator would, and
 * ask what becomes of a call.
 */
final readonly class Bench
{
    public function __construct(private Records $records, private RecordRules $rules, private CallDesk $calls)
    {
    }

    /** @throws Refusal */
    public function answer(Request $request): Response
    {
        if ($request->method !== 'POST') {
            return Response::page(isset($request->query['dial']) ? $this->call($request->query) : $this->page());
        }
        $origin = $request->header('origin');
        if ($origin !== null && $origin !== 'http://' . ($request->header('host') ?? '')) {
            throw new Refusal(403, 'this form is answered from the bench itself only');
        }
        $form = $request->form();
        $record = $this->records->get($form['account'] ?? '', $form['collection'] ?? '', $form['record'] ?? '');
        $value = json_decode($form['value'] ?? '', true);
        if ($value === null && trim($form['value'] ?? '') !== 'null') {
            $value = $form['value'] ?? null;
        }
        $body = $this->rules->changed($record, [$form['field'] ?? '' => $value]);
        $this->records->inTransaction(fn (): Record => $this->records->replace($record, $body, 'bench'));

        return Response::seeOther('/bench');
    }

    private function page(): string
    {
        $sections = '';
        foreach ($this->records->accounts() as $account) {
            $sections .= '<h2>'
                . Standin::escape((string) json_encode($account->body['title'] ?? '', JSON_UNESCAPED_UNICODE))
                . '</h2>';
            $sections .= '<form method="get" action="/bench"><input type="hidden" name="account" value="'
                . Standin::escape($account->id)
                . '">Call <input name="dial" size="16" aria-label="digits" required>'
                . ' from <input name="from" size="16" aria-label="caller"> at <input name="at" size="22" '
                    . 'aria-label="when" placeholder="2026-12-01T10:00-04:00"> pressing <input name="keys" size="8" '
                    . 'aria-label="keys"> <button>what becomes of it</button></form>';
            foreach ($this->records->all($account->id) as $record) {
                $sections .= $this->record($record);
            }
        }

        return '<!doctype html><html lang="en"><meta charset="utf-8"><title>Practice switch: bench</title>'
            . '<style>body{font:15px/1.5 monospace;margin:2rem;max-width:70rem}'
            . 'td{padding:0 1rem 0 0;vertical-align:top}'
            . 'input{font:inherit;width:28rem}</style>'
            . '<h1>Practice switch: bench</h1><p>Values are JSON. Every change is logged as made here.</p>'
            . ($sections === '' ? '<p>No account yet: push a customer first.</p>' : $sections) . '</html>';
    }

    /** @param array<string, string> $asked */
    private function call(array $asked): string
    {
        $stamp = strtotime($asked['at'] ?? '');
        $answer = $this->calls->ask(
            $this->records->get($asked['account'] ?? '', Vocabulary::ACCOUNT, $asked['account'] ?? '')->id,
            [
                'dial' => $asked['dial'], 'from' => ($asked['from'] ?? '') === '' ? null : $asked['from'],
                'stamp' => $stamp === false ? time() : $stamp,
                'keys' => array_map(
                    static fn (string $key): array => ['key' => $key],
                    ($asked['keys'] ?? '') === '' ? [] : str_split($asked['keys']),
                ),
            ],
        );
        $rows = '';
        foreach (is_array($answer['journal']) ? $answer['journal'] : [] as $line) {
            $rows .= is_array($line)
                ? '<tr><td>' . Standin::escape((string) json_encode($line['t'])) . ' s<td>' . Standin::escape(
                    (string) json_encode($line['place'], JSON_UNESCAPED_SLASHES),
                ) . '<td>' . Standin::escape(is_string($line['what']) ? $line['what'] : '')
                : '';
        }

        return '<!doctype html><html lang="en"><meta charset="utf-8"><title>Practice switch: a '
            . 'call</title><style>body{font:15px/1.5 monospace;margin:2rem}td{padding:0 1rem 0 0}</style>'
            . "<h1>Practice switch: a call</h1><table>{$rows}</table><p>ended: "
            . Standin::escape(
                (string) json_encode([$answer['ended'], $answer['place'], $answer['after']], JSON_UNESCAPED_SLASHES),
            )
            . '</p><p><a href="/bench">Back to the bench</a></p></html>';
    }

    private function record(Record $record): string
    {
        $rows = '';
        foreach ($record->body as $field => $value) {
            $hidden = '';
            foreach (
                [
                    'account' => $record->account, 'collection' => $record->collection, 'record' => $record->id,
                    'field' => $field,
                ] as $name => $text
            ) {
                $hidden .= '<input type="hidden" name="' . $name . '" value="' . Standin::escape($text) . '">';
            }
            $rows .= '<tr><td>' . Standin::escape($field) . '<td><form method="post" action="/bench">' . $hidden
                . '<input name="value" aria-label="'
                . Standin::escape($field)
                . '" value="'
                . Standin::escape((string) json_encode($value, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE))
                . '"> <button>change</button></form>';
        }

        return '<details><summary>'
            . Standin::escape("{$record->collection}/{$record->id} version {$record->version}")
            . "</summary><table>{$rows}</table></details>";
    }
}
