<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;

/** People who work elsewhere: asked by letter, answered once by whoever has it, and taken over by a technician. */
final class ElsewhereTest extends FeatureTestCase
{
    private const HOME = [
        'street' => '7  Shore Road', 'unit' => ' 2 ', 'city' => 'Port Merrow', 'subdivision' => 'CA-NS',
        'postcode' => 'b0x 1x0', 'country' => 'ca',
    ];

    private string $customer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->takeOn()['key'];
        $this->actingAs($this->lead);
        $this->edit($this->customer, [['object' => 'user:ines-marsh', 'path' => 'legs', 'value' => [
            ['item' => 'app', 'kind' => 'mobileApp'],
        ]]])->assertOk();
        $this->enter($this->customer)->assertCreated();
    }

    public function test_somebody_says_where_they_work_and_help_services_are_told_once_it_is_taken_over(): void
    {
        self::assertStringContainsString('not known', $this->found('users.own-address-unknown')['title']);
        self::assertNull($this->person()['asked']);
        $code = $this->asked();
        self::assertFalse($this->person()['asked']['isAnswered']);

        $this->app->make('auth')->forgetGuards();
        $look = $this->postJson('/api/where/look', ['code' => $code])->assertOk();
        self::assertSame(['Ines Marsh', null, null], [$look['name'], $look['told'], $look['said']]);
        $this->postJson('/api/where', ['code' => $code] + self::HOME)->assertNoContent();
        $this->postJson('/api/where', ['code' => $code] + self::HOME)->assertStatus(410);
        $this->postJson('/api/where/look', ['code' => $code])->assertStatus(410);

        $this->actingAs($this->lead);
        $said = $this->person()['said'];
        self::assertSame(
            ['7 Shore Road, Port Merrow, CA-NS, B0X 1X0, CA', '2', false],
            [$said['line'], $said['unit'], $said['isTold']],
        );
        $found = $this->found('users.own-address-unknown');
        $this->postJson("/api/customers/{$this->customer}/findings/fixes", [
            'fingerprints' => [$found['fingerprint']], 'enter' => true,
        ])->assertOk();
        self::assertTrue($this->person()['said']['isTold']);
        self::assertNull($this->found('users.own-address-unknown'));
        self::assertNull($this->found('users.own-address-unconfirmed'));

        // They moved, and are asked again: the page begins with what they said.
        $again = $this->asked('fr');
        $look = $this->postJson('/api/where/look', ['code' => $again])->assertOk();
        self::assertSame(['fr', '7 Shore Road'], [$look['language'], $look['said']['street']]);
        $this->postJson('/api/where', ['code' => $again, 'street' => '9 Shore Road'] + self::HOME)->assertNoContent();
        self::assertStringContainsString('9 Shore Road', $this->found('users.own-address-unknown')['detail']);
    }

    public function test_a_letter_opens_for_nobody_else_and_no_longer(): void
    {
        $first = $this->asked();
        $second = $this->asked();
        $this->postJson('/api/where/look', ['code' => $first])->assertStatus(410);
        $this->postJson('/api/where/look', ['code' => 'guessed'])->assertStatus(410);
        $this->postJson('/api/where', ['code' => $second])->assertUnprocessable();
        $this->deleteJson("/api/customers/{$this->customer}/elsewhere/ines-marsh")->assertOk();
        $this->postJson('/api/where', ['code' => $second] + self::HOME)->assertStatus(410);

        $third = $this->asked();
        $this->clockAt('2026-12-25T12:00:00Z');
        $this->postJson('/api/where', ['code' => $third] + self::HOME)->assertStatus(410);
        self::assertNull($this->person()['said']);

        $reader = $this->technician();
        $this->grant($reader, $this->tenantId($this->customer), Ability::Read);
        $this->actingAs($reader)->postJson($this->path(), ['to' => 'a@inlet.example', 'language' => 'en'])
            ->assertForbidden();
    }

    /** @param array<string, string> $said */
    #[\PHPUnit\Framework\Attributes\TestWith([['street' => 'Shore Road', 'unit' => ''], 'street'])]
    #[\PHPUnit\Framework\Attributes\TestWith([['street' => '7 Shore Road, 2nd floor'], 'street'])]
    #[\PHPUnit\Framework\Attributes\TestWith([['postcode' => '12345'], 'postcode'])]
    #[\PHPUnit\Framework\Attributes\TestWith([['country' => 'Canada'], 'country'])]
    #[\PHPUnit\Framework\Attributes\TestWith([['city' => ''], 'city'])]
    public function test_an_address_that_cannot_be_is_refused_where_it_stands_and_the_letter_stays_open(
        array $said,
        string $at,
    ): void {
        $code = $this->asked();
        $this->postJson('/api/where', ['code' => $code] + $said + self::HOME)->assertUnprocessable()
            ->assertJsonPath('errors.0.pointer', "/{$at}");
        $this->postJson('/api/where', ['code' => $code] + self::HOME)->assertNoContent();
    }

    public function test_what_cannot_be_sent_is_not_kept(): void
    {
        foreach (['', 'xx', 'ines@'] as $to) {
            $this->postJson($this->path(), ['to' => $to, 'language' => 'en'])->assertUnprocessable()
                ->assertJsonPath('errors.0.pointer', '/to');
        }
        $this->postJson(str_replace('ines-marsh', 'nobody', $this->path()), [
            'to' => 'a@inlet.example', 'language' => 'en',
        ])->assertNotFound();
        self::assertNull($this->person()['asked']);
    }

    /** @return string the code of the letter */
    private function asked(string $language = 'en'): string
    {
        return $this->askedWhere($this->customer, 'ines-marsh', $language);
    }

    private function path(): string
    {
        return "/api/customers/{$this->customer}/elsewhere/ines-marsh";
    }

    /** @return array<string, mixed> */
    private function person(): array
    {
        return $this->getJson("/api/customers/{$this->customer}/elsewhere")->assertOk()->json('people.0');
    }

    /** @return ?array<string, mixed> */
    private function found(string $rule): ?array
    {
        $findings = $this->getJson("/api/customers/{$this->customer}/margin")->assertOk()->json('findings');

        return array_values(array_filter($findings, static fn (array $each): bool => $each['rule'] === $rule))[0]
            ?? null;
    }
}
