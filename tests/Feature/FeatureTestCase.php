<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Access\Scope;
use App\House\House;
use App\House\Settings;
use App\Models\Ability;
use App\Models\Technician;
use App\Push\PushRunner;
use App\TakingOn\Templates;
use App\Time\Clock;
use App\Time\FixedClock;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Sleep;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Jaunty\Core\Book\BookFormat;
use Standins\Shared\Request as StandinRequest;
use Tests\Feature\Support\Contract;
use Tests\Feature\Support\TestDatabase;
use Tests\Feature\Support\Wire;
use Tests\Feature\Support\WriteRoutes;

/**
 * Over HTTP, on real PostgreSQL as the application's own role, with the practice switch inside the test. Nothing is
 * rolled back or emptied: each test makes technicians and customers of its own.
 */
abstract class FeatureTestCase extends TestCase
{
    protected Wire $wire;

    protected Technician $lead;

    private static int $made = 0;

    /** @var array<string, \PDO> by database */
    private static array $owners = [];

    /** @var array<string, string> by password */
    private static array $hashes = [];

    public function createApplication(): Application
    {
        $_ENV['DB_DATABASE'] = TestDatabase::name();
        putenv("DB_DATABASE={$_ENV['DB_DATABASE']}");
        /** @var Application $app */
        $app = require dirname(__DIR__, 2) . '/bootstrap/app.php';
        $app->make(Kernel::class)->bootstrap();
        $app->make('config')->set([
            'roster.switches.practice-switch.url' => 'http://switch.test',
            'roster.switches.practice-switch.token' => Wire::TOKEN,
            'roster.post' => ['url' => 'http://post.test'],
            'roster.studio' => ['url' => 'http://studio.test', 'token' => Wire::TOKEN],
            'roster.carrier' => ['url' => 'http://carrier.test', 'token' => Wire::TOKEN],
        ]);

        return $app;
    }

    protected function setUp(): void
    {
        parent::setUp();
        // Waits between tries take no time here.
        Sleep::fake();
        $this->wire = new Wire($this->app->make(Clock::class)->now()->getTimestamp());
        $this->app->make(Templates::class)->ship(base_path('templates'));
        $this->lead = $this->technician(lead: true);
        $this->grant($this->lead, null, Ability::Push);
        if (! $this->app->make(House::class)->hasBegun()) {
            $this->settle([]);
        }
        // Another address for each test: what one throttles is not the next one's trouble.
        $this->withServerVariables(
            ['REMOTE_ADDR' => '10.' . random_int(0, 255) . '.' . random_int(0, 255) . '.' . random_int(1, 254)],
        );
    }

    protected function tearDown(): void
    {
        // Not left to the garbage collector: a thousand tests would hold more connections than the server has.
        foreach (DB::getConnections() as $connection) {
            $connection->disconnect();
        }
        parent::tearDown();
    }

    /** Every answer of the API is held against the contract. */
    public function call(
        $method,
        $uri,
        $parameters = [],
        $cookies = [],
        $files = [],
        $server = [],
        $content = null,
    ): TestResponse {
        // A request finds no controller of an earlier one.
        foreach (Route::getRoutes()->getRoutes() as $route) {
            $route->flushController();
        }
        $path = (string) parse_url($uri, PHP_URL_PATH);
        $entries = self::entries();
        $response = parent::call($method, $uri, $parameters, $cookies, $files, $server, $content);
        if ($response->baseResponse->isSuccessful()) {
            WriteRoutes::check($method, $path, self::entries() - $entries);
        }
        if (str_starts_with($path, '/api/') && $response->baseResponse->getStatusCode() !== 405) {
            Contract::load()->check($method, substr($path, 4), $response->baseResponse);
        }

        return $response;
    }

    protected function technician(bool $lead = false, string $password = 'a password of the test'): Technician
    {
        $id = (string) Str::uuid();
        // Hashing is slow by design; a tenth of a second for each person of each test is a minute for all.
        $hash = self::$hashes[$password] ??= Hash::make($password);

        return Technician::query()->create([
            'id' => $id, 'sign_in' => "t-{$id}@saltmarsh.example", 'name' => 'Technician ' . substr($id, 0, 4),
            'initials' => 'TT', 'password' => $hash, 'lead' => $lead,
        ])->refresh();
    }

    protected function grant(
        Technician $to,
        ?string $tenantId,
        Ability $ability,
        ?\DateTimeInterface $until = null,
    ): void {
        $this->scope()->technician($this->lead->id, fn (): bool => DB::table('grants')->insert([
            'id' => (string) Str::uuid(), 'technician_id' => $to->id, 'tenant_id' => $tenantId,
            'ability' => $ability->value, 'given_by' => $this->lead->id, 'until' => $until,
        ]));
    }

