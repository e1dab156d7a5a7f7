<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Log\ActivityDesk;
use App\Models\Ability;
use App\Models\Technician;
use App\Security\Totp;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Feature\Support\ByToken;
use Tests\Feature\Support\TestDatabase;
use Tests\Feature\Support\WriteRoutes;

/** What was done is told once, to whoever may read it, and cannot be untold. */
final class ActivityTest extends FeatureTestCase
{
    use ByToken;

    private const PASSWORD = 'a password of the test';

    /** Each request of the suite is held to one entry (FeatureTestCase::call); here every route is called. */
    public function test_every_route_that_writes_leaves_one_entry(): void
    {
        WriteRoutes::forget();
        $this->account();
        $this->staff();
        $this->fleet();
        $customer = $this->takeOn();
        $this->book($customer['key']);
        $this->besideTheBook($customer['key']);

        self::assertSame([], WriteRoutes::unseen());
    }

    private function account(): void
    {
        $me = $this->technician();
        $signIn = ['signIn' => $me->sign_in, 'password' => self::PASSWORD];
        $this->postJson('/api/session', $signIn)->assertOk();
        $this->deleteJson('/api/session')->assertNoContent();
        $this->actingAs($me)->putJson('/api/session/manner', [
            'clock' => '12', 'days' => 'dayFirst', 'numbers' => 'space',
        ])->assertOk();
        $this->deleteJson('/api/sessions')->assertOk();
        DB::table('sessions')->insert([
            'id' => Str::random(40), 'user_id' => $me->id, 'payload' => '', 'last_activity' => time(),
        ]);
        $elsewhere = $this->getJson('/api/sessions')->json('sessions.0.id');
        $this->deleteJson("/api/sessions/{$elsewhere}")->assertNoContent();
        $secret = $this->postJson('/api/second-factor', ['password' => self::PASSWORD])->json('secret');
        $code = Totp::code($secret, intdiv(time(), Totp::STEP_SECONDS));
        $this->putJson('/api/second-factor', ['code' => $code])->assertOk();
        $this->deleteJson('/api/second-factor', ['password' => self::PASSWORD])->assertNoContent();
        $token = $this->postJson('/api/api-tokens', ['name' => 'cron', 'scope' => 'read'])->json('id');
        $this->deleteJson("/api/api-tokens/{$token}")->assertNoContent();
        $this->postJson('/api/feed')->assertCreated();
        $this->deleteJson('/api/feed')->assertNoContent();
        $new = 'wet gannets on a pier';
        $this->putJson('/api/password', ['password' => self::PASSWORD, 'newPassword' => $new])->assertNoContent();
        $this->postJson('/api/password-letters', ['signIn' => $me->sign_in])->assertStatus(202);
        self::assertSame(1, preg_match('~new-password#([\w-]{32})~', implode("\n", $this->wire->letters()), $found));
        $this->putJson('/api/password-letters', ['code' => $found[1], 'password' => "{$new} again"])
            ->assertNoContent();
    }

