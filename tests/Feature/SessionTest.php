<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Technician;
use App\Security\Totp;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Testing\TestResponse;

final class SessionTest extends FeatureTestCase
{
    private const PASSWORD = 'a password of the test';

    public function test_signing_in_says_who_one_is_and_what_time_it_is(): void
    {
        $this->signIn($this->lead)->assertOk()
            ->assertJsonPath('technician.signIn', $this->lead->sign_in)
            ->assertJsonPath('technician.mayTakeOn', true)
            ->assertJsonPath('now', '2026-12-01T18:05:00+00:00')
            ->assertJsonPath('clockStandsStill', true);
        $this->getJson('/api/session')->assertJsonPath('technician.name', $this->lead->name);

        $this->deleteJson('/api/session')->assertNoContent();
        $this->getJson('/api/session')->assertJsonPath('technician', null);
    }

    /** A house of real customers has no such sign-in: BeginTest. */
    public function test_the_demo_tells_its_sign_in_only_to_whoever_is_not_signed_in(): void
    {
        $this->getJson('/api/session')->assertJsonPath('demo.signIn', 'lena@saltmarsh.example');
        $this->signIn($this->lead)->assertJsonPath('demo', null);
    }

    public function test_each_technician_says_how_times_days_and_numbers_are_read(): void
    {
        $usual = ['clock' => '24', 'days' => 'dayFirst', 'numbers' => 'comma'];
        $own = ['clock' => '12', 'days' => 'monthFirst', 'numbers' => 'space'];
        $this->actingAs($this->lead);
        $this->getJson('/api/session')->assertJsonPath('technician.manner', $usual);
        $this->putJson('/api/session/manner', $own)->assertOk()->assertJsonPath('technician.manner', $own);
        $this->getJson('/api/session')->assertJsonPath('technician.manner', $own);
        $this->putJson('/api/session/manner', ['clock' => '13'] + $own)->assertStatus(422)
            ->assertJsonPath('errors.0.pointer', '/clock');

        $this->actingAs($this->technician())->getJson('/api/session')->assertJsonPath('technician.manner', $usual);
    }

    public function test_a_wrong_password_and_an_unknown_name_get_the_same_answer(): void
    {
        $wrong = $this->signIn($this->lead, 'not this')->assertStatus(422);
        $unknown = $this->postJson(
            '/api/session',
            ['signIn' => 'nobody@saltmarsh.example', 'password' => 'not this'],
        )->assertStatus(422);

        self::assertSame($wrong->json(), $unknown->json());
    }

    public function test_passwords_are_kept_hashed_and_secrets_encrypted(): void
    {
        $this->actingAs($this->lead)->postJson('/api/second-factor', ['password' => self::PASSWORD])->assertCreated();
        $row = DB::table('technicians')->where('id', $this->lead->id)->first();

        self::assertTrue(Hash::check(self::PASSWORD, $row->password));
        self::assertDoesNotMatchRegularExpression('/^[A-Z2-7]{32}$/', $row->totp_secret);
    }

    public function test_too_many_tries_at_one_name_are_stopped_whoever_makes_them(): void
    {
        for ($try = 1; $try <= 8; $try++) {
            $this->withServerVariables(['REMOTE_ADDR' => "10.9.8.{$try}"]);
            $this->signIn($this->lead, 'not this')->assertStatus(422);
        }

        $this->signIn($this->lead)->assertStatus(429)->assertHeader('Retry-After');
        $this->signIn($this->technician())->assertOk();
    }

