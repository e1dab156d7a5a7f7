<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Str;
use Jaunty\Core\Book\BookFormat;

/** The same from the command line, fit for cron: what is found is in the exit code. */
final class ConsoleTest extends FeatureTestCase
{
    public function test_a_book_goes_in_and_out_is_pushed_and_its_drift_is_told(): void
    {
        $file = sys_get_temp_dir() . '/book-' . Str::random(8) . '.json';
        $value = $this->bookFrom('docs/examples/inlet.json');
        $customer = $value['tenant']['key'];
        file_put_contents($file, json_encode($value, JSON_THROW_ON_ERROR));

        self::assertSame(
            [0, "took on Inlet Property Care as {$customer}\n"],
            $this->inTheirName('roster:import', ['file' => $file]),
        );
        unlink($file);
        [$code, $out] = $this->inTheirName('roster:export', ['customer' => $customer]);
        self::assertSame([0, $customer], [$code, BookFormat::fromJson($out)->tenant->key]);
        self::assertSame(
            [0, "{$customer}: not on the switch yet\n"],
            $this->inTheirName('roster:drift', ['customer' => [$customer]]),
        );
        [$code, $out] = $this->inTheirName('roster:push', ['customer' => $customer]);
        self::assertSame(0, $code);
        self::assertMatchesRegularExpression('/^revision 1 is on the switch; \d+ steps$/', trim($out));
        self::assertSame(
            [0, "{$customer}: as in the book\n"],
            $this->inTheirName('roster:drift', ['customer' => [$customer]]),
        );

        $account = '/v1/accounts/'
            . array_column($this->wire->byHand('GET', '/v1/accounts')['rows'], 'id', 'handle')[$customer];
        $box = $this->wire->byHand('GET', "{$account}/boxes")['rows'][0];
        $this->wire->byHand('PATCH', "{$account}/boxes/{$box['id']}", ['caption' => 'Theirs']);
        [$code, $out] = $this->inTheirName('roster:drift', ['customer' => [$customer]]);
        self::assertSame(1, $code);
        self::assertStringContainsString("{$customer}: 1 difference\n", $out);
        self::assertStringContainsString('-> "Theirs"', $out);
        [$code, $out] = $this->inTheirName('roster:drift', ['customer' => [$customer], '--json' => true]);
        self::assertSame([1, 'Theirs'], [$code, json_decode($out, true)[0]['differences'][0]['after']]);
    }

    public function test_nobody_s_name_and_what_nobody_has_are_errors(): void
    {
        self::assertSame(2, Artisan::call('roster:drift', []));
        self::assertSame(
            2,
            Artisan::call('roster:push', ['customer' => 'nobody', '--as' => 'nobody@saltmarsh.example']),
        );
        self::assertSame(2, $this->inTheirName('roster:push', ['customer' => 'no-such-customer'])[0]);
        self::assertSame(2, $this->inTheirName('roster:import', ['file' => base_path('composer.json')])[0]);
    }

    /**
     * @param  array<string, mixed>  $parameters
     * @return array{int, string}
     */
    private function inTheirName(string $command, array $parameters): array
    {
        $code = Artisan::call($command, $parameters + ['--as' => $this->lead->sign_in]);

        return [$code, Artisan::output()];
    }
}
