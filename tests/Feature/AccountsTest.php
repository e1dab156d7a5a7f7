<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use App\Models\Technician;
use App\Security\PasswordStrength;
use App\Security\Totp;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Database\Events\TransactionCommitted;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\Support\ByToken;
use Tests\Feature\Support\Contract;

/** Accounts, tokens and sign-ins, as somebody would attack them. */
final class AccountsTest extends FeatureTestCase
{
    use ByToken;

    private const PASSWORD = 'a password of the test';

    private const NEW = 'lantern over nine piers';

    /** Whatever a reading token sends, on whatever route, nothing is changed by it. */
    public function test_a_token_never_does_more_than_its_scope_on_any_route(): void
    {
        $customer = $this->takeOn();
        $tokens = ['read' => $this->token('read'), 'edit' => $this->token('edit')];
        $readsByPost = [
            '/findings/export', '/stock/read', '/taking-on/preview', '/taking-on/paste',
            '/customers/{customer}/people/read',
            '/customers/{customer}/calls', '/customers/{customer}/calls/completions',
            '/customers/{customer}/history/read', '/customers/{customer}/hours', '/customers/{customer}/calendars',
            '/customers/{customer}/outbound/dial', '/customers/{customer}/proof/{run}/call',
            '/customers/{customer}/live/read', '/customers/{customer}/ports/read', '/customers/{customer}/meant',
            '/customers/{customer}/identity/read',
        ];
        $needsPush = [
            'post /customers/{customer}/pushes',
            'post /customers/{customer}/pushes/{push}/stop',
            'post /customers/{customer}/ports/{port}/sending',
            'post /customers/{customer}/ports/{port}/withdrawal',
            'put /customers/{customer}/switch',
        ];
        $checked = 0;
        foreach (Contract::load()->operations() as $operation) {
            [$method, $path] = explode(' ', $operation);
            if (
                $method === 'get'
                || in_array($path, $readsByPost, true)
                || str_starts_with($path, '/joining')
                || str_starts_with($path, '/where')
                || $path === '/password-letters'
                || ($path === '/session' && $method === 'post')
            ) {
                continue;
            }
            $address = '/api' . strtr($path, [
                '{customer}' => $customer['key'], '{threshold}' => 'mostChoices', '{no}' => '1', '{run}' => '0',
                '{session}' => str_repeat('0', 20),
                '{prompt}' => 'welcome', '{fingerprint}' => str_repeat('0', 32), '{id}' => (string) Str::uuid(),
                '{push}' => (string) Str::uuid(), '{waiver}' => '1', '{number}' => '+19025550110',
                '{technician}' => $this->lead->id,
            ]);
            $address = (string) preg_replace('/\{\w+\}/', (string) Str::uuid(), $address);
            $this->asProgram($tokens['read'])->json($method, $address, ['value' => 4])->assertStatus(403);
            if (in_array($operation, $needsPush, true)) {
                $this->asProgram($tokens['edit'])->json($method, $address, [
                    'switch' => 'file-switch',
                ] + self::port($customer['number']))->assertStatus(403);
            }
            $checked++;
        }
        self::assertGreaterThan(40, $checked);
        // What costs is no program's to order, whoever leads: it waits for a person.
        $order = ['id' => (string) Str::uuid(), 'numbers' => ['+16175550198'], 'onceCents' => 0, 'monthlyCents' => 150,
            'currency' => 'CAD'];
        $this->asProgram($tokens['edit'])->postJson('/api/stock/orders', $order)->assertCreated()
            ->assertJsonPath('order.state', 'waiting')->assertJsonPath('order.mayDecide', false);
        $this->postJson("/api/stock/orders/{$order['id']}/decision", ['confirmed' => true])->assertForbidden();
        self::assertFalse($this->asProgram($tokens['read'])->getJson('/api/rules')->json('mayChange'));
        self::assertSame(0, DB::table('thresholds')->where('name', 'mostChoices')->count());
    }

    public function test_a_program_leaves_no_session_and_gets_no_cookie(): void
    {
        $token = $this->token('read');
        $before = DB::table('sessions')->count();

        $answer = $this->asProgram($token)->getJson('/api/customers')->assertOk();

        self::assertSame($before, DB::table('sessions')->count());
        self::assertSame([], $answer->headers->getCookies());
    }

    public function test_the_second_factor_ends_every_other_sign_in(): void
    {
        $other = $this->sessionElsewhere($this->lead);
        $secret = $this->actingAs($this->lead)->postJson('/api/second-factor', ['password' => self::PASSWORD])
            ->assertCreated()
            ->json('secret');

        $this->putJson('/api/second-factor', [
            'code' => Totp::code($secret, intdiv(time(), Totp::STEP_SECONDS)),
        ])->assertOk();

        self::assertSame(0, DB::table('sessions')->where('id', $other)->count());
    }

