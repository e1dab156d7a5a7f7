<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;

/** How the house is, for leads and for programs; and what the log says of a request. */
final class HealthTest extends FeatureTestCase
{
    /** A job that nobody came for. */
    private const OLD = '{"displayName":"old"}';

    protected function tearDown(): void
    {
        DB::table('jobs')->where('payload', self::OLD)->delete();
        $this->settle([]);
        parent::tearDown();
    }

    public function test_leads_see_what_is_well_what_is_not_and_what_nobody_could_look_at(): void
    {
        config(['roster.carrier' => ['url' => 'http://nobody.invalid', 'token' => 'x'], 'mail.default' => 'smtp',
            'mail.mailers.smtp.host' => '127.0.0.1', 'mail.mailers.smtp.port' => 9]);
        DB::table('jobs')->insert(['queue' => 'default', 'payload' => self::OLD, 'attempts' => 0,
            'available_at' => time() - 3600, 'created_at' => time()]);
        $this->settle(['nightlyAs' => $this->technician()->id]);

        $told = $this->actingAs($this->lead)->getJson('/api/health')->assertOk()->json('checks');
        $checks = array_column($told, null, 'name');
        self::assertSame('well', $checks['database']['health']);
        self::assertSame('failing', $checks['queue']['health']);
        self::assertStringContainsString('are there workers?', $checks['queue']['said']);
        self::assertSame('failing', $checks['carrier']['health']);
        self::assertSame('nobody listens at 127.0.0.1:9', $checks['mail']['said']);
        self::assertSame('unknown', $checks['last night']['health']);
        self::assertSame('well', $checks['switch practice switch']['health']);

        $other = $this->technician();
        $this->grant($other, null, Ability::Push);
        $this->actingAs($other)->getJson('/api/health')->assertForbidden();
    }

    /** Each line by the grammar of OpenMetrics 1.0.0: metadata, samples, and the end. */
    public function test_programs_read_it_with_the_token_and_nobody_without(): void
    {
        $this->get('/metrics')->assertNotFound();
        config(['roster.metrics_token' => 'for the watchman']);
        $this->get('/metrics')->assertNotFound();
        $this->get('/metrics', ['Authorization' => 'Bearer else'])->assertNotFound();
        $answer = $this->get('/metrics', ['Authorization' => 'Bearer for the watchman'])->assertOk();

        self::assertStringStartsWith(
            'application/openmetrics-text; version=1.0.0',
            (string) $answer->headers->get('Content-Type'),
        );
        $lines = explode("\n", (string) $answer->getContent());
        self::assertSame(['# EOF', ''], array_slice($lines, -2));
        $name = '[a-zA-Z_:][a-zA-Z0-9_:]*';
        $label = '[a-z]+="[^"\n]*"';
        foreach (array_slice($lines, 0, -2) as $line) {
            self::assertMatchesRegularExpression(
                "/^(# (TYPE {$name} gauge|UNIT {$name} [a-z]+|HELP {$name} .+)|{$name}(\\{{$label}(,{$label})*\\})? "
                    . '-?[0-9.e+-]+)$/',
                $line,
            );
        }
        self::assertContains('roster_health{check="database",state="well"} 1', $lines);
        self::assertNotSame([], preg_grep('/^roster_database_clock_difference_seconds \d/', $lines) ?: []);
        self::assertSame(array_unique(preg_grep('/^# TYPE/', $lines) ?: []), preg_grep('/^# TYPE/', $lines) ?: []);
    }

    public function test_a_request_has_a_number_and_its_line_tells_no_secret(): void
    {
        $seen = [];
        Log::listen(static function ($entry) use (&$seen): void {
            $seen[] = json_encode([$entry->message, $entry->context], JSON_THROW_ON_ERROR);
        });
        $answer = $this->postJson('/api/session?secret=of-the-address', [
            'signIn' => $this->lead->sign_in, 'password' => 'a password of the test',
        ])->assertOk();
        $id = (string) $answer->headers->get('X-Request-Id');

        self::assertMatchesRegularExpression('/^[0-9a-f]{16}$/', $id);
        $told = implode("\n", $seen);
        self::assertStringContainsString('"route":"api\/session","status":200', $told);
        self::assertStringContainsString($this->lead->id, $told);
        foreach (['a password', 'of-the-address', $this->lead->sign_in] as $secret) {
            self::assertStringNotContainsString($secret, $told);
        }
        self::assertNotSame($id, $this->getJson('/api/session')->headers->get('X-Request-Id'));
    }
}
