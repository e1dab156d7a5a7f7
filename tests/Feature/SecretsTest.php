<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Testing\TestResponse;
use Tests\Feature\Support\Wire;

/** PINs are made, shown once, told to the switch, and stand nowhere else. */
final class SecretsTest extends FeatureTestCase
{
    private const BOX = ['object' => 'mailbox:ines-marsh'];

    public function test_a_pin_is_made_and_shown_once_and_who_saw_it_is_noted(): void
    {
        $customer = $this->takeOn();
        $made = $this->make($customer['key'])->assertCreated()->json('secrets.0');

        $pin = $this->postJson("/api/customers/{$customer['key']}/secrets/reveal", self::BOX)->assertOk()
            ->assertHeader('Cache-Control', 'no-store, private')
            ->json('value');

        self::assertMatchesRegularExpression('/^\d{6}$/', $pin);
        self::assertSame(['mailbox:ines-marsh', 'set', false, false], [
            $made['object'], $made['strength'], $made['isShown'], $made['isSent'],
        ]);
        $this->postJson("/api/customers/{$customer['key']}/secrets/reveal", self::BOX)->assertStatus(409)
            ->assertJsonPath('type', 'urn:jaunty-roster:problem:cannot-reveal');
        $noted = $this->scope()->tenant(
            $this->lead->id,
            $customer['key'],
            Ability::Read,
            static fn (): array => DB::table('activity')->where('tenant_id', $customer['id'])
                ->orderBy('id')
                ->pluck('what')
                ->all(),
        );
        self::assertSame(['PIN made', 'PIN shown'], array_slice($noted, -2));
    }

    public function test_it_stands_in_no_book_revision_export_or_answer_and_is_sealed_where_it_is_kept(): void
    {
        $customer = $this->takeOn();
        $seen = $this->make($customer['key'], '740913')->getContent();
        $this->enter($customer['key']);
        foreach (['desk', 'book', 'revisions', 'secrets', 'live'] as $what) {
            $seen .= $this->getJson("/api/customers/{$customer['key']}/{$what}")->assertOk()->getContent();
        }
        $kept = $this->scope()->tenant(
            $this->lead->id,
            $customer['key'],
            Ability::Read,
            static fn (): string => json_encode(
                [DB::table('secrets')->get(), DB::table('revisions')->get(), DB::table('activity')->get()],
                JSON_THROW_ON_ERROR,
            ),
        );

        self::assertStringNotContainsString('740913', $seen . $kept);
        self::assertSame(
            '740913',
            $this->postJson("/api/customers/{$customer['key']}/secrets/reveal", self::BOX)->json('value'),
        );
    }

    public function test_the_next_push_tells_the_switch_once_and_the_switch_tells_nobody(): void
    {
        $customer = $this->takeOn()['key'];
        $this->make($customer, '740913');
        $this->enter($customer);
        $sent = [];
        $this->wire->interfere = static function ($request) use (&$sent): null {
            if (str_contains($request->body(), 'lock_code')) {
                $sent[] = $request->data()['lock_code'];
            }

            return null;
        };

        self::assertSame('done', $this->push($customer)['status']);
        self::assertSame('done', $this->push($customer)['status']);

        self::assertSame(['740913'], $sent);
        self::assertTrue($this->getJson("/api/customers/{$customer}/secrets")->json('secrets.0.isSent'));
        $account = '/v1/accounts/'
            . array_column($this->wire->byHand('GET', '/v1/accounts')['rows'], 'id', 'handle')[$customer];
        $told = json_encode(
            [$this->wire->byHand('GET', "{$account}/boxes"), $this->wire->byHand('GET', "{$account}/edits")],
            JSON_THROW_ON_ERROR,
        );
        self::assertStringNotContainsString('740913', $told);
        self::assertStringContainsString('"lock_code":"set"', $told);
        self::assertSame([], $this->readAgain($customer));
    }

    public function test_trouble_on_the_way_leaves_it_to_be_sent(): void
    {
        $customer = $this->takeOn()['key'];
        $this->push($customer);
        $this->make($customer, '740913');
        $this->enter($customer);
        $troubles = 3;
        $this->wire->interfere = static function ($request, \Closure $send) use (&$troubles) {
            if (! str_contains($request->body(), 'lock_code') || $troubles-- <= 0) {
                return null;
            }

            return $troubles === 1 ? tap($send(), static fn () => Wire::cut()) : Http::response([], 503);
        };

        self::assertSame('done', $this->push($customer)['status']);
        self::assertTrue($this->getJson("/api/customers/{$customer}/secrets")->json('secrets.0.isSent'));
    }

    public function test_a_weak_one_is_marked_weak_and_a_new_one_can_be_shown_again(): void
    {
        $customer = $this->takeOn()['key'];
        self::assertSame('weak', $this->make($customer, '201201')->json('secrets.0.strength'));
        self::assertSame(
            'weak',
            array_column(
                $this->getJson("/api/customers/{$customer}/desk")->json('draft.changes'),
                'after',
                'path',
            )['pin'] ?? null,
        );
        $this->postJson("/api/customers/{$customer}/secrets/reveal", self::BOX)->assertOk();

        self::assertSame('set', $this->make($customer)->json('secrets.0.strength'));
        $this->postJson("/api/customers/{$customer}/secrets/reveal", self::BOX)->assertOk();
        $this->postJson("/api/customers/{$customer}/secrets", self::BOX + ['value' => '12'])->assertStatus(422);
        $this->postJson("/api/customers/{$customer}/secrets", ['object' => 'user:ines-marsh'])->assertStatus(422);
        $this->postJson("/api/customers/{$customer}/secrets/reveal", ['object' => 'mailbox:nobody'])->assertStatus(422);
    }

    public function test_no_undo_brings_an_old_one_back(): void
    {
        $customer = $this->takeOn()['key'];
        $this->make($customer, '740913');
        $this->edit($customer, [['object' => 'mailbox:ines-marsh', 'path' => 'name', 'value' => 'Front desk']]);
        $this->enter($customer)->assertCreated();
        $this->make($customer, '318264');
        $revision = $this->getJson("/api/customers/{$customer}/revisions")->json('revisions.0.no');
        $this->postJson("/api/customers/{$customer}/revisions/{$revision}/undo")->assertCreated();

        self::assertSame(
            '318264',
            $this->postJson("/api/customers/{$customer}/secrets/reveal", self::BOX)->json('value'),
        );
    }

    private function make(string $customer, ?string $value = null): TestResponse
    {
        return $this->actingAs($this->lead)
            ->postJson("/api/customers/{$customer}/secrets", self::BOX + ['value' => $value])
            ->assertCreated();
    }
}
