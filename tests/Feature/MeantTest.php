<?php

declare(strict_types=1);

namespace Tests\Feature;

/** What is typed where a book has references is read by the server, in cells, pastes and lists. */
final class MeantTest extends FeatureTestCase
{
    public function test_a_cell_takes_a_name_and_a_block_says_of_each_that_is_nobody(): void
    {
        $customer = $this->takeOn();
        $number = "number:{$customer['number']}";

        $this->edit($customer['key'], [['object' => $number, 'path' => 'destination', 'value' => 'hang up']])
            ->assertOk()
            ->assertJsonPath('draft.changes.0.after', 'release');
        $this->edit($customer['key'], [
            ['object' => 'user:ines-marsh', 'path' => 'callerId', 'value' => 'Nobody'],
            ['object' => $number, 'path' => 'destination', 'value' => 'Ines Marsh'],
            ['object' => $number, 'path' => 'site', 'value' => 'Nowhere'],
        ])->assertStatus(422)->assertJsonPath('errors', [
            [
                'detail' => 'nothing here is called "Nobody"', 'object' => 'user:ines-marsh', 'path' => 'callerId',
            ],
            ['detail' => 'nothing here is called "Nowhere"', 'object' => $number, 'path' => 'site'],
        ]);
        // Nothing of the block was taken.
        $this->getJson("/api/customers/{$customer['key']}/desk")->assertJsonCount(1, 'draft.changes');
    }

    public function test_somebody_who_is_made_in_the_same_breath_can_be_named(): void
    {
        $customer = $this->takeOn();

        $this->edit($customer['key'], [
            ['op' => 'create', 'object' => 'group:desk', 'path' => '', 'value' => [
                'name' => 'Front desk', 'members' => [['who' => 'Ines Marsh']],
            ]],
            ['object' => "number:{$customer['number']}", 'path' => 'destination', 'value' => 'front desk'],
            ['object' => 'group:desk', 'path' => 'name', 'value' => 'Reception'],
            ['object' => "number:{$customer['number']}", 'path' => 'destination', 'value' => 'Reception'],
        ])->assertOk();

        $objects = array_column(
            $this->getJson("/api/customers/{$customer['key']}/desk")->json('objects'),
            'fields',
            'ref',
        );
        self::assertSame('group:desk', $objects["number:{$customer['number']}"]['destination']);
        self::assertSame(
            [['ines-marsh', 'user:ines-marsh']],
            array_map(
                static fn (array $member): array => [$member['item'], $member['who']],
                $objects['group:desk']['members'],
            ),
        );
    }

    public function test_who_is_meant_is_told_one_by_one_and_numbers_come_as_they_are_read(): void
    {
        $customer = $this->takeOn();

        $this->postJson("/api/customers/{$customer['key']}/meant", [
            'said' => ['Ines Marsh', '+1 902 555 0178', 'xx'], 'kinds' => ['user'], 'outside' => true,
        ])->assertOk()->assertJsonPath('meant', [
            ['said' => 'Ines Marsh', 'value' => 'user:ines-marsh', 'fault' => null],
            ['said' => '+1 902 555 0178', 'value' => 'outside:+19025550178', 'fault' => null],
            ['said' => 'xx', 'value' => null, 'fault' => 'nothing here is called "xx"'],
        ]);
        self::assertSame('outside:+19025550178', $this->postJson("/api/customers/{$customer['key']}/meant", [
            'said' => ['+1 902 555 0178'], 'kinds' => [], 'outside' => true,
        ])->assertOk()->json('meant.0.value'), 'a number alone may be wanted');
        $this->postJson("/api/customers/{$customer['key']}/meant", ['said' => ['x'], 'kinds' => ['xx'], 'outside' => 1])
            ->assertStatus(422);

        $this->edit($customer['key'], [
            [
                'object' => "number:{$customer['number']}", 'path' => 'destination',
                'value' => 'outside +1 902 555 0178',
            ],
        ])->assertOk()->assertJsonPath('numbers', ['+19025550178' => '+1 902 555 0178']);
    }

    public function test_a_name_on_the_switch_that_begins_like_a_number_hides_nothing(): void
    {
        $customer = $this->takeOn()['key'];
        self::assertSame('done', $this->push($customer)['status']);
        $account = '/v1/accounts/'
            . array_column($this->wire->byHand('GET', '/v1/accounts')['rows'], 'id', 'handle')[$customer];
        $box = $this->wire->byHand('GET', "{$account}/boxes")['rows'][0];
        $this->wire->byHand('PATCH', "{$account}/boxes/{$box['id']}", ['caption' => 'outside:+1']);

        self::assertSame(['outside:+1'], array_column($this->readAgain($customer), 'live'));
    }
}
