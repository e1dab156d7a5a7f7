<?php

declare(strict_types=1);

namespace Tests\Standins;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Standins\CarrierDesk\CarrierDesk;
use Standins\Shared\Request;

final class CarrierDeskTest extends TestCase
{
    private CarrierDesk $carrier;

    protected function setUp(): void
    {
        $this->carrier = new CarrierDesk(':memory:', 'token');
    }

    public function test_its_numbers_are_those_set_aside_for_fiction(): void
    {
        $nova = $this->found('1902', 100);
        $london = $this->found('4420', 10);

        self::assertCount(100, $nova);
        foreach ($nova as $number) {
            self::assertMatchesRegularExpression('/^190255501\d\d$/D', $number);
        }
        foreach ($london as $number) {
            self::assertMatchesRegularExpression('/^442079460\d{3}$/D', $number);
        }
    }

    public function test_an_order_wants_the_price_agreed_and_takes_the_number(): void
    {
        $number = $this->found('1902', 1)[0];

        self::assertSame(422, $this->ask('POST', '/orders', ['msisdn' => $number, 'holder' => 'saltmarsh'])[0]);
        self::assertSame(
            201,
            $this->ask('POST', '/orders', ['msisdn' => $number, 'holder' => 'saltmarsh', 'agreed_price' => 150])[0],
        );
        self::assertNotContains($number, $this->found('1902', 100));
        self::assertSame(
            409,
            $this->ask('POST', '/orders', ['msisdn' => $number, 'holder' => 'another', 'agreed_price' => 150])[0],
        );
    }

    public function test_ordering_again_gives_the_same_receipt(): void
    {
        $order = ['msisdn' => $this->found('1902', 1)[0], 'holder' => 'saltmarsh', 'agreed_price' => 150];

        self::assertSame($this->ask('POST', '/orders', $order), $this->ask('POST', '/orders', $order));
    }

    public function test_only_the_holder_gives_a_number_back(): void
    {
        $number = $this->found('1902', 1)[0];
        $this->ask('POST', '/orders', ['msisdn' => $number, 'holder' => 'saltmarsh', 'agreed_price' => 150]);

        self::assertSame(404, $this->ask('POST', '/releases', ['msisdn' => $number, 'holder' => 'another'])[0]);
        self::assertSame(200, $this->ask('POST', '/releases', ['msisdn' => $number, 'holder' => 'saltmarsh'])[0]);
        self::assertContains($number, $this->found('1902', 100));
    }

    public function test_a_number_that_is_not_its_own_cannot_be_ordered(): void
    {
        self::assertSame(
            422,
            $this->ask(
                'POST',
                '/orders',
                ['msisdn' => '19025551234', 'holder' => 'saltmarsh', 'agreed_price' => 150],
            )[0],
        );
        self::assertSame(422, $this->ask('GET', '/inventory', query: ['prefix' => '+1'])[0]);
    }

    public function test_a_transfer_is_dated_turned_down_by_what_is_on_file_and_done_on_its_day(): void
    {
        $ask = fn (string $reference, string $msisdn, string $postal): array => $this->ask('POST', '/transfers', [
            'reference' => $reference, 'holder' => 'inlet', 'msisdns' => [$msisdn], 'subscriber' => 'Inlet',
            'premises' => '21 Inlet View', 'postal' => $postal, 'losing' => 'Harbour', 'account' => 'H1',
            'day' => '2026-12-14',
        ]);
        $this->ask('POST', '/on-file', [
            'msisdn' => '19025550188', 'subscriber' => 'Inlet', 'postal' => 'B0X 1X0', 'account' => 'H1',
        ]);
        self::assertSame(201, $ask('one', '19025550187', 'anything')[0]);
        self::assertSame(200, $ask('one', '19025550187', 'anything')[0], 'the same form again');
        self::assertSame(409, $ask('two', '19025550187', 'anything')[0], 'under way');
        $ask('three', '19025550188', 'B0X 9X9');
        $ask('four', '19025550189', 'B0X 1X0');
        $stages = fn (): array => array_column(
            $this->ask('GET', '/transfers', query: ['holder' => 'inlet'])[1]['transfers'],
            'stage',
        );
        self::assertSame(['asked', 'asked', 'asked'], $stages());

        $this->ask('POST', '/clock', ['day' => '2026-12-02']);
        self::assertSame(['dated', 'turned_down', 'dated'], $stages());
        self::assertSame(201, $ask('five', '19025550188', 'B0X 1X0')[0], 'once turned down it may be asked for anew');
        $this->ask('POST', '/clock', ['day' => '2026-12-14']);
        self::assertSame(['done', 'turned_down', 'done', 'done'], $stages());
        foreach ([['day' => '14.12.2026'], ['day' => '2026-02-30'], []] as $wrong) {
            self::assertSame(422, $this->ask('POST', '/clock', $wrong)[0]);
        }
        self::assertSame([422, 422], [$ask('', '19025550186', 'x')[0], $ask('six', '+19025550186', 'x')[0]]);
    }