    public function test_a_code_that_two_looked_at_at_once_is_taken_by_one(): void
    {
        $secret = $this->actingAs($this->lead)->postJson('/api/second-factor', ['password' => self::PASSWORD])
            ->json('secret');
        $codes = $this->putJson('/api/second-factor', [
            'code' => Totp::code($secret, intdiv(time(), Totp::STEP_SECONDS) - 1),
        ])->assertOk()->json('recoveryCodes');
        $factor = $this->app->make(\App\Security\SecondFactor::class);
        // Both read the technician before either has taken anything.
        [$one, $two] = [
            Technician::query()->findOrFail($this->lead->id),
            Technician::query()->findOrFail($this->lead->id),
        ];
        $code = Totp::code($secret, intdiv(time(), Totp::STEP_SECONDS));

        self::assertSame([true, false], [$factor->take($one, $code), $factor->take($two, $code)]);
        self::assertSame([true, false], [$factor->take($one, $codes[0]), $factor->take($two, $codes[0])]);
    }

    public function test_a_password_is_changed_by_who_knows_it_and_ends_other_sign_ins(): void
    {
        $other = $this->sessionElsewhere($this->lead);
        $this->actingAs($this->lead);
        $this->putJson('/api/password', ['password' => 'not this', 'newPassword' => self::NEW])->assertStatus(422)
            ->assertJsonPath('errors.0.pointer', '/password');
        $this->putJson('/api/password', ['password' => self::PASSWORD, 'newPassword' => 'passwordpassword'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.pointer', '/newPassword');

        $this->putJson('/api/password', ['password' => self::PASSWORD, 'newPassword' => self::NEW])->assertNoContent();

        self::assertSame(0, DB::table('sessions')->where('id', $other)->count());
        $this->signIn($this->lead, self::PASSWORD)->assertStatus(422);
        $this->signIn($this->lead, self::NEW)->assertOk();
    }

    public function test_a_long_password_is_kept_whole(): void
    {
        $long = str_repeat('harbour lantern tide ', 9);
        $this->actingAs($this->lead)->putJson('/api/password', ['password' => self::PASSWORD, 'newPassword' => $long])
            ->assertNoContent();

        $this->signIn($this->lead, substr($long, 0, 72))->assertStatus(422);
        $this->signIn($this->lead, substr($long, 0, 100) . 'x')->assertStatus(422);
        $this->signIn($this->lead, $long)->assertOk();
    }

    public function test_a_password_made_before_is_taken_and_kept_anew(): void
    {
        DB::table('technicians')->where('id', $this->lead->id)
            ->update(['password' => password_hash(self::PASSWORD, PASSWORD_BCRYPT)]);

        $this->signIn($this->lead, self::PASSWORD)->assertOk();

        self::assertStringStartsWith(
            '$argon2id$',
            (string) DB::table('technicians')->where('id', $this->lead->id)->value('password'),
        );
        $this->signIn($this->lead, self::PASSWORD)->assertOk();
    }

    public function test_a_forgotten_password_is_set_by_letter_once(): void
    {
        $other = $this->sessionElsewhere($this->lead);
        $this->postJson('/api/password-letters', ['signIn' => 'nobody@saltmarsh.example'])->assertStatus(202);
        $this->postJson('/api/password-letters', ['signIn' => mb_strtoupper($this->lead->sign_in)])->assertStatus(202);
        $letters = array_values(array_filter(
            array_map(quoted_printable_decode(...), $this->wire->letters()),
            fn (string $letter): bool => str_contains($letter, $this->lead->sign_in),
        ));
        self::assertCount(1, $letters);
        self::assertSame(1, preg_match('~/new-password#([\w-]{32})~', $letters[0], $found));
        self::assertStringNotContainsString(
            $found[1],
            json_encode(DB::table('password_letters')->get(), JSON_THROW_ON_ERROR),
        );

        $this->putJson('/api/password-letters', ['code' => $found[1], 'password' => $this->lead->sign_in])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.pointer', '/password');
        $this->putJson('/api/password-letters', ['code' => $found[1], 'password' => self::NEW])->assertNoContent();

        self::assertSame(0, DB::table('sessions')->where('id', $other)->count());
        $this->putJson(
            '/api/password-letters',
            ['code' => $found[1], 'password' => 'another of nine words'],
        )->assertStatus(410);
        $this->putJson('/api/password-letters', ['code' => 'made-up', 'password' => self::NEW])->assertStatus(410);
        $this->signIn($this->lead, self::NEW)->assertOk();
    }

    public function test_no_more_than_three_letters_an_hour_go_to_one_person(): void
    {
        for ($time = 0; $time < 5; $time++) {
            $this->withServerVariables(['REMOTE_ADDR' => "10.8.7.{$time}"])
                ->postJson('/api/password-letters', ['signIn' => $this->lead->sign_in])
                ->assertStatus(202);
        }

        self::assertSame(3, DB::table('password_letters')->where('technician_id', $this->lead->id)->count());
    }

    #[DataProvider('weak')]
    public function test_what_is_guessed_first_is_refused(string $password): void
    {
        self::assertNotNull(
            (
                new PasswordStrength(['maud.ferrier@saltmarsh.example', 'Maud Ferrier', 'Saltmarsh Voice'])
            )->wrongWith($password),
        );
    }

    /** @return iterable<array{string}> */
    public static function weak(): iterable
    {
        foreach (
            [
                'passwordpassword', 'Password123456', 'P@ssw0rd2026!', 'aaaaaaaaaaaa', 'abababababab', '123456789012',
                'qwertyuiop12', 'maud.ferrier@saltmarsh.example', 'MaudFerrier2026', 'saltmarshvoice1',
                'welcome-welcome', 'tide-table-2026', 'letmeinletmein', 'elevenchars', "twelve\0chars!",
                'Summer2026Summer', 'iloveyou1234',
            ] as $password
        ) {
            yield $password => [$password];
        }
    }

    #[DataProvider('strong')]
    public function test_several_words_or_a_long_random_one_are_taken(string $password): void
    {
        self::assertNull(
            (
                new PasswordStrength(['maud.ferrier@saltmarsh.example', 'Maud Ferrier', 'Saltmarsh Voice'])
            )->wrongWith($password),
        );
    }

    /** @return iterable<array{string}> */
    public static function strong(): iterable
    {
        foreach (
            [
                self::NEW, 'a password of the test', 'Kj8$wqZ!p2Lm', 'цветок на причале', 'correct harbour nine',
                'vT9#kkQx21!z', str_repeat('long words ', 15),
            ] as $password
        ) {
            yield $password => [$password];
        }
    }

    public function test_a_closed_account_opens_nothing_and_is_no_longer_listed(): void
    {
        $sol = $this->technician();
        $this->grant($sol, null, Ability::Push);
        $token = $this->token('read', $sol);
        $this->asPerson($sol)->deleteJson("/api/people/{$this->lead->id}")->assertForbidden();
        $this->asPerson($this->lead)->deleteJson("/api/people/{$this->lead->id}")->assertForbidden();

        $this->asPerson($this->lead)->deleteJson("/api/people/{$sol->id}")->assertNoContent();

        $this->signIn($sol, self::PASSWORD)->assertStatus(422);
        $this->asProgram($token)->getJson('/api/customers')->assertStatus(401);
        self::assertNotContains(
            $sol->sign_in,
            array_column($this->asPerson($this->lead)->getJson('/api/people')->json('people'), 'signIn'),
        );
        $this->deleteJson("/api/people/{$sol->id}")->assertNotFound();
    }

    public function test_a_grant_says_for_whom(): void
    {
        $sol = $this->technician();
        foreach (
            [
                [], ['customer' => ''], ['customer' => null], ['customer' => 'x', 'everyCustomer' => true],
                ['everyCustomer' => false],
            ] as $for
        ) {
            $this->actingAs($this->lead)
                ->postJson('/api/people/grants', ['signIn' => $sol->sign_in, 'ability' => 'push', ...$for])
                ->assertStatus(422);
        }
        self::assertSame(
            [],
            $this->getJson('/api/people')->json('people')[array_search(
                $sol->sign_in,
                array_column($this->getJson('/api/people')->json('people'), 'signIn'),
                true,
            )]['grants'],
        );
    }

    public function test_who_may_do_nothing_sees_no_colleagues_and_no_stock(): void
    {
        $this->stockNumber();
        $gone = $this->technician();

        self::assertSame([], $this->actingAs($gone)->getJson('/api/findings')->assertOk()->json('technicians'));
        self::assertSame([], $this->getJson('/api/stock')->assertOk()->json('numbers'));
    }

    public function test_a_push_ends_when_its_grant_does(): void
    {
        $customer = $this->takeOn();
        $sol = $this->technician();
        $this->grant($sol, $customer['id'], Ability::Push);
        $push = $this->actingAs($sol)->postJson("/api/customers/{$customer['key']}/pushes")
            ->assertStatus(202)
            ->json('id');
        $grant = array_column(
            $this->actingAs($this->lead)->getJson('/api/people')->json('people'),
            'grants',
            'signIn',
        )[$sol->sign_in][0]['id'];
        $this->deleteJson("/api/people/grants/{$grant}")->assertNoContent();

        self::assertNull($this->app->make(\App\Push\PushRunner::class)->carryOn($customer['id'], $sol->id, $push));

        $ended = $this->getJson("/api/customers/{$customer['key']}/pushes/{$push}")->assertOk()->json();
        self::assertSame('stopped', $ended['status']);
        self::assertStringContainsString('may not push here any more', $ended['reason']);
        self::assertSame('done', $this->push($customer['key'])['status']);
    }

    public function test_a_push_whose_grant_stands_is_not_ended_by_the_way_out(): void
    {
        $customer = $this->takeOn();
        $push = $this->actingAs($this->lead)->postJson("/api/customers/{$customer['key']}/pushes")
            ->assertStatus(202)
            ->json('id');

        self::assertFalse(
            DB::selectOne('select roster_end_push(?, ?, ?) as ended', [$customer['id'], $push, 'x'])->ended,
        );

        $this->work($customer['key'], $push);
        self::assertSame('done', $this->getJson("/api/customers/{$customer['key']}/pushes/{$push}")->json('status'));
    }

    public function test_ports_are_of_the_customer_s_own_numbers(): void
    {
        $customer = $this->takeOn();
        $other = $this->takeOn();

        foreach ([$other['number'], $this->stockNumber()] as $number) {
            $this->actingAs($this->lead)->postJson("/api/customers/{$customer['key']}/ports", self::port($number))
                ->assertStatus(422)
                ->assertJsonPath('errors.0.pointer', '/numbers/0');
        }
    }

    /** What is taken in one order here and in another there waits for itself. */
    public function test_the_line_of_the_roster_is_held_before_findings_are_written_everywhere(): void
    {
        $customer = $this->takeOn();
        $this->push($customer['key']);
        $done = '';
        DB::listen(static function (QueryExecuted $query) use (&$done): void {
            $done .= match (true) {
                preg_match(
                    '/^select .* from "tenant_summaries" .*for update|^insert into "tenant_summaries"/',
                    $query->sql,
                ) === 1 => 'L',
                preg_match('/^(?:insert into|update|delete from) "findings"/', $query->sql) === 1 => 'f',
                default => '',
            };
        });
        $this->app->make('events')->listen(TransactionCommitted::class, static function () use (&$done): void {
            $done .= '|';
        });

        $this->edit($customer['key'], [
            ['object' => 'user:ines-marsh', 'path' => 'display', 'value' => 'Ines'],
        ])->assertOk();
        $this->enter($customer['key'])->assertCreated();
        $this->push($customer['key']);
        $this->readAgain($customer['key']);
        $this->postJson('/api/audits')->assertStatus(202);

        foreach (explode('|', $done) as $transaction) {
            self::assertDoesNotMatchRegularExpression('/^f/', $transaction, $done);
        }
        self::assertStringContainsString('Lf', $done);
    }

    public function test_only_the_newest_reading_is_kept(): void
    {
        $customer = $this->takeOn();
        $this->push($customer['key']);
        $this->readAgain($customer['key']);
        $this->readAgain($customer['key']);

        self::assertSame(1, $this->scope()->tenant(
            $this->lead->id,
            $customer['key'],
            Ability::Read,
            static fn (): int => DB::table('live_snapshots')->count(),
        ));
    }

    public function test_behind_a_proxy_that_is_trusted_people_are_told_apart(): void
    {
        \Illuminate\Http\Middleware\TrustProxies::at(['10.0.0.9']);
        $from = fn (string $address): int => $this->withServerVariables(['REMOTE_ADDR' => '10.0.0.9'])
            ->withHeader('X-Forwarded-For', $address)
            ->signIn($this->lead, 'not this')->baseResponse
            ->getStatusCode();
        for ($try = 0; $try < 31; $try++) {
            DB::table('cache')->where('key', 'like', '%sign-in:%')->delete();
            $last = $from('203.0.113.7');
        }
        DB::table('cache')->where('key', 'like', '%sign-in:%')->delete();

        self::assertSame([429, 422], [$last, $from('203.0.113.8')]);
        \Illuminate\Http\Middleware\TrustProxies::flushState();
    }

    private function signIn(Technician $who, string $password): \Illuminate\Testing\TestResponse
    {
        $this->flushHeadersBut();
        $this->app->make('auth')->forgetGuards();

        return $this->postJson('/api/session', ['signIn' => $who->sign_in, 'password' => $password]);
    }

    private function flushHeadersBut(): void
    {
        unset($this->defaultHeaders['Authorization']);
    }

    /** A row as another browser of theirs has left it. */
    private function sessionElsewhere(Technician $of): string
    {
        $id = Str::random(40);
        DB::table('sessions')->insert(['id' => $id, 'user_id' => $of->id, 'payload' => '', 'last_activity' => time()]);

        return $id;
    }
}
