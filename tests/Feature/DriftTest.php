<?php

declare(strict_types=1);

namespace Tests\Feature;

use Tests\Feature\Support\OnTheSwitch;

/** Drift that is the customer's own business, drift that is accepted, and what was signed. */
final class DriftTest extends FeatureTestCase
{
    use OnTheSwitch;

    private const EMAIL = ['object' => 'user:ines-marsh', 'path' => 'email'];

    public function test_fields_left_to_the_customer_are_taken_over_and_shown_and_no_push_touches_them(): void
    {
        $customer = $this->pushed();
        $elsewhere = $this->person($customer, ['rules' => [
            'day' => ['ringers' => '*', 'style' => 'at-once', 'on' => [
                'ever' => ['out' => ['dial' => '19025550177'], 'in' => ['dial' => '19025550177']],
            ]],
            'night' => null,
            'feast' => null,
        ]]);

        $live = $this->actingAs($this->lead)->postJson("/api/customers/{$customer}/live/read")->assertOk()->json();

        self::assertSame([[], []], [$live['differences'], $live['runSheet']]);
        self::assertSame(['handling/open/always'], array_column($live['left'], 'path'));
        self::assertSame('admin by hand', $live['left'][0]['by']);
        self::assertSame(0, $this->listed($customer)['differences']);
        self::assertSame('done', $this->push($customer)['status']);
        self::assertSame($elsewhere['rules'], $this->person($customer)['rules']);
        // Callers notice, and it is not the book's doing.
        self::assertSame(0, $this->getJson("/api/customers/{$customer}/live/impact")->json('impact.count'));
    }

    public function test_a_customer_s_own_field_that_leads_to_what_the_book_does_not_have_is_drift(): void
    {
        $customer = $this->pushed();
        $box = $this->wire->byHand('POST', "{$this->account($customer)}/boxes", ['caption' => 'Made there']);
        $this->person($customer, ['rules' => [
            'day' => ['ringers' => '*', 'style' => 'at-once', 'on' => [
                'ever' => ['out' => ['box' => $box['id']], 'in' => ['box' => $box['id']]],
            ]],
            'night' => null,
            'feast' => null,
        ]]);

        $live = $this->actingAs($this->lead)->postJson("/api/customers/{$customer}/live/read")->assertOk()->json();

        self::assertSame([[], ['handling/open/always', null]], [
            $live['left'], array_column($live['differences'], 'path'),
        ]);
        $this->getJson("/api/customers/{$customer}/live/impact")->assertOk();
        $waived = ['object' => 'user:ines-marsh', 'path' => 'handling/open/always', 'reason' => 'her own'];
        $this->postJson("/api/customers/{$customer}/live/waivers", $waived)->assertSuccessful();
        $live = $this->getJson("/api/customers/{$customer}/live")->assertOk()->json();
        self::assertSame([], $live['waived'], 'it can only be left together with the mailbox');
        // A push puts both back.
        self::assertSame('done', $this->push($customer)['status']);
        self::assertSame([], $this->readAgain($customer));
    }

    public function test_a_book_may_move_a_field_from_one_class_to_the_other(): void
    {
        $customer = $this->pushed();
        $this->edit($customer, [
            ['object' => "tenant:{$customer}", 'path' => 'leftToCustomer', 'value' => ['user.email']],
        ])->assertOk();
        $this->enter($customer)->assertCreated();
        $this->person($customer, ['mail' => 'ines@elsewhere.example', 'rules' => [
            'day' => ['ringers' => '*', 'style' => 'at-once', 'on' => [
                'ever' => ['out' => null, 'in' => ['act' => 'release']],
            ]],
            'night' => null,
            'feast' => null,
        ]]);

        $live = $this->actingAs($this->lead)->postJson("/api/customers/{$customer}/live/read")->json();

        self::assertSame(
            [['email'], ['handling/open/always']],
            [array_column($live['left'], 'path'), array_column($live['differences'], 'path')],
        );
        $this->edit($customer, [
            ['object' => "tenant:{$customer}", 'path' => 'leftToCustomer', 'value' => ['nothing']],
        ])->assertStatus(422);
    }

    public function test_a_waived_difference_is_none_until_it_changes_lapses_or_is_taken_back(): void
    {
        $customer = $this->pushed();
        $this->person($customer, ['mail' => 'ines@elsewhere.example']);
        $this->readAgain($customer);

        $live = $this->postJson(
            "/api/customers/{$customer}/live/waivers",
            self::EMAIL + ['reason' => 'their own address while she is away', 'until' => '2026-12-24'],
        )->assertCreated()->json();
        self::assertSame(
            [[], 'their own address while she is away', '2026-12-24'],
            [$live['differences'], $live['waived'][0]['reason'], $live['waived'][0]['until']],
        );
        self::assertSame(0, $this->listed($customer)['differences']);

        // A push of the book leaves it alone and is done all the same.
        self::assertSame('done', $this->push($customer)['status']);
        self::assertSame('ines@elsewhere.example', $this->person($customer)['mail']);

        $this->clockAt('2026-12-25T03:30:00Z');
        self::assertSame([], $this->differing($customer), 'in Halifax it is still the 24th');
        $this->clockAt('2026-12-25T04:30:00Z');
        self::assertSame(['email'], $this->differing($customer));

        $this->clockAt('2026-12-01T18:05:00Z');
        $this->person($customer, ['mail' => 'ines@third.example']);
        $this->readAgain($customer);
        self::assertSame(['email'], $this->differing($customer), 'what was waived was another address');
        $this->person($customer, ['mail' => 'ines@elsewhere.example']);
        $this->readAgain($customer);
        self::assertSame([], $this->differing($customer));

        $id = $this->getJson("/api/customers/{$customer}/live")->json('waived.0.id');
        self::assertSame(['email'], array_column(
            $this->deleteJson("/api/customers/{$customer}/live/waivers/{$id}")->assertOk()->json('differences'),
            'path',
        ));
        $this->deleteJson("/api/customers/{$customer}/live/waivers/{$id}")->assertNotFound();
    }

