<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Stock\CarrierTrouble;
use App\Stock\NumberStock;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Tests\Feature\Support\Wire;

final class StockTest extends FeatureTestCase
{
    public function test_numbers_ordered_from_the_carrier_are_free_in_stock_with_their_receipt(): void
    {
        $ordered = $this->app->make(NumberStock::class)->order($this->lead->id, '4413149609', 3, 'saltmarsh-voice');

        self::assertCount(3, $ordered);
        $stock = array_column(
            $this->actingAs($this->lead)->getJson('/api/stock')->assertOk()->json('numbers'),
            null,
            'number',
        );
        foreach ($ordered as $number) {
            self::assertSame('GB', $stock[$number]['region']);
            self::assertMatchesRegularExpression('/^\+44 131 496 0\d{3}$/D', $stock[$number]['display']);
        }
        $receipts = $this->scope()->technician(
            $this->lead->id,
            static fn (): array => DB::table('numbers')->whereIn('e164', $ordered)->pluck('carrier_receipt')->all(),
        );
        self::assertCount(3, array_filter($receipts));
    }

    public function test_the_price_the_carrier_named_is_the_price_agreed(): void
    {
        $agreed = [];
        $this->wire->interfere = static function (Request $request) use (&$agreed): null {
            if ($request->method() === 'POST') {
                $agreed[] = $request->data()['agreed_price'];
            }

            return null;
        };

        $this->app->make(NumberStock::class)->order($this->lead->id, '1506', 2, 'saltmarsh-voice');

        self::assertSame([150, 150], $agreed);
    }

    public function test_a_carrier_that_refuses_or_cannot_be_reached_says_why_and_stock_stays(): void
    {
        $before = $this->free();
        foreach (
            [
                'it cannot be reached' => static fn () => Wire::cut(),
                'closed today' => static fn () => Http::response(['fault' => 'closed today'], 503),
            ] as $why => $trouble
        ) {
            $this->wire->interfere = $trouble;
            try {
                $this->app->make(NumberStock::class)->order($this->lead->id, '1902', 1, 'saltmarsh-voice');
                self::fail('the carrier was not to answer');
            } catch (CarrierTrouble $fault) {
                self::assertSame("The carrier did not do this: {$why}", $fault->getMessage());
            }
        }

        self::assertSame($before, $this->free());
    }

    public function test_a_number_whose_customer_lets_it_go_is_free_again(): void
    {
        $customer = $this->takeOn();
        self::assertNotContains(
            $customer['number'],
            array_column($this->getJson('/api/stock')->json('numbers'), 'number'),
        );

        $this->scope()->tenant(
            $this->lead->id,
            $customer['key'],
            \App\Models\Ability::Edit,
            function (\App\Models\TenantRow $tenant) use ($customer): void {
                $book = $this->app->make(\App\Book\BookRepository::class)->head($tenant->id);
                $number = $book->find(\Jaunty\Core\Book\Reference::parse("number:{$customer['number']}"));
                self::assertNotNull($number);
                $changes = \Jaunty\Core\Change\ChangeSet::of(
                    \Jaunty\Core\Change\Operation::set(
                        \Jaunty\Core\Book\Reference::of($book->tenant),
                        'mainNumber',
                        "number:{$customer['number']}",
                        null,
                    ),
                    \Jaunty\Core\Change\Operation::set(
                        \Jaunty\Core\Book\Reference::parse('user:ines-marsh'),
                        'callerId',
                        "number:{$customer['number']}",
                        null,
                    ),
                    \Jaunty\Core\Change\Operation::set(
                        \Jaunty\Core\Book\Reference::parse('site:office'),
                        'emergency/callback',
                        "number:{$customer['number']}",
                        null,
                    ),
                    \Jaunty\Core\Change\Operation::delete($number),
                );
                $this->app->make(\App\Book\RevisionWriter::class)
                    ->enter($tenant, $this->lead->id, $changes, \App\Book\RevisionSource::Edit);
            },
        );

        self::assertContains($customer['number'], $this->stock());
        // Somebody else takes it; undoing would need it back.
        $other = $this->postJson('/api/taking-on', ['template' => 'one-line-office', 'answers' => [
            'name' => "Takes {$customer['number']}", 'zone' => 'America/Halifax', 'mainNumber' => $customer['number'],
            'messages' => 'Joss Arden',
        ]])->assertCreated();
        $this->postJson("/api/customers/{$customer['key']}/revisions/2/undo")->assertStatus(409)
            ->assertJsonPath('type', 'urn:jaunty-roster:problem:number-not-free');
        self::assertNotNull($other->json('customer'));
    }

    private function free(): int
    {
        return $this->scope()->technician(
            $this->lead->id,
            static fn (): int => DB::table('numbers')->whereNull('tenant_id')->count(),
        );
    }

    /** @return list<string> */
    private function stock(): array
    {
        return $this->scope()->technician(
            $this->lead->id,
            static fn (): array => DB::table('numbers')->whereNull('tenant_id')->pluck('e164')->all(),
        );
    }
}
