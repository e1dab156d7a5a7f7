<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use App\Models\ApiToken;
use Tests\Feature\Support\ByToken;

final class ApiTokenTest extends FeatureTestCase
{
    use ByToken;

    public function test_a_program_does_what_its_token_s_scope_covers_and_no_more(): void
    {
        $customer = $this->takeOn();
        $tokens = array_map(
            fn (string $scope): string => $this->token($scope),
            ['read' => 'read', 'edit' => 'edit', 'push' => 'push'],
        );
        $edit = ['edits' => [['object' => 'user:ines-marsh', 'path' => 'display', 'value' => 'Ines']]];
        $allowed = static fn (int $status): bool => $status < 400;

        foreach (
            [
                'read' => [true, false, false],
                'edit' => [true, true, false],
                'push' => [true, true, true],
            ] as $scope => $may
        ) {
            $this->asProgram($tokens[$scope]);
            self::assertSame($may, [
                $allowed($this->getJson("/api/customers/{$customer['key']}/desk")->status()),
                $allowed($this->postJson("/api/customers/{$customer['key']}/draft/edits", $edit)->status()),
                $allowed($this->postJson("/api/customers/{$customer['key']}/pushes")->status()),
            ], $scope);
        }
        $this->asProgram($tokens['read']);
        $problem = $this->postJson("/api/customers/{$customer['key']}/draft/edits", $edit)->assertStatus(403)->json();
        self::assertStringContainsString("token's scope", $problem['detail']);
        $this->postJson(
            '/api/taking-on',
            ['template' => 'one-line-office', 'answers' => ['name' => 'x']],
        )->assertStatus(403);
    }

    public function test_a_token_never_goes_beyond_what_its_technician_is_granted(): void
    {
        $customer = $this->takeOn();
        $reader = $this->technician();
        $this->grant($reader, $this->tenantId($customer['key']), Ability::Read);

        $this->asProgram($this->token('push', $reader));

        $this->getJson("/api/customers/{$customer['key']}/desk")->assertOk();
        $this->postJson("/api/customers/{$customer['key']}/pushes")->assertStatus(403);
    }

    public function test_a_token_is_shown_once_kept_as_a_hash_and_taken_back(): void
    {
        $made = $this->actingAs($this->lead)
            ->postJson('/api/api-tokens', ['name' => 'Nightly drift', 'scope' => 'read', 'days' => 30])
            ->assertCreated()
            ->json();

        self::assertStringStartsWith('roster_', $made['token']);
        self::assertStringNotContainsString(
            $made['token'],
            json_encode(ApiToken::query()->whereKey($made['id'])->firstOrFail()->getAttributes(), JSON_THROW_ON_ERROR),
        );
        $listed = array_column($this->getJson('/api/api-tokens')->assertOk()->json('tokens'), null, 'id')[$made['id']];
        self::assertArrayNotHasKey('token', $listed);
        self::assertNull($listed['lastUsedAt']);
        $this->asProgram($made['token'])->getJson('/api/customers')->assertOk();
        self::assertNotNull(ApiToken::query()->whereKey($made['id'])->firstOrFail()->last_used_at);

        $this->asPerson($this->lead)->deleteJson("/api/api-tokens/{$made['id']}")->assertNoContent();
        $this->asProgram($made['token'])->getJson('/api/customers')->assertStatus(401);
    }

    public function test_nobody_takes_back_another_s_token(): void
    {
        $made = $this->actingAs($this->lead)->postJson('/api/api-tokens', ['name' => 'x', 'scope' => 'read'])->json();

        $this->asPerson($this->technician())->deleteJson("/api/api-tokens/{$made['id']}")->assertNoContent();

        $this->asProgram($made['token'])->getJson('/api/customers')->assertOk();
    }

    public function test_a_token_that_has_run_out_or_is_made_up_opens_nothing(): void
    {
        $token = $this->token('read');
        ApiToken::query()->where('technician_id', $this->lead->id)
            ->update(['until' => new \DateTimeImmutable('2020-01-01')]);

        $this->asProgram($token)->getJson('/api/customers')->assertStatus(401);
        $this->asProgram('roster_' . str_repeat('0', 64))->getJson('/api/customers')->assertStatus(401);
        $this->asProgram('something')->getJson('/api/customers')->assertStatus(401);
    }

    public function test_a_token_makes_no_other_and_touches_no_second_factor(): void
    {
        $this->asProgram($this->token('push'));

        $this->postJson('/api/api-tokens', ['name' => 'x', 'scope' => 'push'])->assertStatus(403);
        $this->getJson('/api/api-tokens')->assertStatus(403);
        $this->postJson('/api/second-factor', ['password' => 'x'])->assertStatus(403);
    }
}