    private function staff(): void
    {
        // From elsewhere: so many passwords are not tried from one place in a minute.
        $this->withServerVariables(['REMOTE_ADDR' => '10.9.8.7'])->asPerson($this->lead);
        $sol = $this->technician();
        $grants = ['signIn' => $sol->sign_in, 'everyCustomer' => true, 'ability' => 'read'];
        $this->postJson('/api/people/grants', $grants)->assertCreated();
        $people = array_column($this->getJson('/api/people')->json('people'), null, 'signIn');
        $this->deleteJson("/api/people/grants/{$people[$sol->sign_in]['grants'][0]['id']}")->assertNoContent();
        $this->putJson("/api/people/{$sol->id}/lead", ['lead' => true])->assertNoContent();
        $this->deleteJson("/api/people/{$sol->id}/second-factor")->assertNoContent();
        $this->postJson("/api/people/{$sol->id}/password-letters")->assertNoContent();
        $this->deleteJson("/api/people/{$sol->id}")->assertNoContent();
        $new = 'maud-' . Str::lower(Str::random(6)) . '@saltmarsh.example';
        $this->postJson('/api/people/grants', ['signIn' => $new] + $grants)->assertCreated();
        $open = static fn (array $all): string => array_column($all, 'id', 'signIn')[$new];
        $invitation = $open($this->getJson('/api/people')->json('invitations'));
        $this->postJson("/api/people/invitations/{$invitation}/send")->assertNoContent();
        $this->deleteJson("/api/people/invitations/{$invitation}")->assertNoContent();
        $this->postJson('/api/people/grants', ['signIn' => $new] + $grants)->assertCreated();
        preg_match_all('~join#([\w-]{32})~', implode("\n", $this->wire->letters()), $codes);
        $joined = false;
        foreach (array_reverse($codes[1]) as $code) {
            $answer = $this->postJson('/api/joining', [
                'code' => $code, 'name' => 'Maud Petrel', 'password' => 'wet gannets on a pier',
            ]);
            $joined = $joined || $answer->status() === 201;
        }
        self::assertTrue($joined);
        $this->asPerson($this->lead)->putJson('/api/settings', ['lettersAt' => '06:31'])->assertOk();
        $this->putJson('/api/settings', ['lettersAt' => '06:30'])->assertOk();
        $this->postJson('/api/settings/letter')->assertNoContent();
    }

    private function fleet(): void
    {
        $biller = $this->technician();
        $this->grant($biller, null, Ability::Push);
        $offer = $this->getJson('/api/stock/offers?prefix=1506555&count=2')->json('offers');
        $order = static fn (array $one): array => [
            'id' => (string) Str::uuid(), 'numbers' => [$one['number']], 'onceCents' => $one['onceCents'],
            'monthlyCents' => $one['monthlyCents'], 'currency' => $one['currency'],
        ];
        $this->asPerson($biller)->postJson('/api/stock/orders', $first = $order($offer[0]))->assertCreated();
        $this->asPerson($this->lead);
        $this->postJson("/api/stock/orders/{$first['id']}/decision", ['confirmed' => true])->assertOk();
        $this->postJson("/api/stock/orders/{$first['id']}/again")->assertOk();
        $this->postJson('/api/stock/reservations', ['numbers' => [$offer[1]['number']], 'until' => '2026-12-20'])
            ->assertCreated();
        $this->postJson('/api/stock/returns', ['numbers' => [$offer[1]['number']]])->assertOk();
        $this->postJson('/api/stock/rests/ends', ['numbers' => [$offer[1]['number']], 'reason' => 'never rung'])
            ->assertOk();
        // The demo of another test orders these where there is none yet.
        TestDatabase::owner()->exec("delete from numbers where e164 in ('{$offer[0]['number']}', "
            . "'{$offer[1]['number']}')");
        $number = sprintf('+1506%07d', random_int(4_000_000, 4_999_999));
        $this->postJson('/api/stock', ['numbers' => [$number]])->assertCreated();
        $this->postJson('/api/stock/removals', ['numbers' => [$number]])->assertOk()->assertJsonPath('gone', 1);
        $this->putJson('/api/digest', ['wanted' => true])->assertNoContent();
        $this->postJson('/api/digest')->assertOk();
        $run = $this->postJson('/api/audits')->assertSuccessful()->json('run.id');
        $this->postJson("/api/audits/{$run}/stop")->assertOk();
        $this->postJson("/api/audits/{$run}/resume")->assertOk();
        $this->putJson('/api/thresholds/mostChoices', ['value' => 8])->assertOk();
        $this->putJson('/api/thresholds/mostChoices', ['value' => null])->assertOk();
        $set = (string) Str::uuid();
        $this->putJson("/api/taking-on/answers/{$set}", [
            'template' => 'one-line-office', 'answers' => ['name' => 'Half'],
        ])->assertSuccessful();
        $this->deleteJson("/api/taking-on/answers/{$set}")->assertNoContent();
        $inlet = $this->postJson('/api/taking-on/book', $this->bookFrom('docs/examples/inlet.json'))
            ->assertCreated()->json('customer');
        $this->edit($inlet, [['object' => 'group:desk', 'path' => 'noAnswerSeconds', 'value' => 20]])->assertOk();
        $this->enter($inlet)->assertCreated();
        $mendable = array_values(array_filter(
            $this->getJson("/api/customers/{$inlet}/margin")->json('findings'),
            static fn (array $each): bool => $each['fix'] !== null,
        ));
        $this->postJson("/api/customers/{$inlet}/findings/fixes", [
            'fingerprints' => [$mendable[0]['fingerprint']], 'enter' => true,
        ])->assertOk();
    }

