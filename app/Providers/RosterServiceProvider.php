<?php

declare(strict_types=1);

namespace App\Providers;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Book\AfterRevision;
use App\Demo\DemoProvider;
use App\House\House;
use App\Http\Middleware\SignInByToken;
use App\Models\Technician;
use App\Prompts\SpeechStudio;
use App\Roster\SummaryKeeper;
use App\Secrets\SecretKeeper;
use App\Security\OpenSessions;
use App\Security\SessionsInRedis;
use App\Security\SessionsInTable;
use App\Security\SignedIn;
use App\Settings\Nights;
use App\Settings\Reached;
use App\Stock\CarrierWire;
use App\Switching\Switches;
use App\Time\Clock;
use App\Time\FixedClock;
use App\Time\SystemClock;
use Illuminate\Auth\AuthManager;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Console\Scheduling\Schedule;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Contracts\Redis\Factory as Redis;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Middleware\TrustHosts;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Mail\Events\MessageSending;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\ServiceProvider;
use Symfony\Component\Mime\Address;

/** Binds ports to what fills them, and nothing else. */
final class RosterServiceProvider extends ServiceProvider
{
    private const REQUESTS_A_MINUTE = 1200;

    private const PASSWORDS_A_MINUTE = 6;

    private const TAKES_A_MINUTE = 60;

    public function register(): void
    {
        $this->app->singleton(Clock::class, static function (): Clock {
            $fixed = config('roster.fixed_now');

            return is_string($fixed) && $fixed !== '' ? new FixedClock($fixed) : new SystemClock();
        });
        $this->app->scoped(ActivityLog::class);
        $this->app->scoped(Scope::class);
        $this->app->bind(AfterRevision::class, SummaryKeeper::class);
        $this->app->when(SecretKeeper::class)->needs('$applicationKey')->giveConfig('app.key');
        $this->app->when(SignedIn::class)->needs('$minutes')->giveConfig('session.lifetime');
        $this->app->bind(SessionsInRedis::class, static fn (Application $app): SessionsInRedis => new SessionsInRedis(
            $app->make(Redis::class)->connection(),
            $app,
            (int) config()->integer('session.lifetime'),
        ));
        $this->app->bind(OpenSessions::class, static fn (Application $app): OpenSessions => $app->make(
            config('session.kept_in') === SessionsInRedis::class ? SessionsInRedis::class : SessionsInTable::class,
        ));
        $this->app->bind(StatefulGuard::class, static function (Application $app): StatefulGuard {
            $guard = $app->make(AuthManager::class)->guard('web');

            return $guard instanceof StatefulGuard ? $guard : throw new \LogicException('the web guard keeps no state');
        });
        $this->app->scoped(House::class);
        $this->app->scoped(Reached::class);
        $this->app->scoped(
            Switches::class,
            static fn (Application $app): Switches => $app->make(Reached::class)->switches(),
        );
        $this->app->bind(
            CarrierWire::class,
            static fn (Application $app): CarrierWire => $app->make(Reached::class)->carrierWire(),
        );
        $this->app->bind(
            SpeechStudio::class,
            static fn (Application $app): SpeechStudio => $app->make(Reached::class)->studio(),
        );
        if (config('roster.demo') === true) {
            $this->app->register(DemoProvider::class);
        }
    }

    public function boot(): void
    {
        Session::extend(
            SessionsInRedis::class,
            fn (): SessionsInRedis => $this->app->make(SessionsInRedis::class),
        );
        Model::shouldBeStrict();
        TrustProxies::at(self::list('trusted_proxies'));
        TrustHosts::at(
            array_map(static fn (string $host): string => '^' . preg_quote($host, '/') . '$', self::list('hosts')),
            false,
        );
        // Whose name letters go out in is settled on a screen: each asks when it is written.
        Event::listen(MessageSending::class, function (MessageSending $letter): void {
            $house = $this->app->make(House::class)->settings();
            if ($house->mailFrom !== null) {
                $letter->message->from(new Address($house->mailFrom, $house->reseller));
            }
        });
        $this->app->afterResolving(Schedule::class, fn (Schedule $schedule) => $this->app->make(Nights::class)->plan(
            $schedule,
        ));
        RateLimiter::for('api', static fn (Request $request): Limit => Limit::perMinute(self::REQUESTS_A_MINUTE)->by(
            self::whoAsks($request),
        ));
        RateLimiter::for(
            'studio',
            static fn (Request $request): Limit => Limit::perMinute(self::TAKES_A_MINUTE)->by(self::whoAsks($request)),
        );
        RateLimiter::for(
            'password',
            static fn (Request $request): Limit => Limit::perMinute(self::PASSWORDS_A_MINUTE)->by(
                (string) $request->ip(),
            ),
        );
    }

    /** Programs that share an address do not use up each other's share. */
    private static function whoAsks(Request $request): string
    {
        $token = $request->attributes->get(SignInByToken::TOKEN);

        $technician = $request->user();

        // Colleagues behind one address do not use up each other's share either.
        return is_string($token)
            ? "token {$token}"
            : ($technician instanceof Technician ? "technician {$technician->id}" : (string) $request->ip());
    }

    /** @return list<string> */
    private static function list(string $name): array
    {
        $value = config("roster.{$name}");

        return is_string($value)
            ? array_values(
                array_filter(
                    array_map(trim(...), explode(',', $value)),
                    static fn (string $each): bool => $each !== '',
                ),
            )
            : [];
    }
}
