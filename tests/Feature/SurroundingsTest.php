<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;
use App\TakingOn\Templates;
use Illuminate\Support\Facades\DB;

/**
 * Findings about what no book says: the way to the switch, what was signed, the template it was made from, and live as
 * such.
 */
final class SurroundingsTest extends FeatureTestCase
{
    private string $customer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->takeOn()['key'];
        $this->change(
            [
                ['object' => "tenant:{$this->customer}", 'path' => 'state', 'value' => 'in-service'],
                ['object' => "tenant:{$this->customer}", 'path' => 'region', 'value' => 'CA'],
            ],
            'goes into service',
        );
    }

    public function test_what_was_entered_and_is_not_on_the_switch_is_found_until_it_is(): void
    {
        self::assertContains('push.never-verified', $this->rules());
        self::assertSame('done', $this->push($this->customer)['status']);
        self::assertSame([], array_intersect(['push.never-verified', 'push.pending'], $this->rules()));

        $this->change(
            [['object' => 'user:ines-marsh', 'path' => 'email', 'value' => 'ines@thornback.example']],
            'asked for',
        );
        self::assertContains('push.pending', $this->rules());
        self::assertContains('push.pending', $this->kept(), 'also in the list over all customers');
        self::assertSame('done', $this->push($this->customer)['status']);
        self::assertNotContains('push.pending', $this->kept());
    }

    public function test_what_was_signed_is_compared_with_the_book(): void
    {
        self::assertContains('emergency.limits-unsigned', $this->rules());
        $this->postJson(
            "/api/customers/{$this->customer}/signed",
            ['revision' => 2, 'by' => 'I. Marsh', 'on' => '2026-12-01'],
        )->assertCreated();
        self::assertSame([], array_intersect(['emergency.limits-unsigned', 'drift.signed-differs'], $this->kept()));

        $this->change([['object' => 'user:ines-marsh', 'path' => 'legs/desk/seconds', 'value' => 25]], 'asked for');
        self::assertContains('drift.signed-differs', $this->rules());
        // Reading the switch weighs drift anew, and leaves what was signed as it stands.
        $this->push($this->customer);
        self::assertContains('drift.signed-differs', $this->kept());
    }

    public function test_what_was_changed_from_the_template_is_found_unless_somebody_said_why(): void
    {
        $this->change(
            [['object' => 'user:ines-marsh', 'path' => 'callingClass', 'value' => 'international']],
            'calls her sister',
        );
        self::assertContains('users.class-wider-than-template', $this->rules());
        self::assertNotContains('template.override-unexplained', $this->rules());

        $this->change([['object' => 'user:ines-marsh', 'path' => 'name/first', 'value' => 'Inez']], null);
        self::assertContains('template.override-unexplained', $this->rules());
    }

    public function test_a_newer_version_of_the_template_is_told(): void
    {
        $folder = sys_get_temp_dir() . '/templates-' . bin2hex(random_bytes(6));
        mkdir($folder);
        $json = (string) file_get_contents(base_path('templates/one-line-office.json'));
        try {
            file_put_contents(
                "{$folder}/one-line-office.json",
                str_replace('"name": "One line, one person"', '"name": "One line, and one person"', $json),
            );
            $this->app->make(Templates::class)->ship($folder);
            self::assertContains('template.behind', $this->rules());
            self::assertNotContains('template.answer-missing', $this->rules());
            $asks = str_replace(
                '"slots": [',
                '"slots": [{"key": "contract", "question": "Contract number", "type": "text"},',
                $json,
            );
            file_put_contents("{$folder}/one-line-office.json", $asks);
            $this->app->make(Templates::class)->ship($folder);
            self::assertContains('template.answer-missing', $this->rules());
        } finally {
            // Others take customers on by the shipped one.
            file_put_contents("{$folder}/one-line-office.json", $json);
            $this->app->make(Templates::class)->ship($folder);
            unlink("{$folder}/one-line-office.json");
            rmdir($folder);
        }
    }

    /** Whoever audits finds the same, though nobody but a lead sees the grants of others. */
    public function test_grants_that_ran_out_and_ones_that_never_do_are_found_by_everybody(): void
    {
        $id = $this->tenantId($this->customer);
        $sol = $this->technician();
        $ada = $this->technician();
        $this->grant($sol, $id, Ability::Push);
        self::assertContains('access.grant-too-wide', $this->rules());
        self::assertNotContains('access.grant-expired', $this->rules());
        $this->grant($ada, $id, Ability::Read, new \DateTimeImmutable('2026-11-30T00:00:00Z'));

        $mine = $this->rules();
        self::assertContains('access.grant-expired', $mine);
        $this->actingAs($sol);
        self::assertSame($mine, $this->rules());
        self::assertSame([], DB::select('select * from roster_grants_here()'), 'nothing outside a scope');
        $other = $this->takeOn()['key'];
        $this->scope()->tenant($this->lead->id, $other, Ability::Read, static fn () => self::assertSame([], DB::select(
            'select * from roster_grants_here()',
        )));
    }

    /** What somebody did on the switch is audited as it stands there, beside what callers notice of it. */
    public function test_live_is_audited_as_such(): void
    {
        $this->push($this->customer);
        $account = '/v1/accounts/'
            . array_column($this->wire->byHand('GET', '/v1/accounts')['rows'], 'id', 'handle')[$this->customer];
        $person = $this->wire->byHand('GET', "{$account}/persons")['rows'][0];
        $this->wire->byHand('PATCH', "{$account}/persons/{$person['id']}", ['box' => null]);
        self::assertNotSame([], $this->readAgain($this->customer));

        $brings = array_column(
            $this->getJson("/api/customers/{$this->customer}/live/impact")->assertOk()->json('brings'),
            'rule',
        );
        self::assertContains('users.no-answer-nowhere', $brings);
        self::assertSame([], array_intersect($brings, $this->rules()));
    }

    /** @param list<array{object: string, path: string, value: mixed}> $edits */
    private function change(array $edits, ?string $note): void
    {
        $this->edit($this->customer, $edits)->assertOk();
        $this->enter($this->customer, note: $note)->assertCreated();
    }

    /** @return list<string> of the margin */
    private function rules(): array
    {
        return array_column(
            $this->getJson("/api/customers/{$this->customer}/margin")->assertOk()->json('findings'),
            'rule',
        );
    }

    /** @return list<string> of the list over all customers */
    private function kept(): array
    {
        return array_column($this->foundAt($this->customer), 'rule');
    }
}
