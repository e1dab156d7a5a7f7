<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use Illuminate\Support\Facades\DB;

/** Calls that the practice switch wrote down, read once each, in the book's words. */
final class CallRecordsTest extends FeatureTestCase
{
    /** Five past two in Halifax on the first of December. */
    private const NOW = 1_796_148_300;

    private string $customer;

    private string $number;

    protected function setUp(): void
    {
        parent::setUp();
        $taken = $this->takeOn();
        [$this->customer, $this->number] = [$taken['key'], $taken['number']];
        self::assertSame('done', $this->push($this->customer)['status']);
    }

    public function test_calls_are_read_once_and_told_by_number_and_by_who_took_them(): void
    {
        $this->play(3, 'picks_up');
        $first = $this->postJson($this->path('/read'))->assertOk()->json();
        self::assertSame([3, 3, 0], [$first['whole']['calls'], $first['whole']['answered'], $first['whole']['missed']]);
        self::assertSame(
            [["number:{$this->number}", 3]],
            array_map(static fn (array $line): array => [$line['of'], $line['calls']], $first['numbers']),
        );
        self::assertSame(
            [['user:ines-marsh', 3]],
            array_map(static fn (array $line): array => [$line['of'], $line['answered']], $first['users']),
        );

        self::assertSame([[3, ltrim($this->number, '+'), 'withoutPlus']], array_map(
            static fn (array $line): array => [$line['calls'], $line['example'], $line['instead']],
            $first['forms'],
        ));

        $this->play(2, null);
        $this->postJson($this->path('/read'))->assertOk();
        $again = $this->postJson($this->path('/read'))->assertOk()->json('whole');
        self::assertSame([5, 3, 2], [$again['calls'], $again['answered'], $again['missed']], 'none is counted twice');
        self::assertSame(5, $this->getJson($this->path('?days=1'))->assertOk()->json('whole.calls'), 'all of today');
    }

    public function test_they_go_out_as_a_table_and_what_is_old_goes_away(): void
    {
        $this->play(2, 'picks_up', self::NOW - 100 * 86400);
        $this->play(1, 'picks_up', self::NOW - 40 * 86400);
        $this->postJson($this->path('/read'))->assertOk()->assertJsonPath('whole.calls', 1);
        self::assertSame(0, $this->getJson($this->path('?days=30'))->assertOk()->json('whole.calls'));

        $lines = explode("\n", trim((string) $this->get($this->path('/calls.csv'))->assertOk()->getContent()));
        self::assertSame('at,from,called,outcome,target,groups,rang,waited,talked', $lines[0]);
        self::assertCount(2, $lines);
        self::assertStringContainsString("'+19025550199,number:{$this->number},answered,user:ines-marsh", $lines[1]);
        self::assertSame(1, $this->scope()->tenant(
            $this->lead->id,
            $this->customer,
            Ability::Read,
            static fn (): int => DB::table('call_records')->count(),
        ));
    }

    public function test_a_customer_who_is_not_on_the_switch_has_no_calls(): void
    {
        $other = $this->takeOn()['key'];

        $this->postJson("/api/customers/{$other}/history/read")->assertOk()->assertJsonPath('whole.calls', 0);
        $this->getJson("/api/customers/{$other}/history?days=91")->assertStatus(422);
    }

    private function path(string $rest = ''): string
    {
        return "/api/customers/{$this->customer}/history{$rest}";
    }

    private function play(int $calls, ?string $mood, int $at = self::NOW - 3600): void
    {
        $account = $this->wire->byHand('GET', '/v1/accounts')['rows'];
        $id = array_column($account, 'id', 'handle')[$this->customer];
        $person = $this->wire->byHand('GET', "/v1/accounts/{$id}/persons")['rows'][0]['id'];
        $this->wire->byHand('POST', "/v1/accounts/{$id}/traffic", ['calls' => array_map(
            fn (int $place): array => [
                'dial' => ltrim($this->number, '+'), 'from' => '19025550199', 'stamp' => $at + 200 * $place,
                'talk' => 30, 'moods' => $mood === null ? (object) [] : ['person' => [$person => $mood]],
            ],
            range(0, $calls - 1),
        )]);
    }
}
