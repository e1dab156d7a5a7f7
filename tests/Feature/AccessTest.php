<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use App\Models\Technician;
use Tests\Feature\Support\Contract;

final class AccessTest extends FeatureTestCase
{
    public function test_what_is_not_granted_answers_as_what_does_not_exist_on_every_route(): void
    {
        $theirs = $this->takeOn();
        $mine = $this->takeOn();
        $push = $this->push($theirs['key'])['id'];
        $sol = $this->technician();
        $this->grant($sol, $mine['id'], Ability::Push);

        foreach ($this->customerOperations() as [$method, $path]) {
            $ask = fn (string $customer): \Illuminate\Testing\TestResponse => $this->actingAs($sol)->json(
                $method,
                '/api' . str_replace(
                    [
                        '{customer}', '{no}', '{push}', '{waiver}', '{run}', '{kind}', '{key}', '{prompt}',
                        '{schedule}', '{calendar}', '{threshold}', '{fingerprint}', '{site}',
                        '{port}', '{paper}', '{number}', '{user}', '{plan}', '{device}',
                    ],
                    [
                        $customer, '1', $push, $push, '0', 'user', 'ines-marsh', 'welcome', 'hours', 'holidays',
                        'mostChoices', str_repeat('0', 32), 'office', $push, $push, '+15065550187', 'ines-marsh', $push,
                        'front',
                    ],
                    $path,
                ),
                $this->bodyFor($path),
            );
            $foreign = $ask($theirs['key'])->assertNotFound();
            $unknown = $ask('nobody-of-this-name')->assertNotFound();
            self::assertSame($unknown->json(), $foreign->json(), "{$method} {$path}");
        }
    }

    public function test_another_customers_push_is_not_found_under_ones_own(): void
    {
        $theirs = $this->takeOn();
        $mine = $this->takeOn();
        $push = $this->push($theirs['key'])['id'];

        $this->actingAs($this->lead)->getJson("/api/customers/{$mine['key']}/pushes/{$push}")->assertNotFound();
        $this->postJson("/api/customers/{$mine['key']}/pushes/{$push}/stop")->assertNotFound();
    }

