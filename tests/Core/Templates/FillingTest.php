<?php

declare(strict_types=1);

namespace Tests\Core\Templates;

use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Templates\Condition;
use Jaunty\Core\Templates\Filling;
use Jaunty\Core\Templates\Said;
use Jaunty\Core\Templates\UnusableTemplate;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class FillingTest extends TestCase
{
    #[DataProvider('forms')]
    public function test_a_form_gives_what_the_manual_says(mixed $form, mixed $given): void
    {
        self::assertSame($given, Filling::of($form, self::said(), 'here'));
    }

    /** @return iterable<string, array{mixed, mixed}> */
    public static function forms(): iterable
    {
        $team = ['slot' => 'team'];
        $inLoft = ['slot' => 'user.teams', 'has' => 'loft'];
        yield 'a value as it is' => [['a' => 1, 'b' => [true, 'x']], ['a' => 1, 'b' => [true, 'x']]];
        yield 'an answer' => [['slot' => 'name'], 'Inlet'];
        yield 'a part of one' => [['slot' => 'name.slug'], 'inlet'];
        yield 'a part of an answer left open' => [['slot' => 'mobile.value'], null];
        yield 'a row by its place' => [['slot' => 'users.1.name.last'], 'Arden'];
        yield 'text of pieces' => [['join' => ['user:', ['slot' => 'name.slug'], '-', 2]], 'user:inlet-2'];
        yield 'text of a list' => [
            ['join' => ['For ', ['each' => 'users', 'as' => 'user', 'give' => [
                'join' => [['slot' => 'user.name'], '. '],
            ]]]],
            'For Ines Marsh. Joss Arden. ',
        ];
        yield 'text with a piece that is not there' => [['join' => ['user:', ['slot' => 'mobile']]], null];
        yield 'the first that is there' => [['first' => [['slot' => 'mobile'], ['slot' => 'name']]], 'Inlet'];
        yield 'a first name, which is no choice' => [
            ['first' => ['slot' => 'name'], 'last' => null],
            ['first' => 'Inlet', 'last' => null],
        ];
        yield 'one of two' => [['if' => ['given' => 'mobile'], 'then' => 1, 'else' => 2], 2];
        yield 'nothing without else' => [['a' => ['if' => ['given' => 'mobile'], 'then' => 1]], ['a' => null]];
        yield 'nothing in a list' => [[1, ['if' => ['given' => 'mobile'], 'then' => 2], 3], [1, 3]];
        yield 'rows in a list' => [
            ['x', ['each' => 'users', 'as' => 'user', 'where' => $inLoft, 'give' => ['slot' => 'user.key']]],
            ['x', 'joss'],
        ];
        yield 'teams, each once' => [
            [
                'each' => 'users.teams',
                'as' => 'team',
                'give' => [$team, ['slot' => 'team.no'], ['slot' => 'team.slug']],
            ],
            [['Reception', 1, 'reception'], ['Loft', 2, 'loft']],
        ];
        yield 'the place among those that count' => [
            [
                'each' => 'users.teams', 'as' => 'team',
                'where' => ['not' => ['slot' => 'team.slug', 'is' => 'reception']], 'give' => ['slot' => 'team.place'],
            ],
            [1],
        ];
        yield 'fields by row' => [
            ['keyed' => 'users', 'as' => 'user', 'key' => ['slot' => 'user.no'], 'give' => [
                'to' => ['slot' => 'user.key'],
            ]],
            ['1' => ['to' => 'ines'], '2' => ['to' => 'joss']],
        ];
        yield 'fields of several, the first holding' => [
            ['merge' => [['a' => 1], ['a' => 2, 'b' => 3], ['if' => ['given' => 'mobile'], 'then' => ['c' => 4]]]],
            ['a' => 1, 'b' => 3],
        ];
        yield 'an extension by place' => [['counted' => ['from' => 300, 'by' => 5, 'at' => 3]], '310'];
        yield 'an extension that steps over what somebody has' => [['counted' => ['from' => 200, 'at' => 2]], '203'];
        yield 'a row within a row' => [
            ['each' => 'users', 'as' => 'user', 'give' => [
                'each' => 'users', 'as' => 'other',
                'where' => ['not' => ['slot' => 'other.key', 'is' => ['slot' => 'user.key']]],
                'give' => ['slot' => 'other.key'],
            ]],
            [['joss'], ['ines']],
        ];
    }

    /** @param array<string, mixed> $condition */
    #[DataProvider('conditions')]
    public function test_a_condition_holds_or_not(array $condition, bool $holds): void
    {
        self::assertSame($holds, Condition::read($condition, 'when')->holds(self::said(), 'here'));
    }

    /** @return iterable<string, array{array<string, mixed>, bool}> */
    public static function conditions(): iterable
    {
        $yes = ['given' => 'name'];
        $no = ['given' => 'mobile'];
        yield 'given' => [$yes, true];
        yield 'left open' => [$no, false];
        yield 'no is an answer, and not given' => [['given' => 'wanted'], false];
        yield 'is' => [['slot' => 'name', 'is' => 'Inlet'], true];
        yield 'is another' => [['slot' => 'name', 'is' => ['slot' => 'name.slug']], false];
        yield 'some row' => [
            ['some' => 'users', 'as' => 'user', 'where' => ['slot' => 'user.teams', 'has' => 'loft']],
            true,
        ];
        yield 'no row' => [
            ['some' => 'users', 'as' => 'user', 'where' => ['slot' => 'user.teams', 'has' => 'yard']],
            false,
        ];
        yield 'not' => [['not' => $no], true];
        yield 'all' => [['all' => [$yes, $no]], false];
        yield 'any' => [['any' => [$yes, $no]], true];
        yield 'all of none' => [['all' => []], true];
        yield 'any of none' => [['any' => []], false];
    }

    #[DataProvider('broken')]
    public function test_a_fault_of_the_template_says_where(mixed $form, string $message): void
    {
        $this->expectException(UnusableTemplate::class);
        $this->expectExceptionMessage($message);

        Filling::of($form, self::said(), 'objects.taker');
    }

    /** @return iterable<string, array{mixed, string}> */
    public static function broken(): iterable
    {
        yield 'a slot it does not have' => [
            ['a' => ['slot' => 'nmae']],
            'objects.taker.a: the template has no slot called "nmae"',
        ];
        yield 'a part it does not have' => [['slot' => 'name.slg'], 'slot "name" has no part called "slg"'];
        yield 'pieces that are no list' => [['join' => 'x'], '"join" is not written as'];
        yield 'a repetition without a name' => [['each' => 'users', 'give' => 1], '"each" is not written as'];
        yield 'counting backwards' => [
            ['counted' => ['from' => 1, 'by' => -1, 'at' => 1]],
            '"counted" is not written as',
        ];
        yield 'a condition of no sort' => [
            ['if' => ['gven' => 'name'], 'then' => 1],
            'condition: objects.taker.gven: unknown field',
        ];
    }

    public function test_a_condition_of_two_sorts_is_refused_when_it_is_read(): void
    {
        $this->expectException(UnusableBook::class);

        Condition::read(['slot' => 'name', 'is' => 1, 'has' => 2], 'when');
    }

    private static function said(): Said
    {
        $person = static fn (string $key, int $no, string $first, string $last, string ...$teams): array => [
            'key' => $key, 'no' => $no, 'name' => ['value' => "{$first} {$last}", 'first' => $first, 'last' => $last],
            'teams' => array_map(
                static fn (string $team): array => ['value' => $team, 'slug' => strtolower($team)],
                array_values($teams),
            ),
        ];

        return new Said([
            'name' => ['value' => 'Inlet', 'slug' => 'inlet'], 'mobile' => null, 'wanted' => ['value' => false],
            'users' => [
                $person('ines', 1, 'Ines', 'Marsh', 'Reception'),
                $person('joss', 2, 'Joss', 'Arden', 'Reception', 'Loft'),
            ],
        ], ['201', '202']);
    }
}