    public function test_what_only_the_switch_has_can_be_waived_and_what_it_lacks_cannot(): void
    {
        $customer = $this->pushed();
        $account = $this->account($customer);
        $this->wire->byHand('POST', "{$account}/boxes", ['caption' => 'Spare']);
        $person = $this->person($customer);
        $this->wire->byHand('PATCH', "{$account}/persons/{$person['id']}", ['box' => null]);
        foreach ($this->wire->byHand('GET', "{$account}/boxes")['rows'] as $box) {
            if ($box['caption'] !== 'Spare') {
                $this->wire->byHand('DELETE', "{$account}/boxes/{$box['id']}");
            }
        }
        $differences = array_column($this->readAgain($customer), 'object', 'what');

        $this->postJson(
            "/api/customers/{$customer}/live/waivers",
            ['object' => $differences['missing'], 'reason' => 'gone'],
        )->assertStatus(409)->assertJsonPath('type', 'urn:jaunty-roster:problem:cannot-waive');
        $this->postJson(
            "/api/customers/{$customer}/live/waivers",
            ['object' => $differences['unknown'], 'reason' => 'their own'],
        )->assertCreated();
        self::assertSame('done', $this->push($customer)['status']);
        self::assertContains('Spare', array_column($this->wire->byHand('GET', "{$account}/boxes")['rows'], 'caption'));
    }

    public function test_a_waiver_needs_a_difference_a_reason_and_a_day_to_come(): void
    {
        $customer = $this->pushed();
        $this->actingAs($this->lead)
            ->postJson("/api/customers/{$customer}/live/waivers", self::EMAIL + ['reason' => 'why not'])
            ->assertStatus(409);
        $this->person($customer, ['mail' => 'ines@elsewhere.example']);
        $this->readAgain($customer);

        $this->postJson("/api/customers/{$customer}/live/waivers", self::EMAIL + ['reason' => ' '])->assertStatus(422);
        $this->postJson(
            "/api/customers/{$customer}/live/waivers",
            self::EMAIL + ['reason' => 'x', 'until' => '2026-11-30'],
        )->assertStatus(409);
        $this->postJson(
            "/api/customers/{$customer}/live/waivers",
            self::EMAIL + ['reason' => 'x', 'until' => '2026-13-01'],
        )->assertStatus(422);
    }

    public function test_what_was_signed_stands_beside_book_and_live_and_nothing_alters_it(): void
    {
        $customer = $this->pushed();
        $this->actingAs($this->lead)
            ->postJson("/api/customers/{$customer}/signed", ['revision' => 9, 'by' => 'I. Marsh', 'on' => '2026-12-01'])
            ->assertStatus(422);
        $this->postJson(
            "/api/customers/{$customer}/signed",
            ['revision' => 1, 'by' => 'I. Marsh', 'on' => '2026-12-01'],
        )->assertCreated()->assertJsonPath('signed.since', []);
        $this->edit($customer, [self::EMAIL + ['value' => 'ines@inlet.example']]);
        $this->enter($customer)->assertCreated();
        $this->person($customer, ['mail' => 'ines@elsewhere.example']);
        $this->readAgain($customer);
        // Adopting what is live is an edit like any other: it changes the book, and not what was signed.
        $this->edit($customer, [self::EMAIL + ['value' => 'ines@elsewhere.example']]);
        $before = $this->getJson("/api/customers/{$customer}/live")->json('differences.0');
        $this->enter($customer)->assertCreated();

        $live = $this->getJson("/api/customers/{$customer}/live")->json();

        self::assertSame(
            [null, 'ines@inlet.example', 'ines@elsewhere.example'],
            [$before['signed'], $before['book'], $before['live']],
        );
        self::assertSame(
            [[], 1, 'I. Marsh'],
            [$live['differences'], $live['signed']['revision'], $live['signed']['by']],
        );
        self::assertSame([['email', null, 'ines@elsewhere.example']], array_map(
            static fn (array $since): array => [$since['path'], $since['book'], $since['live']],
            $live['signed']['since'],
        ));
    }

    /** @return list<?string> */
    private function differing(string $customer): array
    {
        return array_column(
            $this->actingAs($this->lead)->getJson("/api/customers/{$customer}/live")->assertOk()->json('differences'),
            'path',
        );
    }
}
