<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** Numbers that are not ours yet: in the book from the first day, in service once the carrier says they came over. */
final class NumbersComingTest extends FeatureTestCase
{
    private static int $next = 0;

    public function test_a_main_number_stands_in_the_book_from_the_first_day_and_serves_once_it_came(): void
    {
        $number = self::foreign();
        $unsaid = $this->began($number)->assertStatus(422)->json('errors.0');
        self::assertSame('/answers/mainNumber', $unsaid['pointer']);
        self::assertStringContainsString('is not ours', $unsaid['detail']);
        self::assertStringContainsString('porting in', $unsaid['detail']);

        $customer = $this->began("{$number}, porting in")->assertCreated()->json('customer');
        self::assertSame('portingIn', $this->numbers($customer)[$number]['status']);

        $this->edit($customer, [['object' => "number:{$number}", 'path' => 'status', 'value' => 'active']])->assertOk();
        $refused = $this->enter($customer)->assertStatus(409);
        self::assertStringContainsString('still with its old carrier', (string) $refused->json('detail'));

        $this->deleteJson("/api/customers/{$customer}/draft")->assertSuccessful();
        $order = self::port($number);
        $this->sentPort($customer, $order);
        foreach (['2026-12-02', $order['day']] as $day) {
            $this->atTheCarrier('/clock', ['day' => $day]);
        }
        // The book follows by itself.
        $this->postJson("/api/customers/{$customer}/ports/read")->assertOk();
        self::assertSame('active', $this->numbers($customer)[$number]['status']);
    }

    public function test_what_is_known_of_a_number_is_said_and_one_that_never_came_is_nobody_s(): void
    {
        [$one, $other] = [$this->takeOn()['key'], $this->takeOn()];
        $number = self::foreign();
        $add = fn (string $customer, string $of, string $status): TestResponse => $this->edit($customer, [[
            'op' => 'create', 'object' => "number:{$of}", 'path' => '', 'value' => ['status' => $status],
        ]]);
        $add($one, $number, 'portingIn')->assertOk();
        $this->enter($one)->assertCreated();

        foreach ([
            [$number, 'portingIn', 'another customer'], [$number, 'active', 'another customer'],
            [self::foreign(), 'active', 'is not ours'], [self::foreign(), 'ordered', 'is not ours'],
        ] as [$of, $status, $why]) {
            $add($other['key'], $of, $status)->assertOk();
            $refused = $this->enter($other['key'])->assertStatus(409);
            self::assertStringContainsString($why, (string) $refused->json('detail'));
            $this->deleteJson("/api/customers/{$other['key']}/draft")->assertSuccessful();
        }

        // Taken out and put back by undo it is awaited as before; taken out for good it is in nobody's stock.
        $remove = [['op' => 'delete', 'object' => "number:{$number}", 'path' => '', 'value' => null]];
        $this->edit($one, $remove)->assertOk();
        $this->enter($one)->assertCreated();
        self::assertNotContains($number, array_column($this->getJson('/api/stock')->json('numbers'), 'number'));
        $this->postJson("/api/customers/{$one}/revisions/3/undo")->assertSuccessful();
        self::assertSame('portingIn', $this->numbers($one)[$number]['status']);
        $this->edit($one, $remove)->assertOk();
        $this->enter($one)->assertCreated();
        $add($other['key'], $number, 'portingIn')->assertOk();
        $this->enter($other['key'])->assertCreated();
    }

    public function test_direct_numbers_of_a_pasted_list_may_come_over(): void
    {
        $customer = $this->takeOn()['key'];
        [$number, $unsaid] = [self::foreign(), self::foreign()];
        $rows = [['name' => 'Ann Lee', 'direct' => "{$number} porting in"], ['name' => 'Bo Reed', 'direct' => $unsaid]];

        $refused = $this->postJson("/api/customers/{$customer}/people", ['rows' => $rows])->assertStatus(422);
        self::assertCount(1, $refused->json('errors'));
        self::assertStringContainsString('is not ours', (string) $refused->json('errors.0.detail'));
        unset($rows[1]['direct']);
        $this->postJson("/api/customers/{$customer}/people", ['rows' => $rows])->assertSuccessful();
        $this->enter($customer)->assertCreated();
        self::assertSame('portingIn', $this->numbers($customer)[$number]['status']);
    }

    private static function foreign(): string
    {
        return sprintf('+1207555%04d', 3_000 + ++self::$next);
    }

    private function began(string $mainNumber): TestResponse
    {
        return $this->actingAs($this->lead)->postJson('/api/taking-on', ['template' => 'one-line-office', 'answers' => [
            'name' => 'Coming ' . Str::random(8), 'zone' => 'America/Halifax', 'mainNumber' => $mainNumber,
            'messages' => 'Ines Marsh',
        ]]);
    }

    /** @return array<string, array<string, mixed>> fields by number */
    private function numbers(string $customer): array
    {
        $objects = $this->getJson("/api/customers/{$customer}/desk")->assertOk()->json('objects');

        return array_column(
            array_filter($objects, static fn (array $each): bool => $each['kind'] === 'number'),
            'fields',
            'key',
        );
    }
}
