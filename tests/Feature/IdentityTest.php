<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use Illuminate\Support\Facades\Artisan;

/** What a customer may show: numbers elsewhere by a code, names and texting by the network, and who vouches for it. */
final class IdentityTest extends FeatureTestCase
{
    private const ELSEWHERE = '+12065550123';

    private static int $next = 0;

    public function test_a_number_elsewhere_is_called_and_known_once_the_code_is_read_back(): void
    {
        $customer = $this->inlet()['key'];
        $at = "/api/customers/{$customer}/identity";
        $shows = [['object' => 'user:ines', 'path' => 'showsOutside', 'value' => self::ELSEWHERE]];
        $this->edit($customer, $shows)->assertOk();
        $this->enter($customer)->assertCreated();
        self::assertContains('users.shown-number-unverified', $this->rules($customer));
        self::assertSame('B', $this->dialled($customer)['claim']);

        foreach (['', 'xx', '206'] as $wrong) {
            $this->postJson("{$at}/elsewhere", ['number' => $wrong])->assertUnprocessable();
        }
        $this->postJson("{$at}/elsewhere/" . self::ELSEWHERE, ['code' => '000000'])->assertUnprocessable();
        $called = $this->postJson("{$at}/elsewhere", ['number' => '(206) 555-0123'])->assertCreated()
            ->json('elsewhere');
        self::assertSame([self::ELSEWHERE, null], [$called[0]['number'], $called[0]['verifiedAt']]);
        $code = $this->atTheCarrier('/codes', [], 'GET')['spoken'][0]['code'];
        $this->postJson("{$at}/elsewhere/" . self::ELSEWHERE, ['code' => $code === '111111' ? '111112' : '111111'])
            ->assertUnprocessable();
        $this->postJson("{$at}/elsewhere/" . self::ELSEWHERE, ['code' => 'xx'])->assertUnprocessable();
        $this->postJson("{$at}/elsewhere/" . self::ELSEWHERE, ['code' => substr($code, 0, 3) . ' ' . substr($code, 3)])
            ->assertOk();

        self::assertNotContains('users.shown-number-unverified', $this->rules($customer));
        self::assertSame('A', $this->dialled($customer)['claim']);
        // Ours and the carrier's own reckoning agree.
        self::assertSame('A', $this->atTheCarrier('/vouching', [], 'GET', ['msisdn' => '12065550123'])['level']);
        $this->deleteJson("{$at}/elsewhere/" . self::ELSEWHERE)->assertOk()->assertJsonPath('elsewhere', []);
        self::assertContains('users.shown-number-unverified', $this->rules($customer));
    }

    public function test_what_is_theirs_here_need_not_be_called_and_is_vouched_for_in_full(): void
    {
        $customer = $this->inlet();
        $at = "/api/customers/{$customer['key']}/identity";
        $this->postJson("{$at}/elsewhere", ['number' => $customer['number']])->assertUnprocessable();
        self::assertSame(
            [['number' => $customer['number'], 'level' => 'full', 'claim' => 'A']],
            array_map(static fn (array $each): array => array_diff_key($each, ['why' => true]), $this->getJson($at)
                ->assertOk()->json('levels')),
        );
        self::assertSame('A', $this->dialled($customer['key'])['claim']);
        $this->edit($customer['key'], [
            ['object' => 'user:ines', 'path' => 'withholds', 'value' => true],
            ['object' => "tenant:{$customer['key']}", 'path' => 'mayWithhold', 'value' => false],
        ])->assertOk();
        self::assertNull($this->dialled($customer['key']));
        self::assertContains('users.withholds-against-policy', $this->rules($customer['key']));
    }

    public function test_a_name_is_filed_as_the_book_has_it_refused_mended_and_agreed_to(): void
    {
        [$customer, $number] = $this->withOrdered();
        $at = "/api/customers/{$customer}/identity";
        $this->putJson("{$at}/names/{$number}")->assertUnprocessable()->assertJsonPath('errors.0.pointer', '/name');
        $this->named($customer, $number, 'SIXTEEN LETTERS!');
        $this->putJson("{$at}/names/{$number}")->assertUnprocessable();
        $this->named($customer, $number, 'QUAY POLICE');
        self::assertContains('numbers.caller-name-unfiled', $this->rules($customer));
        $this->putJson("{$at}/names/{$number}")->assertOk()->assertJsonPath('registrations.0.state', 'filed');
        self::assertNotContains('numbers.caller-name-unfiled', $this->rules($customer));

        $this->atTheCarrier('/clock', ['day' => '2026-12-02']);
        self::assertSame(0, Artisan::call('roster:numbers', ['--as' => $this->lead->sign_in]));
        $read = $this->getJson($at)->json('registrations.0');
        self::assertSame(['refused', 'POLICE may not stand in a name'], [$read['state'], $read['remark']]);
        self::assertContains('numbers.caller-name-unfiled', $this->rules($customer));
        $this->named($customer, $number, 'QUAY BOATS');
        $this->putJson("{$at}/names/{$number}")->assertOk();
        $this->atTheCarrier('/clock', ['day' => '2026-12-03']);
        $this->postJson("{$at}/read")->assertOk()->assertJsonPath('registrations.0.state', 'shown');

        $foreign = $this->inlet();
        $this->putJson("/api/customers/{$foreign['key']}/identity/names/{$number}")->assertUnprocessable();
    }