    private function book(string $customer): void
    {
        $at = "/api/customers/{$customer}";
        $email = static fn (string $value): array => [
            ['object' => 'user:ines-marsh', 'path' => 'email', 'value' => $value],
        ];
        $this->edit($customer, $email('a@inlet.example'))->assertOk();
        $this->deleteJson("{$at}/draft")->assertSuccessful();
        $this->postJson("{$at}/draft/restore")->assertOk();
        $this->postJson("{$at}/draft/leave-out", ['object' => 'user:ines-marsh', 'path' => 'email'])->assertOk();
        $this->postJson("{$at}/draft/objects", ['objects' => [['kind' => 'mailbox', 'name' => 'Desk']]])->assertOk();
        $this->postJson("{$at}/people", ['rows' => [['name' => 'Ann Lee']]])->assertSuccessful();
        $this->enter($customer)->assertCreated();
        $this->postJson("{$at}/revisions/2/undo")->assertSuccessful();
        $given = $this->getJson("{$at}/intake")->json('applications.0.given');
        $this->postJson("{$at}/intake", ['answers' => ['messages' => 'Otis Marsh'] + $given])->assertOk();
        $this->deleteJson("{$at}/draft")->assertSuccessful();
        $this->putJson("{$at}/thresholds/mostChoices", ['value' => 8])->assertOk();
        $finding = $this->getJson("{$at}/margin")->json('findings.0.fingerprint');
        $this->putJson("{$at}/findings/{$finding}", ['assignee' => null, 'due' => null])->assertSuccessful();
        $this->postJson("{$at}/findings/waivers", ['fingerprint' => $finding, 'reason' => 'as agreed'])
            ->assertCreated();
        $waiver = $this->getJson("{$at}/margin")->json('waived.0.id');
        $this->deleteJson("{$at}/findings/waivers/{$waiver}")->assertSuccessful();
        $this->postJson("{$at}/secrets", ['object' => 'mailbox:ines-marsh'])->assertSuccessful();
        $this->postJson("{$at}/secrets/reveal", ['object' => 'mailbox:ines-marsh'])->assertOk();
        $this->edit($customer, [[
            'op' => 'create', 'object' => 'device:front', 'path' => '',
            'value' => ['name' => 'Front', 'hardware' => '02:00:00:00:00:77'],
        ]])->assertOk();
        $this->enter($customer)->assertCreated();
        $this->postJson("{$at}/telephones/front/secret")->assertOk();
        $this->edit($customer, [[
            'op' => 'create', 'object' => 'prompt:hello', 'path' => '',
            'value' => ['name' => 'Hello', 'script' => 'Thank you for calling Inlet.'],
        ]])->assertOk();
        $prompt = "{$at}/prompts/hello/recordings";
        $this->postJson("{$prompt}/speech")->assertCreated();
        $wav = (string) file_get_contents(base_path('tests/data/wav/ok_8k_mono_ulaw.wav'));
        $this->call('POST', "{$prompt}?origin=upload", server: [
            'CONTENT_TYPE' => 'audio/wav', 'HTTP_ACCEPT' => 'application/json',
        ], content: $wav)->assertCreated();
        $this->postJson("{$prompt}/1/use")->assertSuccessful();
        $this->enter($customer)->assertCreated();
    }