    /** @param array<string, mixed> $settings besides whose house it is and where */
    protected function settle(array $settings): void
    {
        // Whatever was required before: the lead has what it takes while this is settled.
        $lead = DB::table('technicians')->where('id', $this->lead->id);
        $had = (clone $lead)->value('totp_confirmed_at');
        (clone $lead)->update(['totp_confirmed_at' => now()]);
        $this->scope()->technician($this->lead->id, fn () => $this->app->make(House::class)->write(
            $this->lead->id,
            Settings::of(
                ['reseller' => 'Saltmarsh Voice', 'region' => 'CA-NS', 'zone' => 'America/Halifax', ...$settings],
            )->toArray(),
            [],
            $this->app->make(Clock::class)->now(),
        ));
        (clone $lead)->update(['totp_confirmed_at' => $had]);
        $this->app->make(House::class)->forget();
    }

    /** How many entries were ever begun in the log of this process's database. */
    private static function entries(): int
    {
        $owner = self::$owners[TestDatabase::name()] ??= TestDatabase::owner();
        $row = $owner->query('select last_value - (not is_called)::int as told from activity_id_seq');

        return $row === false ? 0 : (int) $row->fetchColumn();
    }

    /** A number that the carrier gave out: ordered by the lead, in service with the customer. */
    protected function orderedNumber(string $customer, string $prefix): string
    {
        $offer = $this->actingAs($this->lead)->getJson("/api/stock/offers?prefix={$prefix}&count=1")->json('offers.0');
        $this->postJson('/api/stock/orders', [
            'id' => (string) Str::uuid(), 'numbers' => [$offer['number']], 'onceCents' => 0,
            'monthlyCents' => $offer['monthlyCents'], 'currency' => $offer['currency'],
        ])->assertCreated();
        $this->edit($customer, [[
            'op' => 'create', 'object' => "number:{$offer['number']}", 'path' => '', 'value' => [],
        ]])->assertOk();
        $this->enter($customer)->assertCreated();

        return $offer['number'];
    }

    /** A free number in stock that no other test has. */
    protected function stockNumber(): string
    {
        $number = sprintf('+1506%07d', 2_000_000 + ++self::$made);
        $this->scope()->technician($this->lead->id, static fn (): bool => DB::table('numbers')->insert(
            ['e164' => $number, 'region' => 'CA'],
        ));

        return $number;
    }

    /** A line that was measured, a floor with a plan, and somebody who said where they work. */
    protected function placesInFull(string $customer): void
    {
        $this->postJson("/api/customers/{$customer}/sites/office/line", self::lineGiven(['down' => 48]))
            ->assertCreated();
        $this->edit($customer, [['object' => 'site:office', 'path' => 'floors', 'value' => [
            ['item' => 'ground', 'name' => 'Ground floor'],
        ]]])->assertOk();
        $this->call('POST', "/api/customers/{$customer}/sites/office/plans?floor=ground", content: self::picture())
            ->assertCreated();
        $this->postJson('/api/where', [
            'code' => $this->askedWhere($customer, 'ines-marsh'), 'street' => '7 Shore Road', 'city' => 'Port Merrow',
            'postcode' => 'B0X 1X0', 'country' => 'CA',
        ])->assertNoContent();
    }

    /** @return string the code of the letter */
    protected function askedWhere(string $customer, string $user, string $language = 'en'): string
    {
        $this->postJson("/api/customers/{$customer}/elsewhere/{$user}", [
            'to' => 'ines@inlet.example', 'language' => $language,
        ])->assertCreated();
        $letters = $this->wire->letters();
        self::assertSame(1, preg_match('~/where#([\w-]{32})~', (string) end($letters), $found));

        return $found[1];
    }

    /** The smallest of pictures. */
    protected static function picture(): string
    {
        return (string) base64_decode('R0lGODlhAwACAIAAAAAAAP///yH5BAAAAAAALAAAAAADAAIAAAIChF8AOw==', true);
    }

    /**
     * What was measured of a line, as it is sent.
     *
     * @param  array<string, mixed>  $given
     * @return array<string, mixed>
     */
    protected static function lineGiven(array $given): array
    {
        return $given + [
            'at' => '2026-12-01T14:00', 'down' => null, 'up' => null, 'roundTrip' => null, 'jitter' => null,
            'loss' => null, 'ownNetwork' => null, 'backup' => null, 'codec' => 'g711', 'packetMs' => 20,
            'calls' => null,
        ];
    }

