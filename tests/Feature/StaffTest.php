<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use App\Models\Technician;
use App\Security\Totp;
use App\Time\Clock;
use App\Time\FixedClock;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Tests\Feature\Support\ByToken;
use Tests\Feature\Support\TestDatabase;

/** Leads, who is switched off, what a second factor is required for, and glass that is broken. */
final class StaffTest extends FeatureTestCase
{
    use ByToken;

    private const PASSWORD = 'a password of the test';

    protected function tearDown(): void
    {
        $this->settle([]);
        parent::tearDown();
    }

    public function test_a_lead_is_made_and_unmade_but_never_the_last_one(): void
    {
        // Alone in the house, for as long as this takes.
        $owner = TestDatabase::owner();
        $others = $owner->query("select id from technicians where lead and id <> '{$this->lead->id}'")
            ->fetchAll(\PDO::FETCH_COLUMN);
        $list = "'" . implode("','", $others ?: ['00000000-0000-0000-0000-000000000000']) . "'";
        $owner->exec("update technicians set lead = false where id in ({$list})");
        try {
            $sol = $this->technician();
            $lead = fn (Technician $by, Technician $of, bool $leads): TestResponse => $this->asPerson($by->refresh())
                ->putJson("/api/people/{$of->id}/lead", ['lead' => $leads]);
            $lead($sol, $sol, true)->assertForbidden();
            $lead($this->lead, $this->lead, false)->assertForbidden()
                ->assertJsonPath('detail', 'Nobody would be left who leads. Make somebody else a lead first.');
            $lead($this->lead, $sol, true)->assertNoContent();
            $lead($this->lead, $this->lead, false)->assertNoContent();
            $lead($this->lead, $sol, false)->assertForbidden();
            $this->asPerson($sol->refresh())->deleteJson("/api/people/{$sol->id}")->assertForbidden();
            $lead($sol, $this->lead, true)->assertNoContent();
            foreach (['yes', 1, null] as $nonsense) {
                $this->asPerson($sol)->putJson("/api/people/{$this->lead->id}/lead", ['lead' => $nonsense])
                    ->assertUnprocessable();
            }
        } finally {
            $owner->exec("update technicians set lead = true where id in ({$list})");
        }
    }

    public function test_whoever_is_switched_off_leaves_nothing_behind(): void
    {
        $customer = $this->takeOn();
        [$sol, $ada] = [$this->technician(), $this->technician()];
        $this->grant($sol, $customer['id'], Ability::Push);
        DB::table('sessions')->insert(['id' => "of-{$sol->id}", 'user_id' => $sol->id, 'payload' => '',
            'last_activity' => time()]);
        $token = $this->token('read', $sol);
        $finding = $this->asPerson($this->lead)->getJson("/api/customers/{$customer['key']}/margin")
            ->json('findings.0.fingerprint');
        $this->putJson("/api/customers/{$customer['key']}/findings/{$finding}", [
            'assignee' => $sol->id, 'due' => '2026-12-24',
        ])->assertSuccessful();
        TestDatabase::owner()->exec('alter table tenants no force row level security; '
            . "update tenants set looked_after_by = '{$sol->id}' where id = '{$customer['id']}'; "
            . 'alter table tenants force row level security');
        $this->settle(['nightlyAs' => $sol->id]);

        $leaves = $this->asPerson($this->lead)->getJson("/api/people/{$sol->id}/leaves")->assertOk()->json();
        self::assertSame([1, 1, true], [$leaves['findings'], $leaves['grants'], $leaves['isNightly']]);
        self::assertCount(1, $leaves['customers']);
        $this->deleteJson("/api/people/{$sol->id}", ['heir' => $sol->id])->assertForbidden();
        $this->deleteJson("/api/people/{$sol->id}", ['heir' => 'xx'])->assertUnprocessable();
        $this->deleteJson("/api/people/{$sol->id}", ['heir' => $ada->id])->assertNoContent();

        $this->asProgram($token)->getJson('/api/customers')->assertStatus(401);
        self::assertSame(0, DB::table('sessions')->where('user_id', $sol->id)->count());
        $this->asPerson($ada)->getJson("/api/customers/{$customer['key']}/desk")->assertOk()
            ->assertJsonPath('may', 'push');
        $this->asPerson($this->lead)->getJson("/api/people/{$ada->id}/leaves")->assertJson([
            'findings' => 1, 'grants' => 1, 'isNightly' => true,
        ]);
        $this->getJson('/api/settings')->assertJsonPath('nightlyAs', $ada->sign_in);
    }

