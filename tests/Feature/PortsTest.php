<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Str;
use Tests\Feature\Support\TestDatabase;

/** Numbers on their way from another carrier: ordered once, read as they are, and held against the book. */
final class PortsTest extends FeatureTestCase
{
    private const RULE = 'ports.details-mismatch';

    private string $customer;

    private string $number;

    protected function setUp(): void
    {
        parent::setUp();
        $book = $this->bookFrom('docs/examples/inlet.json');
        $book['numbers'][0] = ['status' => 'portingIn', 'from' => '2026-12-14'] + $book['numbers'][0];
        $book['tenant'] = ['name' => 'Inlet'] + $book['tenant'];
        foreach ($book['sites'] as $place => $site) {
            $book['sites'][$place] = ['address' => [
                'street' => '21 Inlet View', 'city' => 'Quay End', 'postcode' => 'B0X 1X0', 'country' => 'CA',
            ]]
                + $site;
        }
        $this->number = $book['numbers'][0]['key'];
        $this->customer = $this->actingAs($this->lead)->postJson('/api/taking-on/book', $book)
            ->assertCreated()
            ->json('customer');
    }

    public function test_an_order_as_the_book_says_it_is_quiet_goes_its_way_and_the_book_follows(): void
    {
        $said = self::port($this->number);
        $port = $this->sentPort($this->customer, ['hours' => '09:00-12:00'] + $said);
        self::assertSame(
            [[$this->number], 'sent', '2026-12-14', []],
            [$port['numbers'], $port['state'], $port['day'], $port['lacks']],
        );
        $this->postJson($this->path(), ['hours' => '09:00-12:00'] + $said)->assertCreated();
        self::assertCount(1, $this->getJson($this->path())->json('ports'), 'sent twice, one port');
        $this->postJson("{$this->path()}/{$port['id']}/sending")->assertConflict();
        self::assertNotContains(self::RULE, $this->rules());
        self::assertSame('portingIn', $this->fields()['status']);

        foreach ([
            ['2026-12-02', '', 'dated'], ['2026-12-14', '10:00', 'moving'], ['2026-12-14', '12:30', 'done'],
        ] as [$day, $time, $state]) {
            $this->atTheCarrier('/clock', ['day' => $day, 'time' => $time]);
            self::assertSame($state, $this->read()['state']);
        }
        self::assertSame(['sent', 'dated', 'moving', 'done'], array_column($this->read()['steps'], 'state'));
        self::assertSame('active', $this->fields()['status']);
        self::assertSame(
            'The carrier says that they came over',
            $this->getJson("/api/customers/{$this->customer}/revisions")->json('revisions.0.note'),
        );
        self::assertNotContains('numbers.ours-already', $this->rules());
    }

    public function test_whoever_may_only_look_leaves_the_book_as_it_is_and_a_rule_says_that_it_is_behind(): void
    {
        $foreign = $this->bookFrom('docs/examples/inlet.json', stocked: false);
        $foreign['numbers'][0] = ['status' => 'portingIn', 'from' => '2026-12-14'] + $foreign['numbers'][0];
        $this->customer = $this->postJson('/api/taking-on/book', $foreign)->assertCreated()->json('customer');
        $this->number = $foreign['numbers'][0]['key'];
        $this->sentPort($this->customer, self::port($this->number));
        $this->atTheCarrier('/clock', ['day' => '2026-12-02']);
        $this->atTheCarrier('/clock', ['day' => '2026-12-14']);
        $reader = $this->technician();
        $this->grant($reader, $this->tenantId($this->customer), Ability::Read);

        self::assertSame('done', $this->actingAs($reader)->postJson("{$this->path()}/read")->json('ports.0.state'));
        self::assertSame('portingIn', $this->actingAs($this->lead)->fields()['status']);
        self::assertContains('numbers.ours-already', $this->rules());
        // By night somebody reads who may.
        self::assertSame(0, Artisan::call('roster:numbers', ['--as' => $this->lead->sign_in]));
        self::assertSame('portingIn', $this->fields()['status'], 'a port that is done is read no more');
        $this->read();
        self::assertSame('active', $this->fields()['status']);
    }

    public function test_an_order_for_another_day_is_found_and_mended_in_the_book(): void
    {
        $this->sentPort($this->customer, ['day' => '2026-12-15'] + self::port($this->number));
        $finding = $this->finding();
        self::assertStringContainsString('15 Dec', $finding['detail']);

        $this->postJson(
            "/api/customers/{$this->customer}/findings/fixes",
            ['fingerprints' => [$finding['fingerprint']], 'enter' => true, 'note' => 'as ordered'],
        )->assertOk();

        self::assertNotContains(self::RULE, $this->rules());
        self::assertSame('2026-12-15', $this->fields()['from']);
    }