    /**
     * A customer taken on over HTTP by the lead.
     *
     * @return array{key: string, id: string, number: string}
     */
    protected function takeOn(?string $name = null): array
    {
        $number = $this->stockNumber();
        $name ??= 'Customer ' . Str::random(12);
        $key = $this->actingAs($this->lead)->postJson('/api/taking-on', ['template' => 'one-line-office', 'answers' => [
            'name' => $name, 'zone' => 'America/Halifax', 'mainNumber' => $number, 'messages' => 'Ines Marsh',
        ]])
            ->assertCreated()->json('customer');
        self::assertIsString($key);

        return ['key' => $key, 'id' => $this->tenantId($key), 'number' => $number];
    }

    /**
     * A customer whose book is empty, made by hand so that many are made quickly and their lines are as a test needs
     * them.
     *
     * @param  array<string, mixed>  $fields  of its row
     * @param  array<string, mixed>  $summary
     * @return array{id: string, key: string}
     */
    protected function bareCustomer(string $name, array $fields = [], array $summary = []): array
    {
        $id = (string) Str::uuid();
        $key = 'bare-' . Str::lower(Str::random(12));
        $this->scope()->newTenant($this->lead->id, $id, static function () use (
            $id,
            $key,
            $name,
            $fields,
            $summary,
        ): void {
            DB::table('tenants')->insert([
                'id' => $id, 'key' => $key, 'name' => $name, 'stage' => 'building', 'region' => 'CA',
                'zone' => 'America/Halifax', 'connector' => 'practice-switch', 'head_revision' => 1, ...$fields,
            ]);
            DB::table('tenant_summaries')->insert(['tenant_id' => $id, 'summed_up_on' => '2026-12-01', ...$summary]);
            // Whoever audits every customer audits this one.
            DB::table('objects')->insert([
                'tenant_id' => $id, 'id' => (string) Str::uuid(), 'kind' => 'tenant', 'key' => $key, 'name' => $name,
                'position' => 0, 'schema_version' => BookFormat::VERSION, 'body' => json_encode(
                    ['key' => $key, 'name' => $name, 'zone' => 'America/Halifax'],
                    JSON_THROW_ON_ERROR,
                ),
            ]);
        });

        return ['id' => $id, 'key' => $key];
    }

    /**
     * A book from a file, under a key of its own and with numbers that are in stock.
     *
     * @return array<string, mixed>
     */
    protected function bookFrom(string $file, bool $stocked = true): array
    {
        $json = (string) file_get_contents(base_path($file));
        foreach (
            array_column((array) json_decode($json, true, flags: JSON_THROW_ON_ERROR)['numbers'], 'key') as $number
        ) {
            $json = str_replace(
                $number,
                $stocked ? $this->stockNumber() : sprintf('+1506%07d', random_int(7_000_000, 7_999_999)),
                $json,
            );
        }
        // A device is at one customer.
        $json = (string) preg_replace_callback(
            '/("hardware":\s*)"[0-9a-f]{12}"/',
            static fn (array $found): string => $found[1] . '"' . bin2hex(random_bytes(6)) . '"',
            $json,
        );
        $value = (array) json_decode($json, true, flags: JSON_THROW_ON_ERROR);
        $value['tenant'] = ['key' => 'book-' . Str::lower(Str::random(10))] + $value['tenant'];

        return $value;
    }

    /** @return array<string, mixed> an order for a port, as the form sends it */
    protected static function port(string $number): array
    {
        return [
            'reference' => (string) Str::uuid(), 'numbers' => [$number], 'name' => 'Inlet', 'street' => '21 Inlet View',
            'city' => 'Quay End', 'postcode' => 'B0X 1X0', 'losingCarrier' => 'Harbour Telephone', 'account' => 'HT-1',
            'signatory' => 'Ines Marsh', 'day' => '2026-12-14',
        ];
    }

    /**
     * A port written down, with its papers, and sent.
     *
     * @param  array<string, mixed>  $said  as the form sends it
     * @return array<string, mixed> as it stands then
     */
    protected function sentPort(string $customer, array $said): array
    {
        $at = "/api/customers/{$customer}/ports";
        $id = $this->postJson($at, $said)->assertCreated()->json('port.id');
        $this->paper("{$at}/{$id}", 'authority')->assertCreated();
        $this->paper("{$at}/{$id}", 'bill', '2026-11-20')->assertCreated();

        return $this->postJson("{$at}/{$id}/sending")->assertOk()->json('port');
    }

    protected function paper(
        string $port,
        string $paper,
        ?string $dated = null,
        string $bytes = '%PDF-1.4 a page',
    ): TestResponse {
        return $this->call('POST', "{$port}/papers?" . http_build_query(array_filter([
            'paper' => $paper, 'name' => "{$paper}.pdf", 'dated' => $dated,
        ])), content: $bytes, server: [
            'HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/octet-stream',
        ]);
    }