    public function test_a_grant_holds_from_its_first_day_to_its_last_by_the_houses_own_clock(): void
    {
        $customer = $this->takeOn();
        $sol = $this->technician();
        $give = fn (array $days): TestResponse => $this->asPerson($this->lead)->postJson('/api/people/grants', [
            'signIn' => $sol->sign_in, 'customer' => $customer['key'], 'ability' => 'read', ...$days,
        ]);
        $give(['from' => '2026-12-24', 'until' => '2026-12-23'])->assertUnprocessable()
            ->assertJsonPath('errors.0.detail', 'It would end before it begins.');
        $give(['until' => '2999-01-01'])->assertUnprocessable();
        $give(['from' => 'tomorrow'])->assertUnprocessable();
        $give(['from' => '2026-12-10', 'until' => '2026-12-11'])->assertCreated();

        // Halifax is four hours behind UTC in winter.
        foreach ([
            '2026-12-01T18:05:00Z' => 404, '2026-12-10T03:59:00Z' => 404, '2026-12-10T04:01:00Z' => 200,
            '2026-12-12T03:59:00Z' => 200, '2026-12-12T04:01:00Z' => 404,
        ] as $at => $status) {
            $this->app->instance(Clock::class, new FixedClock($at));
            $this->app->forgetScopedInstances();
            self::assertSame(
                [$at, $status],
                [$at, $this->asPerson($sol)->getJson("/api/customers/{$customer['key']}/desk")->status()],
            );
        }
    }

    public function test_what_costs_is_ordered_by_leads_and_billers(): void
    {
        $order = fn (Technician $by, int $cents = 1): TestResponse => $this->asPerson($by)
            ->postJson('/api/stock/orders', [
                'id' => (string) Str::uuid(), 'numbers' => ['+16175550199'], 'onceCents' => 0,
                'monthlyCents' => $cents, 'currency' => 'CAD',
            ]);
        [$pusher, $biller, $reader] = [$this->technician(), $this->technician(), $this->technician()];
        $this->grant($pusher, null, Ability::Push);
        $this->grant($biller, null, Ability::Bill);
        $this->grant($reader, null, Ability::Read);
        $order($reader)->assertForbidden();
        $waiting = $order($pusher)->assertCreated()->assertJsonPath('order.state', 'waiting')
            ->assertJsonPath('order.mayDecide', false)->json('order.id');
        $decide = fn (Technician $by, string $id): TestResponse => $this->asPerson($by)
            ->postJson("/api/stock/orders/{$id}/decision", ['confirmed' => true]);
        $decide($pusher, $waiting)->assertForbidden();
        // At another price than the carrier's nothing is ordered, and why is said.
        $refused = $decide($biller, $waiting)->assertOk()->assertJsonPath('order.state', 'refused')->json('order');
        self::assertStringContainsString('charge must be agreed', (string) $refused['trouble']);
        self::assertSame($biller->name, $refused['decidedBy']);
        $decide($biller, $waiting)->assertConflict();
        // Above the limit of the house a lead confirms what a biller asks for.
        $this->settle(['orderLimitCents' => 149]);
        $large = $order($biller, 150)->assertCreated()->assertJsonPath('order.state', 'waiting')->json('order.id');
        $decide($biller, $large)->assertConflict();
        $this->asPerson($this->lead)->postJson("/api/stock/orders/{$large}/decision", ['confirmed' => false])
            ->assertUnprocessable();
        $this->postJson("/api/stock/orders/{$large}/decision", ['confirmed' => false, 'reason' => 'too many'])
            ->assertOk()->assertJsonPath('order.trouble', 'too many');
        $this->settle(['orderLimitCents' => null]);
        // Of books a biller changes none.
        $customer = $this->takeOn();
        $this->asPerson($biller)->getJson("/api/customers/{$customer['key']}/desk")->assertOk()
            ->assertJsonPath('may', 'read');
        $this->edit($customer['key'], [['object' => 'user:ines-marsh', 'path' => 'email', 'value' => null]], $biller)
            ->assertForbidden();
    }

