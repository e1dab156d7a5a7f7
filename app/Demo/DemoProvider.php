<?php

declare(strict_types=1);

namespace App\Demo;

use App\Post\PostTrayTransport;
use Illuminate\Http\Client\Factory;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\ServiceProvider;

/** What only the demo has. Registered nowhere else: nothing of it can be reached in a house of real customers. */
final class DemoProvider extends ServiceProvider
{
    public function boot(): void
    {
        // Whoever tries the demo signs in so.
        config(['roster.demo_sign_in' => ['signIn' => Demo::LEAD, 'password' => Demo::PASSWORD]]);
        $this->commands([LoadDemo::class]);
        Mail::extend('post-tray', function (): PostTrayTransport {
            $url = config('roster.post.url');

            return new PostTrayTransport($this->app->make(Factory::class), is_string($url) ? $url : '');
        });
    }
}
