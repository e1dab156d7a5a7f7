<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\Route;
use Tests\Feature\Support\Contract;

final class ContractTest extends FeatureTestCase
{
    public function test_every_route_is_in_the_contract_and_the_contract_has_no_other(): void
    {
        $routes = [];
        foreach (Route::getRoutes()->getRoutes() as $route) {
            foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                if (str_starts_with($route->uri(), 'api/') && ! str_contains($route->uri(), '{unknown}')) {
                    $routes[] = strtolower($method) . ' ' . substr($route->uri(), 3);
                }
            }
        }
        sort($routes);

        self::assertSame(Contract::load()->operations(), $routes);
    }

    public function test_every_route_but_those_of_letters_and_signing_in_refuses_a_stranger(): void
    {
        foreach (Contract::load()->operations() as $operation) {
            [$method, $path] = explode(' ', $operation);
            if (
                ($path === '/session' && $method !== 'delete')
                || str_starts_with($path, '/joining')
                || str_starts_with($path, '/where')
                || $path === '/password-letters'
            ) {
                continue;
            }
            $path = str_replace(
                [
                    '{customer}', '{no}', '{push}', '{token}', '{audit}', '{grant}', '{invitation}', '{technician}',
                    '{port}', '{paper}', '{order}', '{plan}', '{number}', '{run}',
                    '{prompt}', '{kind}', '{fingerprint}', '{session}', '{device}',
                ],
                [
                    'ardent-road', '1', ...array_fill(0, 10, '6f2a1f4e-0a43-4be0-9c3b-3f5a2d3c1b00'),
                    '+19025550110', '0', 'welcome',
                    'user', str_repeat('0', 32), str_repeat('0', 20), 'front',
                ],
                $path,
            );
            $this->json($method, "/api{$path}")->assertStatus(401);
        }
    }

    public function test_an_address_that_is_none_answers_with_a_problem(): void
    {
        $this->actingAs($this->lead);
        $response = parent::call('GET', '/up');
        self::assertSame(200, $response->baseResponse->getStatusCode());

        $problem = \Illuminate\Foundation\Testing\TestCase::call('GET', '/api/nothing/here');

        self::assertSame('application/problem+json', $problem->headers->get('Content-Type'));
        self::assertSame(404, $problem->json('status'));
        self::assertSame('urn:jaunty-roster:problem:not-found', $problem->json('type'));
    }
}