    public function test_what_the_losing_carrier_turns_down_is_told_at_its_field_mended_and_sent_again(): void
    {
        $this->atTheCarrier('/on-file', [
            'msisdn' => ltrim($this->number, '+'), 'subscriber' => 'Inlet Property Care Ltd', 'postal' => 'B0X 1X0',
            'account' => 'HT-1', 'pin' => '4711', 'all' => [ltrim($this->number, '+'), '19025550199'],
        ]);
        $said = self::port($this->number);
        $port = $this->sentPort($this->customer, $said);
        foreach ([
            [['name' => 'Inlet Property Care Ltd'], 'name'], [['pin' => '4711'], 'pin'],
            [['isPart' => true, 'staying' => '902 555 0199', 'stayingMain' => '902-555-0199'], 'stayingMain'],
        ] as [$otherwise, $field]) {
            $this->atTheCarrier('/clock', ['day' => '2026-12-02']);
            $now = $this->read();
            self::assertSame(['rejected', $field], [$now['state'], $now['remarkAt']], $now['remark']);
            self::assertStringContainsString($now['remark'], $this->finding()['detail']);
            $said = $otherwise + $said;
            $this->putJson("{$this->path()}/{$port['id']}", $said)->assertOk();
            $this->postJson("{$this->path()}/{$port['id']}/sending")->assertOk();
        }
        $this->atTheCarrier('/clock', ['day' => '2026-12-02']);
        $now = $this->read();
        self::assertSame(['dated', '+19025550199', true], [$now['state'], $now['stayingMain'], $now['hasPin']]);
        self::assertStringNotContainsString('4711', (string) json_encode($now));
        self::assertStringNotContainsString('4711', $this->pinAsKept());
    }

    public function test_what_is_not_complete_is_not_sent_and_each_lack_is_at_its_field(): void
    {
        $said = ['reference' => (string) Str::uuid(), 'numbers' => [$this->number], 'day' => '2026-12-14'];
        $port = $this->postJson($this->path(), $said)->assertCreated()->json('port');
        $lacks = ['name', 'street', 'city', 'postcode', 'losingCarrier', 'account', 'signatory', 'authority', 'bill'];
        self::assertSame($lacks, array_column($port['lacks'], 'at'));
        $refused = $this->postJson("{$this->path()}/{$port['id']}/sending")->assertUnprocessable();
        self::assertSame(
            array_map(static fn (string $field): string => "/{$field}", $lacks),
            array_column($refused->json('errors'), 'pointer'),
        );
        self::assertSame([], $this->atTheCarrier('/transfers', [], 'GET')['transfers'], 'nobody was asked');
        $this->postJson("{$this->path()}/{$port['id']}/loan", ['until' => '2026-12-24'])->assertConflict();

        $at = "{$this->path()}/{$port['id']}";
        $this->paper($at, 'bill', '2026-10-01')->assertCreated();
        self::assertStringContainsString('older than 30 days', (string) json_encode(
            $this->getJson($this->path())->json('ports.0.lacks'),
        ));
        foreach ([['bill', null], ['bill', 'soon'], ['letter', '2026-11-20']] as [$paper, $dated]) {
            $this->paper($at, $paper, $dated)->assertUnprocessable();
        }
        foreach (['', 'PK a spreadsheet', '<html>'] as $bytes) {
            $this->paper($at, 'authority', bytes: $bytes)->assertConflict();
        }
        $large = static fn (int $size): string => "\x89PNG\r\n\x1a\n" . str_repeat('x', $size);
        $this->paper($at, 'authority', bytes: $large(10_000_000))->assertStatus(409);
        $this->paper($at, 'authority', bytes: $large(12_000_000))->assertStatus(413);
        self::assertSame(['bill'], array_column($this->getJson($this->path())->json('ports.0.papers'), 'kind'));
        $this->paper($at, 'authority', bytes: $large(5_000_000))->assertCreated();
    }

