<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use App\Models\Invitation;
use App\Models\Technician;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;

/** Who may do what: given by leads, joined by letter, and taken away again. */
final class PeopleTest extends FeatureTestCase
{
    private const PASSWORD = 'four words that are mine';

    public function test_whoever_follows_the_letter_joins_with_the_grant_and_nothing_more(): void
    {
        $customer = $this->takeOn('Harbour Bakery ' . Str::random(6));
        $other = $this->takeOn();
        $to = $this->address();
        $this->actingAs($this->lead)->postJson('/api/people/grants', [
            'signIn' => mb_strtoupper($to), 'customer' => $customer['key'], 'ability' => 'edit',
            'until' => '2026-12-31', 'purpose' => 'regatta week',
        ])
            ->assertCreated()->assertExactJson(['isInvited' => true]);
        self::assertStringContainsString('Harbour Bakery', $this->letterTo($to));
        $code = $this->codeSentTo($to);
        $kept = $this->asLead(
            static fn (): array => Invitation::query()->where('sign_in', $to)->firstOrFail()->getAttributes(),
        );
        self::assertSame(hash('sha256', $code), $kept['code_hash']);
        self::assertStringNotContainsString($code, json_encode($kept, JSON_THROW_ON_ERROR));

        $this->app->make('auth')->forgetGuards();
        $this->postJson('/api/joining/look', ['code' => $code])->assertOk()->assertJson(
            ['signIn' => $to, 'ability' => 'edit', 'invitedBy' => $this->lead->name, 'until' => '2026-12-31'],
        );
        $this->postJson('/api/joining', ['code' => $code, 'name' => 'Maud Ferrier', 'password' => 'too short'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.pointer', '/password');
        $this->postJson(
            '/api/joining',
            ['code' => $code, 'name' => 'Maud Ferrier', 'password' => self::PASSWORD],
        )->assertCreated();
        $this->postJson('/api/session', ['signIn' => $to, 'password' => self::PASSWORD])->assertOk()
            ->assertJsonPath('technician.initials', 'MF');

        $this->actingAs(Technician::query()->where('sign_in', $to)->firstOrFail());
        self::assertSame([$customer['key']], array_column($this->getJson('/api/customers')->json('customers'), 'key'));
        $this->edit(
            $customer['key'],
            [['object' => 'user:ines-marsh', 'path' => 'display', 'value' => 'Ines']],
            Technician::query()->where('sign_in', $to)->firstOrFail(),
        )->assertOk();
        $this->getJson("/api/customers/{$other['key']}/desk")->assertNotFound();
        $this->postJson("/api/customers/{$customer['key']}/pushes")->assertForbidden();
        $this->getJson('/api/people')->assertForbidden();
        $grant = $this->grantOf($to);
        self::assertSame(
            ['regatta week', '2026-12-31', false],
            [$grant['purpose'], $grant['until'], $grant['hasRunOut']],
        );
        $this->postJson(
            '/api/joining',
            ['code' => $code, 'name' => 'Somebody else', 'password' => self::PASSWORD],
        )->assertStatus(410);
    }

    /** @return iterable<string, array{\Closure(self, string): void}> */
    public static function closings(): iterable
    {
        yield 'taken back' => [
            static fn (self $test, string $id): mixed => $test->deleteJson("/api/people/invitations/{$id}")
            ->assertNoContent(),
        ];
        yield 'sent again' => [
            static fn (self $test, string $id): mixed => $test->postJson("/api/people/invitations/{$id}/send")
            ->assertNoContent(),
        ];
        yield 'run out' => [static fn (self $test, string $id): mixed => $test->asLead(
            static fn () => Invitation::query()->whereKey($id)->update(['open_until' => '2026-12-01 18:05:00+00']),
        )];
        yield 'its address joined otherwise' => [
            static fn (self $test, string $id): mixed => Technician::query()->create([
                'id' => $id, 'sign_in' => $test->asLead(static fn () => Invitation::query()->findOrFail($id)->sign_in),
                'name' => 'x', 'initials' => 'X', 'password' => 'x',
            ]),
        ];
    }

    /** @param \Closure(self, string): mixed $close */
    #[DataProvider('closings')]
    public function test_a_code_opens_nothing_once_it_is(\Closure $close): void
    {
        $to = $this->address();
        $this->actingAs($this->lead)
            ->postJson('/api/people/grants', ['signIn' => $to, 'everyCustomer' => true, 'ability' => 'push'])
            ->assertCreated();
        $code = $this->codeSentTo($to);
        $this->postJson('/api/joining/look', ['code' => $code])->assertOk()->assertJsonPath('customer', null);

        $close($this, array_column($this->getJson('/api/people')->json('invitations'), 'id', 'signIn')[$to]);

        $accounts = Technician::query()->where('sign_in', $to)->count();
        $this->postJson(
            '/api/joining',
            ['code' => $code, 'name' => 'Maud', 'password' => self::PASSWORD],
        )->assertStatus(410);
        self::assertSame($accounts, Technician::query()->where('sign_in', $to)->count());
    }

    public function test_an_invitation_sent_again_opens_by_the_second_letter(): void
    {
        $to = $this->address();
        $this->actingAs($this->lead)
            ->postJson('/api/people/grants', ['signIn' => $to, 'everyCustomer' => true, 'ability' => 'read'])
            ->assertCreated();
        $first = $this->codeSentTo($to);
        $id = array_column($this->getJson('/api/people')->json('invitations'), 'id', 'signIn')[$to];
        $this->postJson("/api/people/invitations/{$id}/send")->assertNoContent();

        $second = $this->codeSentTo($to);
        self::assertNotSame($first, $second);
        $this->postJson('/api/joining/look', ['code' => $second])->assertOk();
    }

    public function test_somebody_of_the_staff_has_the_grant_at_once_and_loses_it_at_once(): void
    {
        $customer = $this->takeOn();
        $sol = $this->technician();
        $this->actingAs($this->lead)->postJson(
            '/api/people/grants',
            ['signIn' => $sol->sign_in, 'customer' => $customer['key'], 'ability' => 'read'],
        )->assertCreated()->assertExactJson(['isInvited' => false]);
        $this->actingAs($sol)->getJson("/api/customers/{$customer['key']}/desk")->assertOk();

        $this->actingAs($this->lead)->deleteJson('/api/people/grants/' . $this->grantOf($sol->sign_in)['id'])
            ->assertNoContent();

        $this->actingAs($sol)->getJson("/api/customers/{$customer['key']}/desk")->assertNotFound();
    }

    public function test_nobody_but_a_lead_and_no_lead_for_themselves(): void
    {
        $sol = $this->technician();
        $this->grant($sol, null, Ability::Push);
        $grant = $this->grantOf($this->lead->sign_in);

        $this->deleteJson("/api/people/grants/{$grant['id']}")->assertForbidden();
        foreach (
            [
                ['post', 'grants'], ['delete', "grants/{$grant['id']}"], ['post', "invitations/{$grant['id']}/send"],
                ['delete', "invitations/{$grant['id']}"],
            ] as [$method, $path]
        ) {
            $this->actingAs($sol)
                ->json($method, "/api/people/{$path}", ['signIn' => 'x@saltmarsh.example', 'ability' => 'push'])
                ->assertForbidden();
        }
        self::assertSame($grant['id'], $this->grantOf($this->lead->sign_in)['id']);
    }

    public function test_what_cannot_be_mailed_is_not_kept_and_is_said(): void
    {
        $to = $this->address();
        $this->wire->interfere = static fn () => throw new \Illuminate\Http\Client\ConnectionException('no route');

        $this->actingAs($this->lead)
            ->postJson('/api/people/grants', ['signIn' => $to, 'everyCustomer' => true, 'ability' => 'read'])
            ->assertStatus(502)
            ->assertJsonPath('title', 'The letter was not sent');

        self::assertNotContains($to, array_column($this->getJson('/api/people')->json('invitations'), 'signIn'));
        foreach (
            [
                'signIn' => ['everyCustomer' => true, 'signIn' => 'not an address', 'ability' => 'read'],
                'until' => ['signIn' => $to, 'everyCustomer' => true, 'ability' => 'read', 'until' => '2026-11-30'],
                'ability' => ['signIn' => $to, 'everyCustomer' => true, 'ability' => 'all'],
            ] as $field => $wrong
        ) {
            $this->postJson('/api/people/grants', $wrong)->assertStatus(422)
                ->assertJsonPath('errors.0.pointer', "/{$field}");
        }
        $this->postJson(
            '/api/people/grants',
            ['signIn' => $to, 'ability' => 'read', 'customer' => 'nobody-such'],
        )->assertNotFound();
    }

    /**
     * @template T
     *
     * @param  \Closure(): T  $work
     * @return T
     */
    public function asLead(\Closure $work): mixed
    {
        return $this->scope()->technician($this->lead->id, $work);
    }

    private function address(): string
    {
        return 'maud-' . Str::lower(Str::random(8)) . '@saltmarsh.example';
    }

    private function letterTo(string $to): string
    {
        $letters = array_values(array_filter(
            $this->wire->letters(),
            static fn (string $letter): bool => str_contains(quoted_printable_decode($letter), $to),
        ));
        self::assertNotSame([], $letters);

        return quoted_printable_decode(end($letters));
    }

    private function codeSentTo(string $to): string
    {
        self::assertSame(1, preg_match('~/join#([\w-]{32})~', $this->letterTo($to), $found));

        return $found[1];
    }

    /** @return array<string, mixed> */
    private function grantOf(string $signIn): array
    {
        $grants = array_column(
            $this->actingAs($this->lead)->getJson('/api/people')->assertOk()->json('people'),
            'grants',
            'signIn',
        )[$signIn];
        self::assertIsArray($grants[0]);

        return $grants[0];
    }
}
