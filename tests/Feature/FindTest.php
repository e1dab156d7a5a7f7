<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ability;

/** What the command box looks for: every object of every customer of a technician, and nothing of anybody else's. */
final class FindTest extends FeatureTestCase
{
    public function test_numbers_people_extensions_and_towns_are_found_however_they_are_written(): void
    {
        $customer = $this->takeOn('Quillon Sailmakers');
        $this->edit($customer['key'], [
            ['object' => 'user:ines-marsh', 'path' => 'name/last', 'value' => 'Beauséjour-Lunn'],
            ['object' => 'user:ines-marsh', 'path' => 'extension', 'value' => '7219'],
            ['object' => 'site:office', 'path' => 'address/city', 'value' => 'Zwicker Cove'],
        ])->assertOk();
        $this->enter($customer['key'])->assertCreated();
        $national = substr($customer['number'], 2);
        $spaced = substr($national, 0, 3) . ' ' . substr($national, 3, 3) . '-' . substr($national, 6);

        foreach ([$customer['number'], $national, $spaced, "({$national})", substr($national, -7)] as $written) {
            self::assertContains("number:{$customer['number']}", $this->found($written), $written);
        }
        foreach (['beausejour', 'BEAUSÉJOUR lunn', 'ines beau', '7219', '721', 'lunn 7219'] as $said) {
            self::assertContains('user:ines-marsh', $this->found($said), $said);
        }
        self::assertSame(['site:office'], $this->found('zwicker'));
        foreach (["' or 1=1", '& | !', '%', '*:*', 'nobody at all'] as $nothing) {
            self::assertSame([], $this->found($nothing), $nothing);
        }
    }

    public function test_zeros_are_digits_like_others(): void
    {
        $customer = $this->takeOn();
        self::assertSame([], $this->found('000000000'));
        self::assertContains("number:{$customer['number']}", $this->found('0' . substr($customer['number'], 2)));
    }

    public function test_what_goes_is_found_no_longer_and_what_is_pending_not_yet(): void
    {
        $customer = $this->takeOn()['key'];
        $this->edit($customer, [
            ['op' => 'create', 'object' => 'group:hall', 'value' => ['name' => 'Vellum Hall']],
        ])->assertOk();
        self::assertSame([], $this->found('vellum'));
        $this->enter($customer)->assertCreated();
        self::assertSame(['group:hall'], $this->found('vellum'));

        $this->edit($customer, [['op' => 'delete', 'object' => 'group:hall', 'value' => null]])->assertOk();
        $this->enter($customer)->assertCreated();
        self::assertSame([], $this->found('vellum'));
    }

    public function test_nobody_finds_what_is_not_granted_to_them(): void
    {
        $mine = $this->takeOn('Orrin Mill');
        $other = $this->takeOn('Orrin Ferry');
        $sol = $this->technician();
        $this->grant($sol, $mine['id'], Ability::Read);

        $this->actingAs($sol);
        $names = array_column($this->getJson('/api/find?words=ines')->assertOk()->json('found'), 'customer');

        self::assertContains($mine['key'], $names);
        self::assertNotContains($other['key'], $names);
        self::assertSame([], $this->found($other['number']));
    }

    /** @return list<string> */
    private function found(string $words): array
    {
        return array_column(
            $this->getJson('/api/find?' . http_build_query(['words' => $words]))->assertOk()->json('found'),
            'ref',
        );
    }
}