    public function test_a_grant_reaches_as_far_as_it_says_and_no_further(): void
    {
        $customer = $this->takeOn();
        $reader = $this->granted($customer['id'], Ability::Read);
        $editor = $this->granted($customer['id'], Ability::Edit);
        $edit = [['object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'ines@thornback.example']];

        $this->actingAs($reader)->getJson("/api/customers/{$customer['key']}/desk")->assertOk()
            ->assertJsonPath('may', 'read');
        $this->edit($customer['key'], $edit, $reader)->assertForbidden();
        $this->postJson("/api/customers/{$customer['key']}/pushes")->assertForbidden();

        $this->actingAs($editor)->getJson("/api/customers/{$customer['key']}/desk")->assertJsonPath('may', 'edit');
        $this->actingAs($this->lead)->getJson("/api/customers/{$customer['key']}/desk")->assertJsonPath('may', 'push');
        $this->edit($customer['key'], $edit, $editor)->assertOk();
        $this->enter($customer['key'], $editor)->assertCreated();
        $this->postJson("/api/customers/{$customer['key']}/pushes")->assertForbidden()
            ->assertJsonPath('type', 'urn:jaunty-roster:problem:not-granted');
    }

    public function test_a_grant_that_ran_out_is_none(): void
    {
        $customer = $this->takeOn();
        $sol = $this->technician();
        $this->grant($sol, $customer['id'], Ability::Push, new \DateTimeImmutable('2026-12-01T18:04:59Z'));
        $ada = $this->technician();
        $this->grant($ada, $customer['id'], Ability::Push, new \DateTimeImmutable('2026-12-01T18:05:01Z'));

        $this->actingAs($sol)->getJson("/api/customers/{$customer['key']}/desk")->assertNotFound();
        $this->actingAs($ada)->getJson("/api/customers/{$customer['key']}/desk")->assertOk();
    }

    public function test_the_roster_lists_what_is_granted_and_nothing_else(): void
    {
        $mine = $this->takeOn();
        $this->takeOn();
        $sol = $this->granted($mine['id'], Ability::Read);

        $lines = $this->actingAs($sol)->getJson('/api/customers')->assertOk()->json('customers');

        self::assertSame([$mine['key']], array_column($lines, 'key'));
    }

    public function test_taking_on_wants_a_grant_for_every_customer(): void
    {
        $customer = $this->takeOn();
        $sol = $this->granted($customer['id'], Ability::Push);
        $answers = [
            'name' => 'Skerry Joinery', 'zone' => 'America/Halifax', 'mainNumber' => $this->stockNumber(),
            'messages' => 'Ines Marsh',
        ];

        $this->actingAs($sol)
            ->postJson('/api/taking-on/preview', ['template' => 'one-line-office', 'answers' => $answers])
            ->assertForbidden();
        $this->postJson('/api/taking-on', ['template' => 'one-line-office', 'answers' => $answers])->assertForbidden();
    }

    /** @return list<array{string, string}> */
    private function customerOperations(): array
    {
        $operations = array_map(
            static fn (string $operation): array => explode(' ', $operation),
            Contract::load()->operations(),
        );

        return array_values(
            array_filter($operations, static fn (array $operation): bool => str_contains($operation[1], '{customer}')),
        );
    }

    /** @return array<string, mixed> */
    private function bodyFor(string $path): array
    {
        return match (true) {
            str_contains($path, '{threshold}') => ['value' => 5],
            str_ends_with($path, '{fingerprint}') => ['assignee' => null, 'due' => null],
            str_ends_with($path, '/findings/fixes') => ['fingerprints' => ['none'], 'enter' => false],
            str_ends_with($path, '/draft/objects') => ['objects' => [['kind' => 'mailbox', 'name' => 'Desk']]],
            str_ends_with($path, '/meant') => ['said' => ['Ines'], 'kinds' => ['user'], 'outside' => false],
            str_ends_with($path, '/switch') => ['switch' => 'file-switch'],
            str_ends_with($path, '/edits') => [
                'edits' => [['object' => 'user:ines-marsh', 'path' => 'email', 'value' => null]],
            ],
            str_ends_with($path, '/findings/waivers') => ['fingerprint' => 'none', 'reason' => 'asked for'],
            str_ends_with($path, '/waivers') => [
                'object' => 'user:ines-marsh',
                'path' => 'email',
                'reason' => 'asked for',
            ],
            str_ends_with($path, '/draft/leave-out') => ['object' => 'user:ines-marsh', 'path' => 'email'],
            str_ends_with($path, '/people/read') => ['text' => 'Ann Lee'],
            str_ends_with($path, '/people') => ['rows' => [['name' => 'Ann Lee']]],
            str_ends_with($path, '/signed') => ['revision' => 1, 'by' => 'I. Marsh', 'on' => '2026-12-01'],
            str_ends_with($path, '/secrets'), str_ends_with($path, '/reveal') => ['object' => 'mailbox:ines-marsh'],
            str_ends_with($path, '/dial') => ['who' => 'national', 'digits' => '911'],
            str_ends_with($path, '/ports'), str_ends_with($path, '/ports/{port}') => self::port('+15065550187'),
            str_ends_with($path, '/papers') => ['paper' => 'authority', 'name' => 'letter.pdf'],
            str_ends_with($path, '/elsewhere') => ['number' => '+12065550123'],
            str_ends_with($path, '/elsewhere/{user}') => ['to' => 'ines@inlet.example', 'language' => 'en'],
            str_ends_with($path, '/line') => self::lineGiven(['down' => 48]),
            str_ends_with($path, '/plans') => ['floor' => 'ground'],
            str_ends_with($path, '/elsewhere/{number}') => ['code' => '123456'],
            str_ends_with($path, '/texting/{number}') => ['sender' => 'Inlet', 'purpose' => 'reminders to customers'],
            str_ends_with($path, '/leads') => ['object' => 'group:desk'],
            str_ends_with($path, '/caller') => ['from' => '902 555 0123'],
            str_ends_with($path, '/loan') => ['until' => '2026-12-24'],
            str_ends_with($path, '/answer') => ['agreed' => true],
            str_ends_with($path, '/tests') => self::failedTest(),
            str_ends_with($path, '/intake') => ['answers' => ['name' => 'Inlet']],
            str_ends_with($path, '/calls') => ['sentence' => 'main'],
            str_ends_with($path, '/calendars') => ['said' => 'Good Friday'],
            str_ends_with($path, '/hours') => ['said' => 'Mon-Fri 8 to 5'],
            str_ends_with($path, '/call') => ['end' => 'released number:+19025550110'],
            default => [],
        };
    }

    private function granted(string $tenantId, Ability $ability): Technician
    {
        $technician = $this->technician();
        $this->grant($technician, $tenantId, $ability);

        return $technician;
    }
}
