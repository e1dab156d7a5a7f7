<?php

declare(strict_types=1);

namespace Tests\Feature\Support;

use App\Models\Technician;

/** Requests of programs, by token, and of people, in one test. */
trait ByToken
{
    private function token(string $scope, ?Technician $of = null): string
    {
        $token = $this->asPerson($of ?? $this->lead)
            ->postJson('/api/api-tokens', ['name' => "for {$scope}", 'scope' => $scope])
            ->assertCreated()
            ->json('token');
        self::assertIsString($token);

        return $token;
    }

    private function asPerson(Technician $technician): self
    {
        $this->startAnew();

        return $this->actingAs($technician);
    }

    /** Nobody is signed in but by the token. */
    private function asProgram(string $token): self
    {
        $this->startAnew();

        return $this->withHeader('Authorization', "Bearer {$token}");
    }

    /** Each request of a test shares one application; who was signed in must not outlive it. */
    private function startAnew(): void
    {
        $this->flushHeaders();
        $this->app->make('auth')->forgetGuards();
        $this->app->make('session')->flush();
    }
}