    /**
     * The carrier's day begins, or it does something else that only it and its tests can.
     *
     * @param  array<string, mixed>  $body
     * @param  array<string, string>  $query
     * @return array<mixed> its answer
     */
    protected function atTheCarrier(string $path, array $body, string $method = 'POST', array $query = []): array
    {
        $response = $this->wire->carrier->handle(new StandinRequest(
            $method,
            $path,
            ['authorization' => 'Bearer ' . Wire::TOKEN],
            $query,
            json_encode($body, JSON_THROW_ON_ERROR),
        ));
        self::assertLessThan(300, $response->status, $response->body);

        return (array) json_decode($response->body, true);
    }

    /** @return array<string, mixed> a customer's line on the Roster of whoever is signed in */
    protected function onRoster(string $customer): array
    {
        return $this->getJson('/api/roster/lines?' . http_build_query(['keys' => [$customer]]))->assertOk()
            ->assertJsonCount(1, 'customers')->json('customers.0');
    }

    /** @return list<array<string, mixed>> the findings of a customer, as the list of all customers has them */
    protected function foundAt(string $customer, string $kind = 'standing'): array
    {
        return array_column($this->getJson('/api/findings/rows?' . http_build_query(
            ['by' => 'customer', 'group' => $customer, 'kind' => $kind, 'from' => 0],
        ))->assertOk()->json('lines'), 'line');
    }

    protected function tenantId(string $key): string
    {
        $id = $this->scope()->technician(
            $this->lead->id,
            static fn (): mixed => DB::table('tenants')->where('key', $key)->value('id'),
        );
        self::assertIsString($id);

        return $id;
    }

    /** @param list<array{object: string, path: string, value: mixed}> $edits */
    protected function edit(string $customer, array $edits, ?Technician $by = null): TestResponse
    {
        return $this->actingAs($by ?? $this->lead)->postJson(
            "/api/customers/{$customer}/draft/edits",
            ['edits' => $edits],
        );
    }

    protected function enter(string $customer, ?Technician $by = null, ?string $note = null): TestResponse
    {
        return $this->actingAs($by ?? $this->lead)->postJson(
            "/api/customers/{$customer}/draft/enter",
            ['note' => $note],
        );
    }

    /**
     * Asks for a push and works through it as the worker would, waits left out. @return array<string, mixed> the push
     * at its end
     */
    protected function push(string $customer, mixed $only = null): array
    {
        $push = $this->actingAs($this->lead)->postJson("/api/customers/{$customer}/pushes", ['only' => $only])
            ->assertStatus(202)
            ->json();
        self::assertIsArray($push);
        $this->work($customer, $push['id']);
        $ended = $this->getJson("/api/customers/{$customer}/pushes/{$push['id']}")->assertOk()->json();
        self::assertIsArray($ended);

        return $ended;
    }

    protected function work(string $customer, string $push, int $mostSlices = 60): void
    {
        $id = $this->tenantId($customer);
        for ($slice = 0; $slice < $mostSlices; $slice++) {
            if ($this->app->make(PushRunner::class)->carryOn($id, $this->lead->id, $push) === null) {
                return;
            }
        }
        self::fail("the push has not ended after {$mostSlices} slices");
    }

    protected function clockAt(string $instant): void
    {
        $this->app->instance(Clock::class, new FixedClock($instant));
    }

    /** @return list<array{object: string, path: string, value: string}> edits that complete an address */
    protected static function addressed(string $street, string $postcode = 'B0X 1X0'): array
    {
        $parts = ['street' => $street, 'city' => 'Port Merrow', 'postcode' => $postcode, 'country' => 'CA',
            'subdivision' => 'CA-NS'];

        return array_map(static fn (string $part): array => [
            'object' => 'site:office', 'path' => "address/{$part}", 'value' => $parts[$part],
        ], array_keys($parts));
    }

    /** @return array<string, mixed> a test call for help that showed a wrong number, at noon of the tests' day */
    protected static function failedTest(): array
    {
        return [
            'at' => '2026-12-01T14:05', 'caller' => 'user:ines-marsh', 'numberShown' => '+19025550199',
            'addressRead' => '14 Ardent Road', 'passed' => false,
        ];
    }

    /** As a worker does; what this process took for other tests before is not its to stop for. */
    protected function workThroughQueue(): void
    {
        Artisan::call('queue:work', ['--stop-when-empty' => true, '--memory' => 1024]);
    }

    /** @return list<array<string, mixed>> the differences of a fresh reading */
    protected function readAgain(string $customer): array
    {
        $differences = $this->actingAs($this->lead)->postJson("/api/customers/{$customer}/live/read")
            ->assertOk()
            ->json('differences');
        self::assertIsArray($differences);

        return $differences;
    }

    protected function scope(): Scope
    {
        return $this->app->make(Scope::class);
    }
}