    public function test_a_calendar_program_reads_the_days_of_ports_at_an_address_that_can_be_taken_back(): void
    {
        $port = $this->sentPort($this->customer, self::port($this->number));
        self::assertNull($this->getJson('/api/feed')->json('madeAt'));
        $first = $this->feed();
        $address = $this->feed();
        $this->get($first)->assertNotFound();

        $this->app->make('auth')->forgetGuards();
        $file = (string) $this->get($address)->assertOk()->assertHeader('Content-Type', 'text/calendar; charset=utf-8')
            ->getContent();
        $calendar = \Sabre\VObject\Reader::read($file);
        $found = array_values(array_filter(
            iterator_to_array($calendar->select('VEVENT')),
            static fn (object $event): bool => (string) $event->UID === "port-{$port['id']}@jaunty-roster",
        ));
        self::assertCount(1, $found);
        self::assertStringContainsString($port['day'], $found[0]->DTSTART->getDateTime()->format('Y-m-d'));

        $stranger = $this->technician();
        $theirs = (string) $this->get($this->feed($stranger))->getContent();
        self::assertStringNotContainsString($port['id'], $theirs, 'only what one may see');
        $this->actingAs($this->lead);
        self::assertNotNull($this->getJson('/api/feed')->json('readAt'));
        $this->deleteJson('/api/feed')->assertNoContent();
        $this->get($address)->assertNotFound();
        $this->get('/feeds/' . str_repeat('a', 32) . '.ics')->assertNotFound();
    }

    private function feed(?\App\Models\Technician $of = null): string
    {
        $address = $this->actingAs($of ?? $this->lead)->postJson('/api/feed')->assertCreated()->json('address');
        self::assertSame(1, preg_match('~/feeds/[\w-]{32}\.ics$~D', $address, $path));

        return $path[0];
    }

    public function test_papers_are_given_back_as_they_came_and_the_letter_is_a_pdf_with_its_words(): void
    {
        $port = $this->sentPort($this->customer, self::port($this->number));
        $bill = array_column($port['papers'], 'id', 'kind')['bill'];
        $file = $this->get("{$this->path()}/{$port['id']}/papers/{$bill}")->assertOk();
        self::assertSame('%PDF-1.4 a page', $file->getContent());
        self::assertSame('application/pdf', $file->headers->get('Content-Type'));

        foreach (['en', 'fr-CA'] as $language) {
            $letter = $this->get("{$this->path()}/{$port['id']}/letter?language={$language}")->assertOk();
            self::assertStringStartsWith('%PDF-', (string) $letter->getContent());
            self::assertSame(
                $letter->getContent(),
                $this->get("{$this->path()}/{$port['id']}/letter?language={$language}")->getContent(),
                'the same file again',
            );
        }
        $this->get("{$this->path()}/{$port['id']}/letter?language=xx", ['Accept' => 'application/json'])
            ->assertUnprocessable();
    }

    public function test_the_cut_over_sheet_says_what_to_try_and_how_it_ends_by_the_book(): void
    {
        $port = $this->sentPort($this->customer, ['hours' => '09:00-12:00'] + self::port($this->number));
        $lent = $this->postJson("{$this->path()}/{$port['id']}/loan", ['until' => '2026-12-24'])->assertOk()
            ->json('port.lent.number');
        $lines = $this->getJson("{$this->path()}/{$port['id']}/cut-over")->assertOk()->json('lines');

        self::assertSame(['before', 'then', 'after', 'back'], array_values(array_unique(array_column($lines, 'part'))));
        $tried = array_values(array_filter($lines, static fn (array $line): bool => $line['call'] !== null));
        self::assertCount(1, $tried);
        self::assertSame('2026-12-14 12:00', $tried[0]['when']);
        $call = $this->postJson("/api/customers/{$this->customer}/calls", ['sentence' => $tried[0]['call']])
            ->assertOk()->json('trace');
        self::assertSame('messageIn', $call['outcome']);
        self::assertStringContainsString("after {$call['seconds']} s", $tried[0]['expect']);
        self::assertStringContainsString(
            substr($lent, -4),
            implode(' ', array_column($lines, 'what')),
        );
        // A number that is lent may stand in the book until its day, and no longer.
        $this->edit($this->customer, [[
            'op' => 'create', 'object' => "number:{$lent}", 'path' => '',
            'value' => ['status' => 'temporary', 'replaces' => "number:{$this->number}", 'until' => '2026-12-31'],
        ]])->assertOk();
        $this->enter($this->customer)->assertCreated();
        self::assertContains('numbers.ends-before', $this->rules());
    }

