<?php

declare(strict_types=1);

namespace Tests\Core\Ports;

use Jaunty\Core\Ports\PortLack;
use Jaunty\Core\Ports\PortPaper;
use Jaunty\Core\Ports\PortWish;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PortWishTest extends TestCase
{
    private const TODAY = '2026-12-01';

    /**
     * @param  array<string, mixed>  $otherwise
     * @param  list<PortPaper>  $papers
     * @param  list<string>  $at
     */
    #[DataProvider('wishes')]
    public function test_each_lack_is_told_at_its_place(array $otherwise, array $papers, array $at): void
    {
        $lacks = self::wish($otherwise)->lacks($papers, self::TODAY);

        self::assertSame($at, array_map(static fn (PortLack $lack): string => $lack->at, $lacks));
    }

    /** @return iterable<string, array{array<string, mixed>, list<PortPaper>, list<string>}> */
    public static function wishes(): iterable
    {
        $papers = [new PortPaper('authority'), new PortPaper('bill', '2026-11-20')];
        $bill = static fn (?string $dated): array => [new PortPaper('authority'), new PortPaper('bill', $dated)];
        $part = ['isPart' => true, 'stayingMain' => '+19025550199'];

        yield 'complete' => [[], $papers, []];
        yield 'nothing' => [
            ['name' => ' ', 'street' => '', 'city' => '', 'postcode' => '', 'losingCarrier' => '', 'account' => '',
                'signatory' => '', 'numbers' => [], 'day' => ''],
            [],
            ['name', 'street', 'city', 'postcode', 'losingCarrier', 'account', 'signatory', 'numbers', 'day',
                'authority', 'bill'],
        ];
        yield 'today' => [['day' => self::TODAY], $papers, ['day']];
        yield 'a bill of thirty days ago' => [[], $bill('2026-11-01'), []];
        yield 'of one more' => [[], $bill('2026-10-31'), ['bill']];
        yield 'of tomorrow' => [[], $bill('2026-12-02'), ['bill']];
        yield 'of no day' => [[], $bill(null), ['bill']];
        yield 'part of an account' => [$part, $papers, []];
        yield 'and its main one comes over' => [['stayingMain' => '+19025550150'] + $part, $papers, ['stayingMain']];
        yield 'and it is not said' => [['isPart' => true], $papers, ['stayingMain']];
        yield 'one comes over and stays' => [['staying' => ['+19025550150']] + $part, $papers, ['staying']];
        yield 'toll-free asks for no premises and no bill' => [
            ['numbers' => ['+18335550110'], 'street' => '', 'city' => '', 'postcode' => ''],
            [new PortPaper('authority')],
            [],
        ];
        yield 'and goes apart' => [['numbers' => ['+18335550110', '+19025550150']], $papers, ['numbers']];
    }

    /** @param array<string, mixed> $otherwise */
    public static function wish(array $otherwise = []): PortWish
    {
        return new PortWish(...$otherwise + [
            'numbers' => ['+19025550150'], 'name' => 'Inlet', 'street' => '21 Inlet View', 'city' => 'Quay End',
            'postcode' => 'B0X 1X0', 'losingCarrier' => 'Harbour Telephone', 'account' => 'HT-1', 'billing' => '',
            'signatory' => 'Ines Marsh', 'hasPin' => false, 'isPart' => false, 'staying' => [], 'stayingMain' => '',
            'day' => '2026-12-14', 'hours' => '',
        ]);
    }
}
