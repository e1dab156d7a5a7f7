<?php

declare(strict_types=1);

namespace Tests\Core\Outbound;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Outbound\CallerId;
use Jaunty\Core\Outbound\DialEnd;
use Jaunty\Core\Outbound\DialPlan;
use Jaunty\Core\Outbound\Origin;
use Jaunty\Core\Outbound\Sender;
use Jaunty\Core\Outbound\Vouching;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** RFC 8588, section 4: A for whom the carrier knows with their number, B for whom it knows, C for what came in. */
final class VouchingTest extends TestCase
{
    #[DataProvider('calls')]
    public function test_how_far_a_carrier_vouches_follows_from_whose_the_number_is(
        string $shown,
        Origin $origin,
        ?string $claim,
    ): void {
        $vouching = new Vouching(['+19025550150'], ['+12065550123']);
        $vouched = $vouching->of(new CallerId($shown, ''), $origin);

        self::assertSame($claim, $vouched === null ? null : $vouched[0]->claim());
    }

    /** @return iterable<string, array{string, Origin, ?string}> */
    public static function calls(): iterable
    {
        yield 'their own' => ['+19025550150', Origin::Dialled, 'A'];
        yield 'verified elsewhere' => ['+12065550123', Origin::Dialled, 'A'];
        yield 'of nobody knows whom' => ['+12065550124', Origin::Dialled, 'B'];
        yield 'a caller\'s who is led on' => ['', Origin::LedFromOutside, 'C'];
        yield 'withheld' => ['', Origin::Dialled, null];
        yield 'an extension' => ['201', Origin::Dialled, null];
    }

    /** @param array<string, mixed> $user */
    #[DataProvider('people')]
    public function test_what_the_other_side_sees_and_that_help_always_sees_a_number(
        array $user,
        string $shown,
        string $forHelp,
    ): void {
        $book = self::book($user);
        $plan = new DialPlan($book);
        $ines = Sender::of($book, Reference::to(Kind::User, 'ines'));
        $at = 1_796_227_200;

        self::assertSame($shown, $plan->route($ines, '19025550199', $at)->callerId?->shown);
        $help = $plan->route($ines, '911', $at);
        self::assertSame([DialEnd::Emergency, $forHelp], [$help->end, $help->callerId?->shown]);
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function people(): iterable
    {
        $own = ['callerId' => 'number:+19025550151'];
        yield 'their own' => [$own, '+19025550151', '+19025550151'];
        yield 'withheld, but for help' => [['withholds' => true] + $own, '', '+19025550151'];
        yield 'elsewhere, but for help' => [['showsOutside' => '+12065550123'] + $own, '+12065550123', '+19025550151'];
        yield 'elsewhere, and none of their own' => [
            ['showsOutside' => '+12065550123'], '+12065550123', '+19025550150',
        ];
    }

    /** @param array<string, mixed> $user */
    private static function book(array $user): Book
    {
        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => BookFormat::VERSION,
            'tenant' => [
                'key' => 'inlet', 'zone' => 'America/Halifax', 'region' => 'CA', 'mainNumber' => 'number:+19025550150',
            ],
            'numbers' => [['key' => '+19025550150'], ['key' => '+19025550151']],
            'users' => [['key' => 'ines', 'extension' => '201'] + $user],
            'trunks' => [['key' => 'main', 'name' => 'Main']],
            'routes' => [
                ['key' => 'help', 'name' => 'Help', 'digits' => '911', 'emergency' => true, 'trunks' => ['trunk:main']],
                ['key' => 'all', 'name' => 'All', 'digits' => '1xxxxxxxxxx', 'class' => 'national',
                    'trunks' => ['trunk:main']],
            ],
        ]);
    }
}
