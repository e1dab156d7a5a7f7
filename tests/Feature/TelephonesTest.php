<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Standins\Shared\Request as StandinRequest;

/** Telephones from the book to a rack that fetches and registers, and back to the desk. */
final class TelephonesTest extends FeatureTestCase
{
    private const MAC = '020000000041';

    public function test_a_telephone_is_pushed_with_a_secret_registers_and_is_seen(): void
    {
        $at = $this->customerWithATelephone();
        $this->getJson("{$at}/telephones")->assertOk()->assertJsonPath('heard', [])
            ->assertJsonPath('codes.pickUp', '*8');
        self::assertSame(404, $this->rack('GET', self::MAC, 'x')[0]);

        $push = $this->push(basename($at));
        self::assertSame('done', $push['status'], (string) $push['reason']);
        self::assertSame(['never'], $this->states($at));

        $this->plugIn();
        self::assertSame(['registered'], $this->states($at));
        $heard = $this->getJson("{$at}/telephones")->json('heard.0');
        self::assertSame(['4.2.1', '10.0.0.65', true], [$heard['firmware'], $heard['address'], $heard['isCurrent']]);

        $this->rack('DELETE', self::MAC . '/here', $this->login());
        self::assertSame(['lost'], $this->states($at));
        self::assertSame(401, $this->rack('GET', self::MAC, 'WrongWrongWrong1')[0]);
        self::assertSame(['refused'], $this->states($at));
    }

    public function test_one_that_keeps_its_old_configuration_is_told_after_a_push(): void
    {
        $at = $this->customerWithATelephone();
        $this->push(basename($at));
        $this->plugIn(keeps: 1);
        $this->edit(basename($at), [['object' => 'device:front', 'path' => 'keys', 'value' => [
            ['item' => 'pick-up', 'at' => 2, 'kind' => 'pickUp'],
        ]]])->assertOk();
        $this->enter(basename($at))->assertCreated();
        self::assertSame('done', $this->push(basename($at))['status']);

        self::assertSame(['registered'], $this->states($at));
        self::assertFalse($this->getJson("{$at}/telephones")->json('heard.0.isCurrent'));
        // Plugged in anew it fetches what is so now.
        $this->plugIn();
        self::assertSame(['registered'], $this->states($at));
        self::assertTrue($this->getJson("{$at}/telephones")->json('heard.0.isCurrent'));
    }

    public function test_a_new_secret_shuts_the_old_one_out_once_it_is_pushed(): void
    {
        $at = $this->customerWithATelephone();
        $this->push(basename($at));
        $this->plugIn();
        $old = $this->login();

        $this->postJson("{$at}/telephones/front/secret")->assertOk()
            ->assertJsonPath('secrets.device:front.isSent', false);
        self::assertSame(200, $this->rack('GET', self::MAC, $old)[0]);
        $this->getJson("{$at}/live")->assertJsonPath('pinsToTell', ['device:front']);
        self::assertSame('done', $this->push(basename($at))['status']);

        self::assertSame(401, $this->rack('GET', self::MAC, $old)[0]);
        $this->plugIn();
        self::assertSame(['registered'], $this->states($at));
        $this->postJson("{$at}/telephones/nobody/secret")->assertStatus(422)
            ->assertJsonPath('errors.0.detail', 'it has no hardware address in the book as entered');
        $this->postJson("{$at}/secrets/reveal", ['object' => 'device:front'])->assertStatus(422);
    }

    public function test_whoever_asks_again_at_once_is_told_the_same_and_the_switch_is_left_alone(): void
    {
        $at = $this->customerWithATelephone();
        $this->push(basename($at));
        $asked = 0;
        $this->wire->interfere = static function (Request $request) use (&$asked): null {
            $asked += str_ends_with($request->url(), '/handsets') ? 1 : 0;

            return null;
        };
        DB::table('telephones_heard')->update(['asked_at' => '2020-01-01']);
        $tag = $this->getJson("{$at}/telephones")->assertOk()->headers->get('ETag');
        foreach (range(1, 5) as $_) {
            $this->getJson("{$at}/telephones", ['If-None-Match' => (string) $tag])->assertStatus(304);
        }

        self::assertSame(1, $asked);
    }

    public function test_a_switch_that_cannot_be_asked_leaves_what_was_known_and_says_so(): void
    {
        $at = $this->customerWithATelephone();
        $this->push(basename($at));
        $this->plugIn();
        self::assertSame(['registered'], $this->states($at));
        $this->wire->interfere = static fn (Request $request) => str_ends_with($request->url(), '/handsets')
            ? Http::response('', 500)
            : null;
        $this->askAnew($at);
        $told = $this->getJson("{$at}/telephones")->assertOk();

        self::assertSame('registered', $told->json('heard.0.state'));
        self::assertIsString($told->json('trouble'));
    }

    /** @return string the customer's address */
    private function customerWithATelephone(): string
    {
        $customer = $this->takeOn()['key'];
        $this->edit($customer, [
            ['op' => 'create', 'object' => 'device:front', 'path' => '', 'value' => [
                'name' => 'Front desk', 'model' => 'harbour-12', 'hardware' => '02-00-00-00-00-41',
                'site' => 'site:office',
                'lines' => [['user' => 'user:ines-marsh']], 'keys' => [['item' => 'own', 'at' => 1, 'kind' => 'line']],
            ]],
            ['object' => 'user:ines-marsh', 'path' => 'legs/desk/device', 'value' => 'device:front'],
        ])->assertOk();
        $this->enter($customer)->assertCreated();

        return "/api/customers/{$customer}";
    }

    /** @return list<string> */
    private function states(string $at): array
    {
        $this->askAnew($at);

        return array_column((array) $this->getJson("{$at}/telephones")->assertOk()->json('heard'), 'state');
    }

    /** Within seconds nobody asks the switch again. */
    private function askAnew(string $at): void
    {
        $this->scope()->tenant(
            $this->lead->id,
            basename($at),
            \App\Models\Ability::Read,
            static fn () => DB::table('telephones_heard')->update(['asked_at' => '2020-01-01']),
        );
    }

    private function plugIn(int $keeps = 0): void
    {
        [$status, $configuration] = $this->rack('GET', self::MAC, $this->login());
        self::assertSame(200, $status);
        $this->rack('PUT', self::MAC . '/here', $this->login(), [
            'make' => 'harbour-12', 'firmware' => '4.2.1', 'address' => '10.0.0.65', 'keeps' => $keeps,
            'config' => $configuration['version'],
        ]);
    }

    /** What whoever unpacks a telephone holds in hand. */
    private function login(): string
    {
        $rows = $this->wire->byHand('GET', '/provision')['rows'];

        return (string) array_column($rows, 'login', 'mac')[self::MAC];
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array{int, array<string, mixed>}
     */
    private function rack(string $method, string $path, string $login, array $body = []): array
    {
        $answer = $this->wire->switch->handle(new StandinRequest(
            $method,
            "/provision/{$path}",
            ['authorization' => 'Basic ' . base64_encode(self::MAC . ":{$login}")],
            body: $body === [] ? '' : json_encode($body, JSON_THROW_ON_ERROR),
        ));

        return [$answer->status, (array) json_decode($answer->body, true)];
    }
}
