<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use Standins\Shared\Request as StandinRequest;
use Tests\Feature\Support\Wire;

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

    public function test_an_order_as_the_book_says_it_is_quiet_and_goes_its_way(): void
    {
        $order = self::port($this->number);
        $ports = $this->postJson($this->path(), $order)->assertCreated()->json('ports');
        self::assertSame(
            [[$this->number], 'asked', '2026-12-14'],
            [$ports[0]['numbers'], $ports[0]['state'], $ports[0]['day']],
        );
        self::assertCount(
            1,
            $this->postJson($this->path(), $order)->assertCreated()->json('ports'),
            'sent twice, ordered once',
        );
        self::assertNotContains(self::RULE, $this->rules());

        foreach (['2026-12-02' => 'dated', '2026-12-14' => 'done'] as $day => $state) {
            $this->atTheCarrier('/clock', ['day' => $day]);
            self::assertSame($state, $this->postJson("{$this->path()}/read")->assertOk()->json('ports.0.state'));
        }
    }

    public function test_an_order_for_another_day_is_found_and_mended_in_the_book(): void
    {
        $this->postJson($this->path(), ['day' => '2026-12-15'] + self::port($this->number))->assertCreated();
        $finding = $this->finding();
        self::assertStringContainsString('15 Dec', $finding['detail']);

        $this->postJson(
            "/api/customers/{$this->customer}/findings/fixes",
            ['fingerprints' => [$finding['fingerprint']], 'enter' => true, 'note' => 'as ordered'],
        )->assertOk();

        self::assertNotContains(self::RULE, $this->rules());
        $numbers = array_column(
            $this->getJson("/api/customers/{$this->customer}/desk")->json('objects'),
            'fields',
            'ref',
        );
        self::assertSame('2026-12-15', $numbers["number:{$this->number}"]['from']);
    }

    public function test_what_the_losing_carrier_turns_down_is_told_with_its_reason_and_may_be_ordered_anew(): void
    {
        $this->atTheCarrier('/on-file', [
            'msisdn' => ltrim($this->number, '+'), 'subscriber' => 'Inlet Property Care Ltd', 'postal' => 'B0X 1X0',
            'account' => 'HT-1',
        ]);
        $this->postJson($this->path(), self::port($this->number))->assertCreated();
        $this->postJson($this->path(), self::port($this->number))->assertStatus(502);
        $this->atTheCarrier('/clock', ['day' => '2026-12-02']);
        $port = $this->postJson("{$this->path()}/read")->assertOk()->json('ports.0');
        self::assertSame('rejected', $port['state']);
        self::assertStringContainsString($port['remark'], $this->finding()['detail']);

        $this->postJson(
            $this->path(),
            ['name' => 'Inlet Property Care Ltd'] + self::port($this->number),
        )->assertCreated();
    }

    public function test_bad_orders_are_refused_at_the_field_and_without_a_grant_to_push_there_is_none(): void
    {
        foreach (
            [
                'numbers' => [], 'day' => '2026-12-01', 'name' => '', 'reference' => 'x', 'postcode' => null,
            ] as $field => $wrong
        ) {
            self::assertStringStartsWith(
                "/{$field}",
                $this->postJson($this->path(), [$field => $wrong] + self::port($this->number))->assertStatus(422)
                    ->json('errors.0.pointer'),
            );
        }
        $editor = $this->technician();
        $this->grant($editor, $this->tenantId($this->customer), Ability::Edit);
        $this->actingAs($editor)->postJson($this->path(), self::port($this->number))->assertForbidden();
        $this->wire->interfere = static fn () => throw new \Illuminate\Http\Client\ConnectionException('no route');
        $this->actingAs($this->lead)->postJson($this->path(), self::port($this->number))->assertStatus(502);
        self::assertSame([], $this->getJson($this->path())->assertOk()->json('ports'));
    }

    private function path(): string
    {
        return "/api/customers/{$this->customer}/ports";
    }

    /** @param array<string, string> $body */
    private function atTheCarrier(string $path, array $body): void
    {
        self::assertSame(
            200,
            $this->wire->carrier->handle(new StandinRequest(
                'POST',
                $path,
                ['authorization' => 'Bearer ' . Wire::TOKEN],
                [],
                json_encode($body, JSON_THROW_ON_ERROR),
            ))->status,
        );
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