    private function besideTheBook(string $customer): void
    {
        $this->placesInFull($customer);
        $this->deleteJson("/api/customers/{$customer}/elsewhere/ines-marsh")->assertOk();
        $plan = $this->getJson("/api/customers/{$customer}/sites")->json('sites.0.plans.0.id');
        $this->deleteJson("/api/customers/{$customer}/plans/{$plan}")->assertOk();
        $at = "/api/customers/{$customer}";
        self::assertSame('done', $this->push($customer)['status']);
        $push = $this->postJson("{$at}/pushes", ['only' => null])->assertStatus(202)->json('id');
        $this->postJson("{$at}/pushes/{$push}/stop")->assertOk();
        $this->postJson("{$at}/signed", ['revision' => 1, 'by' => 'Ines Marsh'])->assertCreated();
        $this->edit($customer, [['object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'b@inlet.example']])
            ->assertOk();
        $this->enter($customer)->assertCreated();
        $this->readAgain($customer);
        $waiver = $this->postJson("{$at}/live/waivers", [
            'object' => 'user:ines-marsh', 'path' => 'email', 'reason' => 'while she is away',
        ])->assertCreated()->json('waived.0.id');
        $this->deleteJson("{$at}/live/waivers/{$waiver}")->assertOk();
        $number = $this->getJson("{$at}/desk")->json('objects');
        $number = array_column($number, 'key', 'kind')['number'];
        $port = $this->sentPort($customer, self::port($number))['id'];
        $this->postJson("{$at}/ports/{$port}/loan", ['until' => '2026-12-24'])->assertOk();
        $this->postJson("{$at}/ports/{$port}/withdrawal")->assertOk();
        $open = $this->postJson("{$at}/ports", self::port($number))->assertCreated()->json('port.id');
        $this->putJson("{$at}/ports/{$open}", self::port($number))->assertOk();
        $this->postJson("{$at}/ports/{$open}/withdrawal")->assertOk();
        $this->leaves($customer);
        $this->edit($customer, self::addressed('14 Ardent Road'))->assertOk();
        $this->postJson("{$at}/sites/office/address-checks")->assertCreated();
        $this->postJson("{$at}/sites/office/tests", self::failedTest())->assertCreated();
        $this->putJson("{$at}/switch", ['switch' => 'file-switch'])->assertOk();
        $this->postJson('/api/broken-glass', [
            'customer' => $customer, 'ability' => 'read', 'reason' => 'their lines are down and it is night',
        ])->assertCreated();
    }

    /** Another carrier asks for a number that ours gave out. */
    private function leaves(string $customer): void
    {
        $number = $this->orderedNumber($customer, '1617555019');
        $this->atTheCarrier('/departures', [
            'msisdns' => [ltrim($number, '+')], 'gaining' => 'Headland Telephone', 'subscriber' => 'Inlet',
            'day' => '2026-12-14', 'answer_by' => '2026-12-05',
        ]);
        $ports = $this->postJson("/api/customers/{$customer}/ports/read")->assertOk()->json('ports');
        $identity = "/api/customers/{$customer}/identity";
        $this->postJson("{$identity}/elsewhere", ['number' => '+12065550123'])->assertCreated();
        $code = $this->atTheCarrier('/codes', [], 'GET')['spoken'][0]['code'];
        $this->postJson("{$identity}/elsewhere/+12065550123", ['code' => $code])->assertOk();
        $this->deleteJson("{$identity}/elsewhere/+12065550123")->assertOk();
        $this->edit($customer, [[
            'object' => "number:{$number}", 'path' => 'callerName', 'value' => 'INLET',
        ]])->assertOk();
        $this->enter($customer)->assertCreated();
        $this->putJson("{$identity}/names/{$number}")->assertOk();
        $this->putJson("{$identity}/texting/{$number}", [
            'sender' => 'Inlet', 'purpose' => 'reminders of appointments to our own customers',
        ])->assertOk();
        $asked = array_column($ports, 'id', 'state')['asked'];
        $this->postJson("/api/customers/{$customer}/ports/{$asked}/answer", ['agreed' => true])->assertOk();
    }

    public function test_an_edit_is_told_with_before_and_after_and_found_by_customer_person_words_and_day(): void
    {
        $customer = $this->takeOn();
        $this->edit($customer['key'], [
            ['object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'new@inlet.example'],
        ])->assertOk();
        $find = fn (string $query): array => $this->getJson("/api/activity?{$query}")->assertOk()->json('entries');

        $entry = $find("customer={$customer['key']}")[0];
        self::assertSame(
            ['edited the draft', $this->lead->name, $customer['key']],
            [$entry['what'], $entry['who'], $entry['customer']],
        );
        self::assertSame([
            'object' => 'user:ines-marsh', 'path' => 'email', 'op' => 'set', 'before' => null,
            'after' => 'new@inlet.example',
        ], $entry['changes'][0]);
        $word = 'words=' . urlencode('NEW@inlet');
        self::assertSame($entry['id'], $find("{$word}&customer={$customer['key']}")[0]['id']);
        self::assertSame($entry['id'], $find('who=' . urlencode($this->lead->sign_in))[0]['id']);
        self::assertSame([], $find('words=nothing-of-the-kind'));
        self::assertSame([], $find("customer={$customer['key']}&until=2026-11-30"));
        self::assertSame($entry['id'], $find("customer={$customer['key']}&from=2026-12-01&until=2026-12-01")[0]['id']);
        foreach (['from=yesterday', 'from=2026-12-02&until=2026-12-01', 'before=xx', 'before=0'] as $bad) {
            $this->getJson("/api/activity?{$bad}")->assertUnprocessable();
        }
    }

    public function test_who_reads_what_is_by_grants(): void
    {
        [$mine, $other] = [$this->takeOn(), $this->takeOn()];
        $sol = $this->technician();
        $this->grant($sol, $mine['id'], Ability::Read);

        $read = $this->actingAs($sol)->getJson('/api/activity')->assertOk()->json('entries');
        self::assertContains($mine['key'], array_column($read, 'customer'));
        self::assertNotContains($other['key'], array_column($read, 'customer'));
        self::assertSame([], array_filter(
            $read,
            static fn (array $each): bool => $each['customer'] === null && $each['who'] !== $sol->name,
        ));
        self::assertSame([], $this->getJson("/api/activity?customer={$other['key']}")->json('entries'));
        $this->getJson("/api/customers/{$other['key']}/activity")->assertNotFound();
    }

    public function test_pages_follow_each_other_without_gap_or_repetition(): void
    {
        $customer = $this->takeOn();
        $this->scope()->tenant($this->lead->id, $customer['key'], Ability::Edit, static fn (): bool => DB::table(
            'activity',
        )->insert(array_map(static fn (int $no): array => [
            'tenant_id' => $customer['id'], 'what' => 'tried', 'detail' => json_encode(['no' => $no]),
        ], range(1, 250))));

        $nos = [];
        $before = '';
        do {
            $page = $this->actingAs($this->lead)
                ->getJson("/api/activity?customer={$customer['key']}&what=tried{$before}")->json();
            foreach ($page['entries'] as $entry) {
                $nos[] = $entry['told'][0]['said'];
            }
            $before = "&before={$page['next']}";
        } while ($page['next'] !== null);
        self::assertSame(array_map(strval(...), range(250, 1)), $nos);

        // Words are looked for in so many entries at a time, and whoever looks is told that there are more.
        $this->app->when(ActivityDesk::class)->needs('$readForWords')->give(40);
        $nos = [];
        $before = $pages = null;
        do {
            $page = $this->getJson("/api/activity?what=tried&words=%227%22{$before}")->assertOk()->json();
            $nos = [...$nos, ...array_column(array_column(array_column($page['entries'], 'told'), 0), 'said')];
            $before = "&before={$page['next']}";
        } while ($page['next'] !== null && ++$pages < 500);
        self::assertSame([], $nos);
        self::assertGreaterThan(5, $pages);
        $words = 'words=' . urlencode('": 7}');
        self::assertSame('7', $this->getJson("/api/activity?{$words}&customer={$customer['key']}")->json(
            'entries.0.told.0.said',
        ));
    }

    public function test_a_file_takes_nothing_for_a_sum_and_the_extract_tells_what_was_done_for_the_customer(): void
    {
        $customer = $this->takeOn('=1+1 Chandlery ' . Str::random(8));
        $this->edit($customer['key'], [
            ['object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'new@inlet.example'],
        ])->assertOk();
        $this->enter($customer['key'])->assertCreated();

        $csv = $this->get("/api/activity.csv?customer={$customer['key']}")->assertOk()->getContent();
        $lines = array_map(
            static fn (string $line): array => str_getcsv($line, escape: ''),
            explode("\n", trim((string) $csv)),
        );
        self::assertSame(['no', 'at', 'who', 'sign-in', 'customer', 'what', 'told', 'changes'], $lines[0]);
        self::assertStringContainsString(
            'user:ines-marsh email:  -> new@inlet.example',
            implode("\n", array_column($lines, 7)),
        );
        foreach (array_merge(...$lines) as $cell) {
            self::assertDoesNotMatchRegularExpression('/^[=+@-]/', (string) $cell);
        }

        $told = $this->getJson("/api/customers/{$customer['key']}/activity")->assertOk()->json('entries');
        self::assertSame(['entered', 'entered'], array_column($told, 'what'));
        self::assertSame([1, 2], array_column($told, 'revision'));
    }

    public function test_nobody_changes_an_entry_and_the_chain_tells_if_somebody_did_all_the_same(): void
    {
        $customer = $this->takeOn();
        foreach (['update activity set what = \'nothing\'', 'delete from activity'] as $statement) {
            try {
                $this->scope()->tenant(
                    $this->lead->id,
                    $customer['key'],
                    Ability::Push,
                    static fn (): int => DB::update("{$statement} where tenant_id = ?", [$customer['id']]),
                );
                self::fail('an entry could be rewritten');
            } catch (\Illuminate\Database\QueryException $refused) {
                self::assertStringContainsString('permission denied', $refused->getMessage());
            }
        }
        self::assertStringContainsString('every one is as it was written', $this->verified(0));

        // Whoever owns the tables and takes the guard off can; then the next look says so.
        foreach ([
            "update activity set detail = '{}' where tenant_id = '{$customer['id']}'" => 'does not say what it said',
            "delete from activity where tenant_id = '{$customer['id']}' and place = 1" => 'missing',
        ] as $tampering => $why) {
            $owner = TestDatabase::owner();
            $owner->exec('begin; alter table activity disable trigger user; alter table activity no force row level '
                . "security; create table kept as select * from activity where tenant_id = '{$customer['id']}'; "
                . "{$tampering}; alter table activity force row level security; "
                . 'alter table activity enable trigger user; commit');
            self::assertStringContainsString($why, $this->verified(1));
            $owner->exec('begin; alter table activity disable trigger user; alter table activity no force row level '
                . "security; delete from activity where tenant_id = '{$customer['id']}'; insert into activity select * "
                . 'from kept; drop table kept; alter table activity force row level security; '
                . 'alter table activity enable trigger user; commit');
            $this->verified(0);
        }
    }

    private function verified(int $code): string
    {
        $ended = Artisan::call('roster:verify-log');
        $said = Artisan::output();
        self::assertSame($code, $ended, $said);

        return $said;
    }

    /** @return array<string, mixed> */
    private function lastOf(Technician $who): array
    {
        return $this->getJson('/api/activity?who=' . urlencode($who->sign_in))->json('entries.0');
    }

    public function test_what_is_rolled_back_leaves_no_word(): void
    {
        $customer = $this->takeOn();
        $last = $this->actingAs($this->lead)->getJson('/api/activity')->json('entries.0.id');
        $this->edit($customer['key'], [['object' => 'user:ines-marsh', 'path' => 'extension', 'value' => 'xx']])
            ->assertUnprocessable();

        self::assertSame($last, $this->lastOf($this->lead)['id']);
    }
}