    public function test_numbers_that_another_carrier_asks_for_are_answered_and_leave_the_book_on_their_day(): void
    {
        $customer = $this->takeOn()['key'];
        $number = $this->orderedNumber($customer, '1416555017');
        $ask = ['msisdns' => [ltrim($number, '+')], 'gaining' => 'Headland Telephone', 'subscriber' => 'Inlet',
            'day' => '2026-12-14', 'answer_by' => '2026-12-05'];
        $this->atTheCarrier('/departures', $ask);
        $this->customer = $customer;
        self::assertSame(0, Artisan::call('roster:numbers', ['--as' => $this->lead->sign_in]));
        $port = $this->getJson($this->path())->json('ports.0');
        self::assertSame(['out', 'asked', '2026-12-05'], [$port['direction'], $port['state'], $port['answerBy']]);
        self::assertContains('ports.leaving-unanswered', $this->rules());
        self::assertContains($port['id'], array_column($this->getJson('/api/ports')->assertOk()->json('ports'), 'id'));

        $answer = "{$this->path()}/{$port['id']}/answer";
        $this->postJson($answer, ['agreed' => false])->assertUnprocessable();
        $this->postJson($answer, ['agreed' => false, 'reason' => 'not_authorised'])->assertOk()
            ->assertJsonPath('port.state', 'refused');
        $this->postJson($answer, ['agreed' => true])->assertConflict();
        self::assertNotContains('ports.leaving-unanswered', $this->rules());

        $this->atTheCarrier('/departures', ['day' => '2026-12-20'] + $ask);
        $asked = array_column($this->postJson("{$this->path()}/read")->json('ports'), 'id', 'state')['asked'];
        $this->postJson("{$this->path()}/{$asked}/answer", ['agreed' => true])->assertOk();
        $fields = fn (): array => $this->fieldsOf($customer, $number);
        self::assertSame(['portingOut', '2026-12-20'], [$fields()['status'], $fields()['until']]);
        $this->atTheCarrier('/clock', ['day' => '2026-12-20']);
        $this->postJson("{$this->path()}/read")->assertOk();
        self::assertSame('cancelled', $fields()['status']);
    }

    public function test_bad_orders_are_refused_at_the_field_and_without_a_grant_to_push_none_is_sent(): void
    {
        foreach (
            [
                'numbers' => [], 'day' => '2026-12-01', 'reference' => 'x', 'hours' => 'mornings',
                'staying' => '902 555 xx', 'stayingMain' => 'xx', 'postcode' => str_repeat('x', 30),
            ] as $field => $wrong
        ) {
            self::assertStringStartsWith(
                "/{$field}",
                $this->postJson($this->path(), [$field => $wrong] + self::port($this->number))->assertStatus(422)
                    ->json('errors.0.pointer'),
            );
        }
        $this->postJson($this->path(), ['day' => '2199-12-01'] + self::port($this->number))->assertUnprocessable();
        $this->postJson($this->path(), self::port('+19025559999'))->assertUnprocessable();
        self::assertSame([], $this->getJson($this->path())->assertOk()->json('ports'));

        $editor = $this->technician();
        $this->grant($editor, $this->tenantId($this->customer), Ability::Edit);
        $port = $this->actingAs($editor)->postJson($this->path(), self::port($this->number))->assertCreated()
            ->json('port.id');
        $this->postJson("{$this->path()}/{$port}/sending")->assertForbidden();
        $this->actingAs($this->lead)->postJson($this->path(), self::port($this->number))->assertConflict();
        $this->paper("{$this->path()}/{$port}", 'authority')->assertCreated();
        $this->paper("{$this->path()}/{$port}", 'bill', '2026-11-20')->assertCreated();
        $this->wire->interfere = static fn () => throw new \Illuminate\Http\Client\ConnectionException('no route');
        $this->postJson("{$this->path()}/{$port}/sending")->assertStatus(502);
        self::assertSame('open', $this->getJson($this->path())->json('ports.0.state'));
        $this->wire->interfere = null;
        $this->postJson("{$this->path()}/{$port}/sending")->assertOk()->assertJsonPath('port.state', 'sent');
    }

    /** @return array<string, mixed> the newest port, as the carrier has it */
    private function read(): array
    {
        return $this->postJson("{$this->path()}/read")->assertOk()->json('ports.0');
    }

    /** @return array<string, mixed> of the number that comes over */
    private function fields(): array
    {
        return $this->fieldsOf($this->customer, $this->number);
    }

    /** @return array<string, mixed> */
    private function fieldsOf(string $customer, string $number): array
    {
        return array_column(
            $this->getJson("/api/customers/{$customer}/desk")->json('objects'),
            'fields',
            'ref',
        )["number:{$number}"];
    }

    private function pinAsKept(): string
    {
        return (string) TestDatabase::owner()->query('select string_agg(pin, \' \') from port_cases')->fetchColumn();
    }

    private function path(): string
    {
        return "/api/customers/{$this->customer}/ports";
    }

    /** @return array<string, mixed> */
    private function finding(): array
    {
        return array_values(
            array_filter($this->findings(), static fn (array $finding): bool => $finding['rule'] === self::RULE),
        )[0];
    }

    /** @return list<string> */
    private function rules(): array
    {
        return array_column($this->findings(), 'rule');
    }

    /** @return list<array<string, mixed>> */
    private function findings(): array
    {
        return $this->getJson("/api/customers/{$this->customer}/margin")->assertOk()->json('findings');
    }
}
