<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;

/** Dialling over HTTP, on the edited book: what goes out, what is claimed of routes, and what a change does to both. */
final class OutboundTest extends FeatureTestCase
{
    private string $customer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->actingAs($this->lead)
            ->postJson('/api/taking-on/book', $this->bookFrom('docs/examples/inlet.json'))
            ->assertCreated()
            ->json('customer');
    }

    public function test_a_new_route_changes_what_can_be_dialled_before_it_is_entered_and_says_for_whom(): void
    {
        $dial = fn (string $digits, array $more = []): array => $this->postJson(
            "{$this->path()}/outbound/dial",
            ['who' => 'user:ines', 'digits' => $digits] + $more,
        )->assertOk()->json();
        self::assertSame(['nowhere', 'otherDigits'], [$dial('911')['end'], $dial('911')['routes'][0]['verdict']]);

        $this->edit($this->customer, [['op' => 'create', 'object' => 'route:help', 'path' => '', 'value' => [
            'name' => 'Help', 'position' => 9, 'digits' => '911', 'emergency' => true, 'trunks' => ['trunk:harbour'],
        ]]])->assertOk();

        $now = $dial('911');
        self::assertSame(['emergency', 'route:help', '911'], [$now['end'], $now['route'], $now['sent']]);
        self::assertSame('nowhere', $dial('911', ['in' => 'book'])['end']);
        self::assertSame(
            ['route:help', 'route:national'],
            array_column($now['routes'], 'route'),
            'help is asked first whatever its position',
        );
        $claims = array_column($this->getJson("{$this->path()}/outbound")->assertOk()->json('routes'), null, 'route');
        self::assertSame(
            [3, 3, '911'],
            [$claims['route:help']['least'], $claims['route:help']['most'], $claims['route:help']['shortest']],
        );
        $dialling = $this->getJson("{$this->path()}/draft/impact")->assertOk()->json('impact.dialling');
        self::assertContains('911', array_column($dialling, 'digits'));
        self::assertContains('user:ines', $dialling[0]['who']);
    }

    public function test_samples_follow_the_class_and_full_trunks_and_hours_are_taken_as_told(): void
    {
        $samples = array_column(
            $this->getJson("{$this->path()}/outbound")->assertOk()->json('samples'),
            'classes',
            'kind',
        );
        $routes = array_column($samples['national'], 'route', 'class');
        self::assertSame(
            ['internal' => null, 'local' => null, 'national' => 'route:national', 'international' => 'route:national'],
            $routes,
        );
        $dial = fn (array $more): array => $this->postJson(
            "{$this->path()}/outbound/dial",
            $more + ['who' => 'national', 'digits' => '19025550199'],
        )->assertOk()->json();
        self::assertSame('outside', $dial([])['end']);
        self::assertSame('noTrunk', $dial(['full' => ['trunk:harbour']])['routes'][0]['verdict']);

        $this->edit($this->customer, [
            ['object' => 'route:national', 'path' => 'schedule', 'value' => 'schedule:office'],
        ])->assertOk();
        self::assertSame(
            ['outside', 'closed'],
            [$dial(['at' => '2026-12-01T10:00'])['end'], $dial(['at' => '2026-12-01T22:00'])['routes'][0]['verdict']],
        );
    }

    /** A group's callers are led on by its class and its trunks; its members dial by theirs. */
    public function test_a_call_that_is_led_on_goes_by_the_class_of_whoever_leads_it(): void
    {
        $this->edit($this->customer, [
            ['object' => 'group:desk', 'path' => 'onwardClass', 'value' => 'local'],
        ])->assertOk();
        $dial = fn (string $who, ?string $led): string => $this->postJson(
            "{$this->path()}/outbound/dial",
            ['who' => $who, 'digits' => '19025550199', 'led' => $led],
        )->assertOk()->json('routes.0.verdict');

        self::assertSame(
            ['takes', 'class', 'takes'],
            [$dial('user:ines', null), $dial('group:desk', 'outside'), $dial('user:ines', 'outside')],
        );
        $this->edit($this->customer, [
            ['object' => 'trunk:harbour', 'path' => 'outsideCallersOut', 'value' => false],
        ])->assertOk();
        self::assertSame(['takes', 'noTrunk'], [$dial('user:ines', 'inside'), $dial('user:ines', 'outside')]);
    }

    public function test_digit_maps_are_offered_in_plain_words_behind_any_prefix(): void
    {
        $choices = fn (string $query): array => array_column(
            $this->getJson("{$this->path()}/outbound/choices{$query}")->assertOk()->json('choices'),
            'digits',
            'key',
        );

        self::assertSame(
            ['91[2-9]xxxxxxxxx', '112|911'],
            [$choices('?prefix=9')['national-1'], $choices('?prefix=9')['emergency']],
        );
        self::assertSame('1[2-9]xxxxxxxxx', $choices('')['national-1']);
        $this->getJson("{$this->path()}/outbound/choices?prefix=abc")->assertStatus(422);
    }

    public function test_what_cannot_be_dialled_is_said_at_its_field(): void
    {
        foreach (['digits' => 'call me', 'who' => 'nobody', 'at' => 'tomorrow'] as $field => $wrong) {
            $this->postJson(
                "{$this->path()}/outbound/dial",
                [$field => $wrong] + ['who' => 'user:ines', 'digits' => '911'],
            )->assertStatus(422)->assertJsonPath('errors.0.pointer', "/{$field}");
        }
        $this->postJson("{$this->path()}/outbound/dial", ['who' => 'user:ghost', 'digits' => '911'])->assertStatus(422)
            ->assertJsonPath('errors.0.pointer', '/who');
        $reader = $this->technician();
        $this->grant($reader, $this->tenantId($this->customer), Ability::Read);
        $this->actingAs($reader)->postJson("{$this->path()}/outbound/dial", ['who' => 'user:ines', 'digits' => '911'])
            ->assertOk();
    }

    private function path(): string
    {
        return "/api/customers/{$this->customer}";
    }
}