    public function test_the_second_factor_is_asked_for_only_once_a_first_code_confirmed_it(): void
    {
        $secret = $this->begin();
        $this->signIn($this->lead)->assertOk();

        $this->actingAs($this->lead)->putJson('/api/second-factor', ['code' => '000000'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.pointer', '/code');
        $codes = $this->putJson('/api/second-factor', ['code' => $this->code($secret)])->assertOk()
            ->json('recoveryCodes');
        self::assertCount(8, $codes);

        $this->signOut();
        $this->signIn($this->lead)->assertStatus(422)->assertJsonPath('errors.0.pointer', '/code');
        $this->signIn($this->lead, code: '123456')->assertStatus(422);
        self::assertNull($this->getJson('/api/session')->json('technician'));
        $this->signIn($this->lead, code: $this->code($secret, 1))->assertOk()
            ->assertJsonPath('technician.secondFactor', true);
    }

    public function test_a_code_is_taken_once_and_a_recovery_code_too(): void
    {
        $secret = $this->begin();
        $code = $this->code($secret);
        $codes = $this->actingAs($this->lead)->putJson('/api/second-factor', ['code' => $code])
            ->json('recoveryCodes');

        $this->signOut();
        $this->signIn($this->lead, code: $code)->assertStatus(422);
        $this->signIn($this->lead, code: strtoupper($codes[2]))->assertOk();
        $this->signOut();
        $this->signIn($this->lead, code: $codes[2])->assertStatus(422);
        $this->signIn($this->lead, code: $codes[3])->assertOk();
    }

    public function test_switching_it_off_wants_the_password(): void
    {
        $secret = $this->begin();
        $this->actingAs($this->lead)->putJson('/api/second-factor', ['code' => $this->code($secret)])->assertOk();

        $this->deleteJson('/api/second-factor', ['password' => 'not this'])->assertStatus(422)
            ->assertJsonPath('errors.0.pointer', '/password');
        $this->deleteJson('/api/second-factor', ['password' => self::PASSWORD])->assertNoContent();
        $this->signOut();
        $this->signIn($this->lead)->assertOk()->assertJsonPath('technician.secondFactor', false);
    }

    public function test_a_second_device_cannot_be_set_up_over_the_first(): void
    {
        $secret = $this->begin();
        $this->actingAs($this->lead)->putJson('/api/second-factor', ['code' => $this->code($secret)])->assertOk();

        $this->postJson('/api/second-factor', ['password' => self::PASSWORD])->assertStatus(422);
    }

    /** Source: RFC 6238 appendix B, tests/data/totp_vectors.csv (from memory; equal to another implementation's). */
    public function test_codes_are_those_of_the_standard(): void
    {
        $checked = 0;
        foreach ((array) file(dirname(__DIR__) . '/data/totp_vectors.csv', FILE_IGNORE_NEW_LINES) as $line) {
            $cells = explode(',', (string) $line);
            if ($cells[0] === 'SHA1') {
                $step = intdiv((int) $cells[2], Totp::STEP_SECONDS);
                self::assertSame(
                    [$cells[3], $cells[4]],
                    [Totp::code($cells[1], $step, 8), Totp::code($cells[1], $step)],
                );
                $checked++;
            }
        }
        self::assertSame(6, $checked);
    }

    public function test_a_clock_half_a_minute_off_is_forgiven_and_a_minute_is_not(): void
    {
        $secret = Totp::newSecret();
        $now = 1_700_000_010;
        $step = intdiv($now, 30);

        self::assertSame($step - 1, Totp::check($secret, Totp::code($secret, $step - 1), $now, null));
        self::assertSame($step + 1, Totp::check($secret, Totp::code($secret, $step + 1), $now, null));
        self::assertNull(Totp::check($secret, Totp::code($secret, $step + 2), $now, null));
        self::assertNull(Totp::check($secret, Totp::code($secret, $step), $now, $step));
    }

    private function signIn(Technician $who, string $password = self::PASSWORD, ?string $code = null): TestResponse
    {
        return $this->postJson(
            '/api/session',
            ['signIn' => strtoupper($who->sign_in), 'password' => $password, 'code' => $code],
        );
    }

    private function signOut(): void
    {
        $this->deleteJson('/api/session')->assertNoContent();
        $this->app->make('auth')->forgetGuards();
    }

    private function begin(): string
    {
        $secret = $this->actingAs($this->lead)->postJson('/api/second-factor', ['password' => self::PASSWORD])
            ->assertCreated()
            ->json('secret');
        self::assertIsString($secret);

        return $secret;
    }

    private function code(string $secret, int $later = 0): string
    {
        return Totp::code($secret, intdiv(time(), Totp::STEP_SECONDS) + $later);
    }
}
