<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Demo\Demo;
use App\Models\Technician;
use Illuminate\Support\Facades\DB;

final class DemoTest extends FeatureTestCase
{
    public function test_the_demo_loads_whole_and_loading_it_again_adds_nothing(): void
    {
        $first = iterator_to_array($this->app->make(Demo::class)->load(), false);
        $again = iterator_to_array($this->app->make(Demo::class)->load(), false);

        self::assertCount(7, $first);
        self::assertSame([], $again);
        $lena = Technician::query()->where('sign_in', 'lena@saltmarsh.example')->firstOrFail();
        $lines = array_column($this->actingAs($lena)->getJson('/api/customers')->assertOk()->json('customers'), null, 'key');
        self::assertSame([0, 0, null], array_map(static fn (string $key): ?int => $lines[$key]['differences'], ['ardent-road-veterinary', 'coldharbour-boatyard', 'east-pier-museum']));
        $sol = Technician::query()->where('sign_in', 'sol@saltmarsh.example')->firstOrFail();
        self::assertSame(['coldharbour-boatyard'], array_column($this->actingAs($sol)->getJson('/api/customers')->json('customers'), 'key'));
    }

    public function test_faults_of_our_own_are_logged_without_what_they_were_about(): void
    {
        $log = storage_path('logs/laravel.log');
        @unlink($log);
        try {
            DB::table('objects')->insert(['tenant_id' => 'secret-of-a-customer']);
        } catch (\Throwable $fault) {
            \App\Http\Problem\FaultLog::write($fault);
        }

        $written = implode('', array_map(static fn (string $file): string => (string) file_get_contents($file), glob(storage_path('logs/*.log')) ?: []));
        self::assertStringContainsString('QueryException', $written);
        self::assertStringNotContainsString('secret-of-a-customer', $written);
    }
}
