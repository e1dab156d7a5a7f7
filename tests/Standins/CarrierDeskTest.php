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
        $this->carrier = new CarrierDesk(':memory:', 'token,another', static fn (): int => strtotime('2026-12-01'));
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

    /**
     * @param  array<string, string>  $wanted
     * @param  list<string>  $first  the first of what is found
     */
    #[DataProvider('searches')]
    public function test_numbers_are_found_by_digits_letters_town_and_in_a_row(
        array $wanted,
        int $count,
        array $first,
    ): void {
        $found = array_column($this->ask('GET', '/inventory', query: $wanted)[1]['found'], 'msisdn');

        self::assertCount($count, $found);
        self::assertSame($first, array_slice($found, 0, count($first)));
    }

    /** @return iterable<string, array{array<string, string>, int, list<string>}> */
    public static function searches(): iterable
    {
        yield 'digits anywhere' => [['prefix' => '1902', 'having' => '77', 'most' => '100'], 1, ['19025550177']];
        // ITU-T E.161, figure 1: J and K are on 5, S on 7, W on 9.
        yield 'letters' => [['spelling' => '01 SW', 'prefix' => '1207', 'most' => '100'], 1, ['12075550179']];
        yield 'two of one key' => [['spelling' => '01-jk', 'prefix' => '1207', 'most' => '100'], 1, ['12075550155']];
        yield 'what it has not' => [['spelling' => 'FLOWERS'], 0, []];
        yield 'a town' => [['town' => 'quay end', 'most' => '2'], 2, ['17825550100', '17825550101']];
        yield 'free to call' => [['toll_free' => '1', 'most' => '1'], 1, ['18335550100']];
        yield 'three in a row, twice' => [
            ['prefix' => '1617', 'run' => '3', 'most' => '2'], 6, ['16175550100', '16175550101', '16175550102'],
        ];
        yield 'longer than there is' => [['prefix' => '161755501', 'having' => '199', 'run' => '3'], 0, []];
        yield 'a country' => [['land' => 'GB', 'most' => '1'], 1, ['442079460000']];
    }

    /** @param array<string, string> $wanted */
    #[DataProvider('searchesRefused')]
    public function test_what_cannot_be_looked_for_is_refused_at_its_field(array $wanted, string $field): void
    {
        [$status, $answer] = $this->ask('GET', '/inventory', query: $wanted);

        self::assertSame([422, $field], [$status, $answer['where']]);
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function searchesRefused(): iterable
    {
        yield 'a plus' => [['prefix' => '+1'], 'prefix'];
        yield 'no letter of a key' => [['spelling' => 'é?'], 'spelling'];
        yield 'words' => [['having' => 'xx'], 'having'];
        yield 'none in a row' => [['run' => '0'], 'run'];
        yield 'a thousand' => [['most' => '1000'], 'most'];
        yield 'perhaps' => [['toll_free' => 'perhaps'], 'toll_free'];
    }

    public function test_an_order_wants_the_charge_agreed_takes_the_numbers_and_is_one_however_often_it_is_sent(): void
    {
        $numbers = ['19025550110', '18335550110'];
        $order = ['reference' => 'one', 'msisdns' => $numbers];
        $agreed = ['once_cents' => 1_000, 'monthly_cents' => 450];

        [$status, $answer] = $this->ask('POST', '/orders', $order);
        self::assertSame([422, 'agreed'], [$status, $answer['where']]);
        self::assertSame(404, $this->ask('GET', '/orders/one')[0]);
        [$status, $bought] = $this->ask('POST', '/orders', ['agreed' => $agreed] + $order);
        self::assertSame([201, 450, ['18335550110']], [$status, $bought['monthly_cents'], $bought['waiting']]);
        self::assertSame([1, 1], array_column($bought['lines'], 'count'));
        self::assertSame([200, $bought], $this->ask('POST', '/orders', ['agreed' => $agreed] + $order));
        self::assertSame([200, $bought], $this->ask('GET', '/orders/one'));
        self::assertSame(409, $this->ask('POST', '/orders', [
            'reference' => 'one', 'msisdns' => ['19025550111'], 'agreed' => $agreed,
        ])[0], 'another order under the same reference');

        self::assertNotContains('19025550110', $this->found('1902', 100));
        self::assertSame(409, $this->ask('POST', '/orders', [
            'reference' => 'two', 'msisdns' => ['19025550111', '19025550110'],
            'agreed' => ['once_cents' => 0, 'monthly_cents' => 300],
        ], as: 'another')[0]);
        self::assertContains('19025550111', $this->found('1902', 100), 'all of an order or nothing');
        self::assertSame(404, $this->ask('GET', '/orders/one', as: 'another')[0]);

        $this->ask('POST', '/clock', ['day' => '2026-12-02']);
        self::assertSame([], $this->ask('GET', '/orders/one')[1]['waiting']);
    }

    public function test_a_reservation_holds_until_its_day_and_only_for_whoever_made_it(): void
    {
        $number = ['msisdns' => ['19025550120']];
        foreach (['2026-11-30', '2027-06-01', 'soon'] as $until) {
            self::assertSame(422, $this->ask('POST', '/reservations', ['until' => $until] + $number)[0]);
        }
        self::assertSame(201, $this->ask('POST', '/reservations', ['until' => '2026-12-10'] + $number)[0]);
        $until = ['until' => '2026-12-10'] + $number;
        self::assertSame(409, $this->ask('POST', '/reservations', $until, as: 'another')[0]);
        $order = ['reference' => 'r', 'agreed' => ['once_cents' => 0, 'monthly_cents' => 150]] + $number;
        self::assertSame(409, $this->ask('POST', '/orders', $order, as: 'another')[0]);

        $this->ask('POST', '/clock', ['day' => '2026-12-10']);
        self::assertNotContains('19025550120', $this->found('1902', 100));
        $this->ask('POST', '/clock', ['day' => '2026-12-11']);
        self::assertContains('19025550120', $this->found('1902', 100));
        self::assertSame(201, $this->ask('POST', '/orders', $order, as: 'another')[0]);
        self::assertSame(404, $this->ask('POST', '/releases', $number)[0], 'another has it');
        self::assertSame(200, $this->ask('POST', '/releases', $number, as: 'another')[0]);
        self::assertContains('19025550120', $this->found('1902', 100));
    }

    public function test_a_number_that_is_not_its_own_cannot_be_ordered(): void
    {
        self::assertSame(422, $this->ask('POST', '/orders', [
            'reference' => 'x', 'msisdns' => ['19025551234'],
            'agreed' => ['once_cents' => 0, 'monthly_cents' => 150],
        ])[0]);
    }

    public function test_a_transfer_wants_its_papers_is_turned_down_mended_dated_moved_and_done(): void
    {
        $this->ask('POST', '/on-file', [
            'msisdn' => '19025550188', 'subscriber' => 'Inlet', 'postal' => 'B0X 1X0', 'account' => 'H1',
            'all' => ['19025550187', '19025550188', '19025550189'],
        ]);
        $said = ['postal' => 'B0X 9X9', 'hours' => '09:00-12:00'] + self::move('19025550187', '19025550188');
        [$status, $move] = $this->ask('POST', '/transfers', ['reference' => 'one'] + $said);
        self::assertSame([201, 'open'], [$status, $move['stage']]);
        self::assertSame($move, $this->ask('POST', '/transfers', ['reference' => 'one'] + $said)[1], 'sent again');
        self::assertSame(409, $this->ask('POST', '/transfers', ['reference' => 'two'] + $said)[0], 'under way');
        self::assertSame(404, $this->ask('GET', "/transfers/{$move['id']}", as: 'another')[0]);

        self::assertSame('authority', $this->send($move)['where']);
        $this->paper($move, 'authority');
        self::assertSame('bill', $this->send($move)['where']);
        $this->paper($move, 'bill', ['dated' => '2026-10-01']);
        self::assertSame('bill', $this->send($move)['where'], 'older than thirty days');
        $this->paper($move, 'bill', ['dated' => '2026-11-20']);
        self::assertSame('sent', $this->send($move)['stage']);
        self::assertSame(409, $this->ask('PATCH', "/transfers/{$move['id']}", $said)[0], 'on its way');

        $mend = fn (array $otherwise): array => [
            $this->ask('PATCH', "/transfers/{$move['id']}", $otherwise + $said), $this->send($move),
        ];
        self::assertSame(['turned_down', 'postal'], $this->turned('2026-12-02', $move));
        $mend(['postal' => 'B0X 1X0']);
        self::assertSame(['turned_down', 'staying_main'], $this->turned('2026-12-02', $move));
        $mend(['postal' => 'B0X 1X0', 'staying_main' => '19025550188']);
        self::assertSame(['turned_down', 'staying_main'], $this->turned('2026-12-02', $move), 'it is among those');
        $mend(['postal' => 'B0X 1X0', 'staying_main' => '19025550189']);
        self::assertSame(['dated', ''], $this->turned('2026-12-02', $move));

        $lent = $this->ask('POST', "/transfers/{$move['id']}/loan", ['until' => '2026-12-20'])[1]['lent'];
        self::assertStringStartsWith('1902', $lent['msisdn']);
        self::assertSame(['dated', ''], $this->turned('2026-12-14', $move, '08:00'));
        self::assertSame(['moving', ''], $this->turned('2026-12-14', $move, '09:30'));
        self::assertSame(['done', ''], $this->turned('2026-12-14', $move, '12:00'));
        $held = array_column($this->ask('GET', '/holdings')[1]['held'], 'state', 'msisdn');
        self::assertSame(['in_use', 'lent'], [$held['19025550187'], $held[$lent['msisdn']]]);
        self::assertSame(
            ['sent', 'turned_down', 'sent', 'turned_down', 'sent', 'turned_down', 'sent', 'dated', 'moving', 'done'],
            array_column($this->ask('GET', "/transfers/{$move['id']}")[1]['steps'], 'stage'),
        );
    }

    public function test_a_transfer_fails_back_is_withdrawn_and_goes_apart_where_it_is_free_to_call(): void
    {
        $this->ask('POST', '/on-file', [
            'msisdn' => '19025550190', 'subscriber' => 'Inlet', 'postal' => 'B0X 1X0', 'account' => 'H1',
            'fails' => 'the line is cut off', 'pin' => '4711',
        ]);
        $move = $this->ask('POST', '/transfers', ['reference' => 'f', 'pin' => '4711'] + self::move('19025550190'))[1];
        self::assertNull($move['pin'], 'a PIN is never given back');
        $this->paper($move, 'authority');
        $this->paper($move, 'bill', ['dated' => '2026-11-20']);
        $this->send($move);
        $this->turned('2026-12-02', $move);
        self::assertSame(['failed_back', ''], $this->turned('2026-12-14', $move));
        self::assertSame('withdrawn', $this->ask('POST', "/transfers/{$move['id']}/withdrawal")[1]['stage']);

        $mixed = ['reference' => 'm'] + self::move('18005550199', '19025550191');
        self::assertSame(422, $this->ask('POST', '/transfers', $mixed)[0]);
        $free = ['reference' => 't', 'premises' => '', 'postal' => ''] + self::move('18005550199');
        $move = $this->ask('POST', '/transfers', $free)[1];
        self::assertTrue($move['toll_free']);
        $this->paper($move, 'authority');
        self::assertSame('sent', $this->send($move)['stage'], 'and no bill');

        foreach ([
            ['msisdns' => ['+19025550186']], ['day' => '14.12.2026'], ['day' => '2026-02-30'], ['subscriber' => ' '],
            ['hours' => 'mornings'], ['premises' => ''],
        ] as $wrong) {
            [$status, $answer] = $this->ask('POST', '/transfers', $wrong + ['reference' => 'w']
                + self::move('19025550186'));
            self::assertSame([422, array_key_first($wrong)], [$status, $answer['where']]);
        }
        self::assertSame(422, $this->ask('POST', '/clock', ['day' => '2026-12-02', 'time' => 'noon'])[0]);
    }

    public function test_another_carrier_asks_for_a_number_and_has_it_on_its_day_unless_it_is_refused_in_time(): void
    {
        $this->ask('POST', '/orders', [
            'reference' => 'one', 'msisdns' => ['19025550110', '19025550111', '19025550112'],
            'agreed' => ['once_cents' => 0, 'monthly_cents' => 450],
        ]);
        $ask = fn (string $number): array => $this->ask('POST', '/departures', [
            'msisdns' => [$number], 'gaining' => 'Headland Telephone', 'subscriber' => 'Inlet', 'day' => '2026-12-14',
            'answer_by' => '2026-12-05',
        ]);
        self::assertSame(404, $ask('19025550113')[0]);
        [$agreed, $refused, $silent] = array_map(
            static fn (array $answer): string => $answer[1]['id'],
            [$ask('19025550110'), $ask('19025550111'), $ask('19025550112')],
        );
        $path = static fn (string $id): string => "/departures/{$id}/answer";
        self::assertSame(200, $this->ask('POST', $path($agreed), ['agreed' => true])[0]);
        self::assertSame(422, $this->ask('POST', $path($refused), ['agreed' => false, 'reason' => 'no'])[0]);
        $no = ['agreed' => false, 'reason' => 'not_authorised'];
        self::assertSame(200, $this->ask('POST', $path($refused), $no)[0]);
        self::assertSame(409, $this->ask('POST', $path($refused), ['agreed' => true])[0]);

        $this->ask('POST', '/clock', ['day' => '2026-12-06']);
        $this->ask('POST', '/clock', ['day' => '2026-12-14']);
        $stages = array_column($this->ask('GET', '/departures')[1]['departures'], 'stage', 'id');
        self::assertSame(['gone', 'refused', 'gone'], [$stages[$agreed], $stages[$refused], $stages[$silent]]);
        self::assertSame(['19025550111'], array_column($this->ask('GET', '/holdings')[1]['held'], 'msisdn'));
    }

    public function test_names_and_text_messages_are_registered_and_a_code_makes_a_foreign_number_known(): void
    {
        $this->ask('POST', '/orders', [
            'reference' => 'one', 'msisdns' => ['19025550110'],
            'agreed' => ['once_cents' => 0, 'monthly_cents' => 150],
        ]);
        $put = fn (string $what, array $said): array => $this->ask('PUT', "/registrations/19025550110/{$what}", $said);
        self::assertSame(422, $put('name', ['name' => 'Sixteen letters!'])[0]);
        self::assertSame('filed', $put('name', ['name' => 'QUAY POLICE'])[1]['stage']);
        self::assertSame(422, $put('texting', ['sender' => 'Inlet', 'purpose' => 'ads'])[0]);
        $texts = ['sender' => 'Inlet', 'purpose' => 'reminders of appointments to our own customers'];
        self::assertSame('filed', $put('texting', $texts)[1]['stage']);
        $this->ask('POST', '/clock', ['day' => '2026-12-02']);
        $stages = fn (): array => array_column(
            $this->ask('GET', '/registrations')[1]['registrations'],
            'stage',
            'kind',
        );
        self::assertSame(['name' => 'refused', 'texting' => 'shown'], $stages());
        self::assertSame('filed', $put('name', ['name' => 'QUAY BOATS'])[1]['stage']);
        self::assertSame(404, $this->ask('PUT', '/registrations/19025550111/name', ['name' => 'X'])[0]);

        $level = fn (string $of): string => $this->ask('GET', '/vouching', query: ['msisdn' => $of])[1]['level'];
        self::assertSame(['A', 'B'], [$level('19025550110'), $level('12065550123')]);
        $this->ask('POST', '/codes', ['msisdn' => '12065550123']);
        $code = $this->ask('GET', '/codes')[1]['spoken'][0]['code'];
        $check = fn (string $given): array => $this->ask('POST', '/codes/check', [
            'msisdn' => '12065550123', 'code' => $given,
        ]);
        self::assertFalse($check($code === '000000' ? '000001' : '000000')[1]['right']);
        self::assertTrue($check($code)[1]['right']);
        self::assertSame('A', $level('12065550123'));
        $others = $this->ask('GET', '/vouching', query: ['msisdn' => '12065550123'], as: 'another')[1];
        self::assertSame('B', $others['level']);
        foreach (range(1, 4) as $_) {
            $check('xxxxxx');
        }
        self::assertSame(409, $check($code)[0], 'a code is tried five times at most');
    }

    /** @return array<string, mixed> */
    private static function move(string ...$msisdns): array
    {
        return [
            'end_user' => 'inlet', 'msisdns' => array_values($msisdns), 'subscriber' => 'Inlet',
            'premises' => '21 Inlet View', 'postal' => 'B0X 1X0', 'losing' => 'Harbour', 'account' => 'H1',
            'day' => '2026-12-14',
        ];
    }

    /**
     * @param  array<string, mixed>  $move
     * @param  array<string, string>  $more
     */
    private function paper(array $move, string $kind, array $more = []): void
    {
        $paper = ['name' => "{$kind}.pdf", 'type' => 'application/pdf', 'bytes' => base64_encode('%PDF-1.4')];
        self::assertSame(422, $this->ask('PUT', "/transfers/{$move['id']}/papers/{$kind}", ['type' => 'text/html']
            + $more + $paper)[0]);
        self::assertSame(200, $this->ask('PUT', "/transfers/{$move['id']}/papers/{$kind}", $more + $paper)[0]);
    }

    /**
     * @param  array<string, mixed>  $move
     * @return array<string, mixed>
     */
    private function send(array $move): array
    {
        return $this->ask('POST', "/transfers/{$move['id']}/submission")[1];
    }

    /**
     * @param  array<string, mixed>  $move
     * @return array{string, string} how it stands once the clock was turned, and the field its remark is at
     */
    private function turned(string $day, array $move, string $time = ''): array
    {
        $this->ask('POST', '/clock', ['day' => $day, 'time' => $time]);
        $now = $this->ask('GET', "/transfers/{$move['id']}")[1];

        return [$now['stage'], $now['remark_at']];
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
    private function ask(
        string $method,
        string $path,
        ?array $body = null,
        array $query = [],
        string $as = 'token',
    ): array {
        $response = $this->carrier->handle(new Request(
            $method,
            $path,
            ['authorization' => "Bearer {$as}"],
            $query,
            $body === null ? '' : json_encode($body, JSON_THROW_ON_ERROR),
        ));
        $answer = json_decode($response->body, true);
        self::assertIsArray($answer, $response->body);

        return [$response->status, $answer];
    }
}
