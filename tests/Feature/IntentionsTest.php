<?php

declare(strict_types=1);

namespace Tests\Feature;

use Tests\Feature\Support\OnTheSwitch;

/**
 * What is entered here reaches the switch, or is said to wait: also where the field is the customer's own afterwards.
 */
final class IntentionsTest extends FeatureTestCase
{
    use OnTheSwitch;

    private const ALWAYS = ['object' => 'user:ines-marsh', 'path' => 'handling/open/always'];

    public function test_what_is_entered_in_a_field_left_to_the_customer_is_pushed_once_and_theirs_after_that(): void
    {
        $customer = $this->pushed();
        $this->edit($customer, [
            self::ALWAYS + ['value' => ['outside' => 'outside:+19025550177', 'inside' => 'outside:+19025550177']],
        ])->assertOk();
        $this->enter($customer)->assertCreated();

        $live = $this->readAll($customer);
        self::assertSame([['handling/open/always', 'ours']], $this->told($live['differences']));
        self::assertSame([[], ['user:ines-marsh']], [$live['left'], array_column($live['runSheet'], 'object')]);
        self::assertSame(0, $this->listed($customer)['differences'], 'nothing was changed on the switch');
        self::assertSame('done', $this->push($customer)['status']);
        self::assertSame(['dial' => '19025550177'], $this->always($customer));
        self::assertSame([], $this->readAll($customer)['differences']);

        // Back at the desk she takes it off herself, on the switch.
        $this->person($customer, [
            'rules' => [
                'day' => ['ringers' => '*', 'style' => 'at-once', 'on' => []],
                'night' => null,
                'feast' => null,
            ],
        ]);
        $live = $this->readAll($customer);
        self::assertSame(
            [[], [['handling/open/always', 'theirs']], []],
            [$this->told($live['differences']), $this->told($live['left']), $live['runSheet']],
        );
        self::assertSame('done', $this->push($customer)['status']);
        self::assertNull($this->always($customer));
    }

    public function test_what_waits_and_what_was_changed_there_are_told_apart(): void
    {
        $customer = $this->pushed();
        $this->edit($customer, [['object' => 'user:ines-marsh', 'path' => 'display', 'value' => 'Ines']])->assertOk();
        $this->enter($customer)->assertCreated();
        $this->person($customer, ['mail' => 'ines@elsewhere.example']);
        $live = $this->readAll($customer);
        self::assertEqualsCanonicalizing([['display', 'ours'], ['email', 'theirs']], $this->told($live['differences']));
        self::assertSame(1, $this->listed($customer)['differences']);
        self::assertSame(
            ['drift.field-differs'],
            array_column(
                $this->getJson("/api/customers/{$customer}/live/impact")->assertOk()->json('findings'),
                'rule',
            ),
        );

        $this->edit($customer, [
            ['object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'ines@third.example'],
        ])->assertOk();
        $this->enter($customer)->assertCreated();
        self::assertEqualsCanonicalizing([['display', 'ours'], ['email', 'both']], $this->told(
            $this->readAll($customer)['differences'],
        ));
    }

    /** Adopted, it is the book's; the next change of theirs is theirs again, and not a meeting of both. */
    public function test_what_was_adopted_is_agreed_on(): void
    {
        $customer = $this->pushed();
        $this->person($customer, ['mail' => 'ines@elsewhere.example']);
        $this->readAll($customer);
        $this->edit($customer, [
            ['object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'ines@elsewhere.example'],
        ])->assertOk();
        $this->enter($customer)->assertCreated();
        self::assertSame([], $this->readAll($customer)['differences']);

        $this->person($customer, ['mail' => 'ines@third.example']);
        self::assertSame([['email', 'theirs']], $this->told($this->readAll($customer)['differences']));
    }

    /** Putting back one field says nothing of the others. */
    public function test_a_push_of_one_field_leaves_the_others_waiting(): void
    {
        $customer = $this->pushed();
        $this->edit($customer, [
            self::ALWAYS + ['value' => ['outside' => 'mailbox:ines-marsh', 'inside' => 'mailbox:ines-marsh']],
            ['object' => 'user:ines-marsh', 'path' => 'display', 'value' => 'Ines'],
        ])->assertOk();
        $this->enter($customer)->assertCreated();
        self::assertSame(
            'done',
            $this->push($customer, [['object' => 'user:ines-marsh', 'field' => 'display']])['status'],
        );

        self::assertSame([['handling/open/always', 'ours']], $this->told($this->readAll($customer)['differences']));
    }

    public function test_a_new_object_waits_to_be_pushed(): void
    {
        $customer = $this->pushed();
        $this->edit($customer, [['op' => 'create', 'object' => 'group:desk', 'value' => [
            'name' => 'Desk',
            'extension' => '300',
            'members' => [['item' => 'ines', 'who' => 'user:ines-marsh', 'signedIn' => false]],
        ]]])->assertOk();
        $this->enter($customer)->assertCreated();
        self::assertSame([[null, 'ours']], $this->told($this->readAll($customer)['differences']));
        self::assertSame('done', $this->push($customer)['status']);

        // Signed in by whoever answers here: meant, and carried.
        $this->edit($customer, [
            ['object' => 'group:desk', 'path' => 'members/ines/signedIn', 'value' => true],
        ])->assertOk();
        $this->enter($customer)->assertCreated();
        self::assertSame([['members/ines/signedIn', 'ours']], $this->told($this->readAll($customer)['differences']));
        self::assertSame('done', $this->push($customer)['status']);
        self::assertSame([], $this->readAll($customer)['differences']);
    }

    public function test_a_word_that_nobody_knows_is_told_and_never_taken_for_the_same(): void
    {
        $customer = $this->pushed();
        $this->person($customer, ['standing' => 'perhaps']);
        $told = $this->actingAs($this->lead)->postJson("/api/customers/{$customer}/live/read")->assertStatus(502);

        self::assertStringContainsString(
            'What the switch holds of Ines Marsh cannot be read (standing: "perhaps"',
            (string) $told->json('detail'),
        );
    }

    public function test_a_new_pin_alone_can_be_pushed(): void
    {
        $customer = $this->pushed();
        $this->postJson(
            "/api/customers/{$customer}/secrets",
            ['object' => 'mailbox:ines-marsh', 'value' => '804155'],
        )->assertCreated();
        self::assertSame([], $this->readAll($customer)['pinsToTell'], 'that it is set was not entered yet');
        $this->enter($customer);
        self::assertSame('done', $this->push($customer)['status']);
        $this->postJson(
            "/api/customers/{$customer}/secrets",
            ['object' => 'mailbox:ines-marsh', 'value' => '915266'],
        )->assertCreated();

        $live = $this->readAll($customer);
        self::assertSame([[], ['mailbox:ines-marsh']], [$live['runSheet'], $live['pinsToTell']]);
        self::assertSame('done', $this->push($customer)['status']);
        self::assertSame([], $this->readAll($customer)['pinsToTell']);
    }

    /** @return array<string, mixed> */
    private function readAll(string $customer): array
    {
        $live = $this->actingAs($this->lead)->postJson("/api/customers/{$customer}/live/read")->assertOk()->json();
        self::assertIsArray($live);

        return $live;
    }

    /**
     * @param  list<array{path: ?string, whose: string}>  $differences
     * @return list<array{?string, string}>
     */
    private function told(array $differences): array
    {
        return array_map(static fn (array $each): array => [$each['path'], $each['whose']], $differences);
    }

    private function always(string $customer): mixed
    {
        return $this->person($customer)['rules']['day']['on']['ever']['out'] ?? null;
    }
}