    public function test_a_second_factor_is_asked_for_where_the_house_says_so(): void
    {
        $customer = $this->takeOn();
        $sol = $this->technician();
        $this->grant($sol, null, Ability::Push);
        $edit = fn (): TestResponse => $this->edit(
            $customer['key'],
            [['object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'a@inlet.example']],
            $sol,
        );
        $this->settle(['secondFactorFor' => ['push']]);
        $edit()->assertOk();
        $this->postJson("/api/customers/{$customer['key']}/pushes")->assertForbidden()
            ->assertJsonPath('detail', 'Here a second factor is required to push to the switch for customers, and '
                . 'yours is off. Switch it on under Second factor, then go on.');
        $this->settle(['secondFactorFor' => ['edit']]);
        $edit()->assertForbidden();
        $this->getJson("/api/customers/{$customer['key']}/desk")->assertOk()->assertJsonPath('may', 'read');
        $this->settle(['secondFactorFor' => ['read', 'lead']]);
        $this->getJson("/api/customers/{$customer['key']}/desk")->assertForbidden();
        $this->getJson('/api/customers')->assertForbidden();
        $this->asPerson($this->lead)->getJson('/api/people')->assertForbidden();

        // What it takes to switch it on is open all the same.
        $this->asPerson($sol)->getJson('/api/session')->assertOk()
            ->assertJsonPath('technician.needsSecondFactor', ['read', 'lead'])
            ->assertJsonPath('technician.mayTakeOn', false);
        $secret = $this->postJson('/api/second-factor', ['password' => self::PASSWORD])->json('secret');
        $this->putJson('/api/second-factor', ['code' => Totp::code($secret, intdiv(time(), Totp::STEP_SECONDS))])
            ->assertOk();
        $this->asPerson($sol->refresh())->getJson("/api/customers/{$customer['key']}/desk")->assertOk()
            ->assertJsonPath('may', 'push');
    }

    public function test_a_colleague_who_lost_the_device_or_the_password_is_let_in_again_by_a_lead(): void
    {
        $sol = $this->technician();
        $secret = $this->asPerson($sol)->postJson('/api/second-factor', ['password' => self::PASSWORD])
            ->json('secret');
        $this->putJson('/api/second-factor', ['code' => Totp::code($secret, intdiv(time(), Totp::STEP_SECONDS))]);
        $this->asPerson($sol)->deleteJson("/api/people/{$this->lead->id}/second-factor")->assertForbidden();
        $this->asPerson($this->lead)->deleteJson("/api/people/{$this->lead->id}/second-factor")->assertForbidden();

        $this->deleteJson("/api/people/{$sol->id}/second-factor")->assertNoContent();
        $this->postJson("/api/people/{$sol->id}/password-letters")->assertNoContent();

        self::assertFalse($sol->refresh()->usesSecondFactor());
        $letters = implode("\n", array_filter(
            $this->wire->letters(),
            static fn (string $letter): bool => str_contains($letter, $sol->sign_in),
        ));
        self::assertStringContainsString('reset the second factor of your sign-in', $letters);
        self::assertSame(1, preg_match('~new-password#([\w-]{32})~', $letters, $found));
        $this->putJson('/api/password-letters', ['code' => $found[1], 'password' => 'wet gannets on a pier'])
            ->assertNoContent();
    }

    public function test_broken_glass_opens_one_customer_for_two_hours_and_leads_read_of_it_at_once(): void
    {
        $customer = $this->takeOn($name = 'Glass ' . bin2hex(random_bytes(6)));
        $sol = $this->technician();
        $break = fn (array $said): TestResponse => $this->asPerson($sol)->postJson('/api/broken-glass', $said + [
            'customer' => $name, 'ability' => 'push', 'reason' => 'their lines are down and it is night',
        ]);
        $this->asPerson($sol)->getJson("/api/customers/{$customer['key']}/desk")->assertNotFound();
        $break(['customer' => substr($name, 0, 9)])->assertNotFound();
        $break(['reason' => 'please'])->assertUnprocessable();
        $break(['ability' => 'bill'])->assertUnprocessable();
        $break([])->assertCreated()->assertJsonPath('customer', $customer['key'])
            ->assertJsonPath('until', '2026-12-01T20:05:00+00:00');

        $this->getJson("/api/customers/{$customer['key']}/desk")->assertOk()->assertJsonPath('may', 'push');
        $letters = implode("\n", $this->wire->letters());
        self::assertStringContainsString("{$sol->name} broke the glass for {$name}", $letters);
        self::assertStringContainsString($this->lead->sign_in, $letters);
        self::assertStringContainsString('their lines are down', $letters);
        $this->app->instance(Clock::class, new FixedClock('2026-12-01T20:06:00Z'));
        $this->app->forgetScopedInstances();
        $this->asPerson($sol)->getJson("/api/customers/{$customer['key']}/desk")->assertNotFound();
    }

    public function test_blockers_shut_the_gate_where_the_house_says_so(): void
    {
        $customer = $this->takeOn();
        $sol = $this->technician();
        $this->grant($sol, null, Ability::Push);
        $this->scope()->tenant($this->lead->id, $customer['key'], Ability::Edit, static fn (): int => DB::table(
            'findings',
        )->limit(1)->update(['severity' => 'blocker']));
        $ask = fn (Technician $by): TestResponse => $this->asPerson($by)->postJson(
            "/api/customers/{$customer['key']}/pushes",
        );
        $this->settle(['pushWithBlockers' => 'shut']);
        $ask($this->lead)->assertConflict()->assertJsonPath('title', 'Not pushed');
        $this->settle(['pushWithBlockers' => 'leads']);
        $ask($sol)->assertConflict();
        $ask($this->lead)->assertStatus(202);
    }

    public function test_one_sign_in_is_ended_and_the_others_stay(): void
    {
        foreach (['here', 'there'] as $place) {
            DB::table('sessions')->insert(['id' => "{$place}-{$this->lead->id}", 'user_id' => $this->lead->id,
                'payload' => '', 'ip_address' => $place, 'last_activity' => time()]);
        }
        $sessions = $this->asPerson($this->lead)->getJson('/api/sessions')->assertOk()->json('sessions');
        $id = array_column($sessions, 'id', 'address')['there'];
        self::assertStringNotContainsString($this->lead->id, (string) json_encode($sessions));

        $this->asPerson($this->technician())->deleteJson("/api/sessions/{$id}")->assertNotFound();
        $this->asPerson($this->lead)->deleteJson("/api/sessions/{$id}")->assertNoContent();
        $left = DB::table('sessions')->where('user_id', $this->lead->id)->pluck('id')->all();
        self::assertContains("here-{$this->lead->id}", $left);
        self::assertNotContains("there-{$this->lead->id}", $left);
        $this->deleteJson("/api/sessions/{$id}")->assertNotFound();
    }
}