    public function test_texting_is_registered_with_sender_and_purpose(): void
    {
        [$customer, $number] = $this->withOrdered();
        $at = "/api/customers/{$customer}/identity";
        $this->edit($customer, [['object' => "number:{$number}", 'path' => 'messaging', 'value' => true]])->assertOk();
        $this->enter($customer)->assertCreated();
        self::assertContains('numbers.messaging-unregistered', $this->rules($customer));
        $said = ['sender' => 'Inlet', 'purpose' => 'reminders of appointments to our own customers'];
        foreach (['sender' => '', 'purpose' => 'ads'] as $field => $wrong) {
            $this->putJson("{$at}/texting/{$number}", [$field => $wrong] + $said)->assertUnprocessable()
                ->assertJsonPath('errors.0.pointer', "/{$field}");
        }
        $this->putJson("{$at}/texting/{$number}", $said)->assertOk();
        $this->atTheCarrier('/clock', ['day' => '2026-12-02']);
        $this->postJson("{$at}/read")->assertOk();
        self::assertNotContains('numbers.messaging-unregistered', $this->rules($customer));

        $editor = $this->technician();
        $this->grant($editor, $this->tenantId($customer), Ability::Edit);
        $this->actingAs($editor)->putJson("{$at}/texting/{$number}", $said)->assertForbidden();
    }

    public function test_which_numbers_lead_to_an_object_and_whom_a_number_lets_through(): void
    {
        $customer = $this->inlet();
        $path = "/api/customers/{$customer['key']}";
        $this->edit($customer['key'], [
            ['object' => "number:{$customer['number']}", 'path' => 'callerRules', 'value' => [
                ['item' => 'a', 'callers' => '1902x.T', 'then' => 'mailbox:desk'],
            ]],
            ['object' => "tenant:{$customer['key']}", 'path' => 'blocked', 'value' => [
                ['item' => 'b', 'callers' => 'withheld'],
            ]],
        ])->assertOk();
        $ways = $this->getJson("{$path}/leads?" . http_build_query(['object' => 'mailbox:desk']))->assertOk()
            ->json('numbers');
        self::assertContains("number:{$customer['number']}", array_column($ways, 'number'));
        $this->getJson("{$path}/leads?object=group:nobody")->assertUnprocessable();
        $this->getJson("{$path}/leads?object=xx")->assertUnprocessable();

        $try = fn (string $from): array => $this->getJson("{$path}/numbers/{$customer['number']}/caller?"
            . http_build_query(['from' => $from]))->assertOk()->json();
        self::assertSame(['blocked', null], [$try('withheld')['verdict'], $try('withheld')['rule']]);
        self::assertSame(['rule', 'a'], [$try('902 555 0123')['verdict'], $try('902 555 0123')['rule']]);
        self::assertSame('caller', $try('+442079460000')['verdict']);
        $this->getJson("{$path}/numbers/{$customer['number']}/caller?from=xx")->assertUnprocessable();
        $this->getJson("{$path}/numbers/+19025559999/caller?from=xx")->assertNotFound();
    }

    /** @return array{key: string, number: string} a customer in Nova Scotia with a way out */
    private function inlet(): array
    {
        $book = $this->bookFrom('docs/examples/inlet.json');
        $key = $this->actingAs($this->lead)->postJson('/api/taking-on/book', $book)->assertCreated()->json('customer');

        return ['key' => $key, 'number' => $book['numbers'][0]['key']];
    }

    /** @return ?array<string, string> how far a call of the only user is vouched for */
    private function dialled(string $customer): ?array
    {
        return $this->postJson("/api/customers/{$customer}/outbound/dial", [
            'who' => 'user:ines', 'digits' => '19025550199',
        ])->assertOk()->json('vouched');
    }

    /** @return array{string, string} a customer with a number that our carrier gave out */
    private function withOrdered(): array
    {
        $customer = $this->inlet()['key'];

        return [$customer, $this->orderedNumber($customer, '14165550' . 180 + self::$next++)];
    }

    private function named(string $customer, string $number, string $name): void
    {
        $edit = ['object' => "number:{$number}", 'path' => 'callerName', 'value' => $name];
        $this->edit($customer, [$edit])->assertOk();
        $this->enter($customer)->assertCreated();
    }

    /** @return list<string> */
    private function rules(string $customer): array
    {
        return array_column($this->getJson("/api/customers/{$customer}/margin")->assertOk()->json('findings'), 'rule');
    }
}