    /** @param array<string, string> $given */
    #[DataProvider('addresses')]
    public function test_an_address_is_good_better_written_otherwise_or_unknown(
        array $given,
        string $verdict,
        string $said,
    ): void {
        $usual = [
            'premises' => '14 Ardent Road', 'town' => 'Port Merrow', 'district' => 'NS', 'postal' => 'B0X 1X0',
            'land' => 'CA',
        ];
        [$status, $answer] = $this->ask('POST', '/addresses', $given + $usual);

        self::assertSame([200, $verdict], [$status, $answer['verdict']]);
        if ($verdict === 'unknown') {
            self::assertSame([null, $said], [$answer['as'], $answer['remark']]);
        } else {
            self::assertSame($said, implode('|', $answer['as']));
            // What it wrote is good from then on.
            self::assertSame('good', $this->ask('POST', '/addresses', $answer['as'])[1]['verdict']);
        }
    }

    /** @return iterable<string, array{array<string, string>, string, string}> */
    public static function addresses(): iterable
    {
        yield 'as it is written' => [[], 'good', '14 Ardent Road|Port Merrow|NS|B0X 1X0|CA'];
        yield 'in small letters' => [
            ['premises' => '14 ardent rd.', 'town' => 'port merrow', 'postal' => 'b0x1x0', 'district' => 'Nova Scotia'],
            'better', '14 Ardent Road|Port Merrow|NS|B0X 1X0|CA',
        ];
        yield 'with a floor' => [
            ['premises' => '14 Ardent Road, 3rd floor'], 'better', '14 Ardent Road|Port Merrow|NS|B0X 1X0|CA',
        ];
        yield 'elsewhere' => [['postal' => 'M5V 1A1'], 'unknown', 'M5V 1A1 is not in NS'];
        yield 'no number' => [['premises' => 'Ardent Road'], 'unknown', 'the street has no house number'];
        yield 'no such street' => [
            ['premises' => '1 Nowhere Lane'], 'unknown', 'there is no 1 Nowhere Lane in Port Merrow',
        ];
        yield 'no postcode' => [['postal' => '???'], 'unknown', 'there is no postcode ???'];
        yield 'no country' => [['land' => 'Narnia'], 'unknown', 'this carrier has no street file of NARNIA'];
        yield 'London' => [
            ['premises' => '1 Custom House sq', 'town' => 'London', 'district' => '', 'postal' => 'zz99 3vz',
                'land' => 'gb'],
            'better', '1 Custom House Square|London||ZZ99 3VZ|GB',
        ];
    }

    public function test_an_address_without_a_part_is_refused_and_trouble_comes_when_it_is_asked_for(): void
    {
        [$status, $answer] = $this->ask('POST', '/addresses', ['premises' => '14 Ardent Road', 'town' => ' ']);
        self::assertSame([422, 'town'], [$status, $answer['where']]);
        self::assertSame(422, $this->ask('PUT', '/faults', ['thunder' => 1])[0]);
        self::assertSame(200, $this->ask('PUT', '/faults', ['outage_calls' => 1])[0]);
        self::assertSame(503, $this->ask('GET', '/inventory', query: ['prefix' => '1'])[0]);
        self::assertSame(200, $this->ask('GET', '/inventory', query: ['prefix' => '1'])[0]);
        // Its own refusals come through, trouble or none.
        self::assertSame(422, $this->ask('GET', '/inventory', query: ['prefix' => 'x'])[0]);
        self::assertSame(200, $this->ask('DELETE', '/faults')[0]);
    }

    /** @return list<string> */
    private function found(string $prefix, int $most): array
    {
        return array_column(
            $this->ask('GET', '/inventory', query: ['prefix' => $prefix, 'most' => (string) $most])[1]['found'],
            'msisdn',
        );
    }

    /**
     * @param  ?array<string, mixed>  $body
     * @param  array<string, string>  $query
     * @return array{int, array<string, mixed>}
     */
    private function ask(string $method, string $path, ?array $body = null, array $query = []): array
    {
        $response = $this->carrier->handle(new Request(
            $method,
            $path,
            ['authorization' => 'Bearer token'],
            $query,
            $body === null ? '' : json_encode($body, JSON_THROW_ON_ERROR),
        ));
        $answer = json_decode($response->body, true);
        self::assertIsArray($answer, $response->body);

        return [$response->status, $answer];
    }
}
