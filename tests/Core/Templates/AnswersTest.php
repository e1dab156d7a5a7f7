<?php

declare(strict_types=1);

namespace Tests\Core\Templates;

use Jaunty\Core\Book\Node;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Templates\AnswerReader;
use Jaunty\Core\Templates\Answers;
use Jaunty\Core\Templates\Circumstances;
use Jaunty\Core\Templates\PastedTable;
use Jaunty\Core\Templates\Slot;
use Jaunty\Core\Templates\TableReader;
use Jaunty\Core\Templates\Template;
use Jaunty\Core\Templates\UnusableAnswer;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class AnswersTest extends TestCase
{
    /** @param array<string, mixed> $slot */
    #[DataProvider('good')]
    public function test_an_answer_is_read_by_its_type(array $slot, string $answer, string $part, mixed $read): void
    {
        self::assertSame($read, $this->reader()->read($this->slot($slot), $answer)[$part] ?? null);
    }

    /** @return iterable<string, array{array<string, mixed>, string, string, mixed}> */
    public static function good(): iterable
    {
        yield 'spaces are put right' => [
            ['type' => 'text'], "  Thornback \t Sailmakers ", 'value', 'Thornback Sailmakers',
        ];
        yield 'a person as address books have it' => [['type' => 'person'], 'Marsh, Ines', 'value', 'Ines Marsh'];
        yield 'its last name' => [['type' => 'person'], 'Maria del Mar', 'last', 'del Mar'];
        yield 'a number of the country' => [['type' => 'phone'], '(902) 555-0177', 'value', '+19025550177'];
        yield 'a number of another' => [['type' => 'phone'], '+44 20 7946 0018', 'value', '+442079460018'];
        yield 'an address in small letters' => [
            ['type' => 'mail'], 'Ines@Thornback.Example', 'value', 'ines@thornback.example',
        ];
        yield 'a choice by what is said' => [
            ['type' => 'choice', 'options' => ['message' => 'leave a message', 'mobile' => 'reach a mobile']],
            'Reach a mobile', 'value', 'mobile',
        ];
        yield 'yes' => [['type' => 'yesNo'], 'Y', 'value', true];
        yield 'a whole number' => [['type' => 'whole', 'least' => 1, 'most' => 9], '7', 'value', 7];
        yield 'nothing, where there is a default' => [['type' => 'whole', 'default' => '5'], ' ', 'value', 5];
        yield 'nothing, where it may stay open' => [['type' => 'mail', 'optional' => true], '', 'value', null];
        yield 'hours, said back' => [
            ['type' => 'hours'], 'Mon-Fri 8 to 5', 'readAs', 'Mon to Fri 08:00 to 17:00; 45 h a week',
        ];
        yield 'a region by its name' => [['type' => 'region'], 'nova scotia', 'value', 'CA-NS'];
        yield 'teams, each once' => [
            ['type' => 'teams'], 'loft, Front desk; Loft', 'value',
            [['value' => 'Loft', 'slug' => 'loft'], ['value' => 'Front desk', 'slug' => 'front-desk']],
        ];
    }

    /** @param array<string, mixed> $slot */
    #[DataProvider('bad')]
    public function test_an_answer_that_is_no_use_says_why(array $slot, string $answer, string $why): void
    {
        $this->expectException(UnusableAnswer::class);
        $this->expectExceptionMessage($why);

        $this->reader()->read($this->slot($slot), $answer);
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function bad(): iterable
    {
        yield 'nothing' => [['type' => 'text'], ' ', 'an answer is needed here'];
        yield 'too few digits' => [['type' => 'phone'], '902 555 019', 'too few or too many digits'];
        yield 'an address without a dot' => [['type' => 'mail'], 'dara@thornback', 'no mail address'];
        yield 'not offered' => [['type' => 'choice', 'options' => ['a' => 'one thing']], 'another', 'choose one thing'];
        yield 'maybe' => [['type' => 'yesNo'], 'maybe', 'yes or no'];
        yield 'too many' => [['type' => 'whole', 'least' => 1, 'most' => 9], '10', 'from 1 to 9'];
        yield 'hours nobody can read' => [['type' => 'hours'], 'Mon-Fri 8 to 5; Sat 9-', '"Sat 9-"'];
        yield 'a region without a calendar' => [['type' => 'region'], 'Atlantis', 'not known here'];
        yield 'letters' => [['type' => 'extension'], '2o1', 'no extension'];
        yield 'control characters' => [['type' => 'text'], "Thorn\x07back", 'plain characters'];
    }

    /** @param list<array<string, string>> $rows */
    #[DataProvider('blocks')]
    public function test_a_pasted_block_finds_its_columns(string $text, array $rows): void
    {
        self::assertSame($rows, PastedTable::read($text, $this->users())->rows);
    }

    /** @return iterable<string, array{string, list<array<string, string>>}> */
    public static function blocks(): iterable
    {
        $ines = ['name' => 'Ines Marsh', 'extension' => '201', 'mail' => 'ines@inlet.example'];
        $joss = ['name' => 'Joss Arden', 'extension' => '202', 'mail' => 'joss@inlet.example'];
        yield 'from a spreadsheet, with headings' => [
            "Name\tExt\tE-mail\nInes Marsh\t201\tines@inlet.example\nJoss Arden\t202\tjoss@inlet.example\n",
            [$ines, $joss],
        ];
        yield 'in another order, with a column nobody asks' => [
            "E-mail;Room;Extension;Full name\nines@inlet.example;4;201;Ines Marsh\n",
            [['mail' => 'ines@inlet.example', 'extension' => '201', 'name' => 'Ines Marsh']],
        ];
        yield 'without headings' => ["201,Ines Marsh,ines@inlet.example\r\n202,Joss Arden,joss@inlet.example", [
            ['extension' => '201', 'name' => 'Ines Marsh', 'mail' => 'ines@inlet.example'],
            ['extension' => '202', 'name' => 'Joss Arden', 'mail' => 'joss@inlet.example'],
        ]];
        yield 'from a mail' => [
            "Ines Marsh    201   ines@inlet.example\n\nJoss Arden    202   joss@inlet.example",
            [$ines, $joss],
        ];
        yield 'a name in two columns' => ["Last name,First name,Ext\nMarsh,Ines,201", [
            ['name' => 'Ines Marsh', 'extension' => '201'],
        ]];
        yield 'a name in one column, the last name first' => ["Surname, forename;Ext\n\"Marsh, Ines\";201", [
            ['name' => 'Marsh, Ines', 'extension' => '201'],
        ]];
        yield 'cells with commas in quotes' => ["Name,Works in\n\"Marsh, Ines\",\"Loft, Reception\"", [
            ['name' => 'Marsh, Ines', 'teams' => 'Loft, Reception'],
        ]];
        yield 'one name a line' => ["Ines Marsh\nJoss Arden", [['name' => 'Ines Marsh'], ['name' => 'Joss Arden']]];
        yield 'nothing' => [" \n\n", []];
    }

    public function test_headings_nobody_asks_for_are_named(): void
    {
        self::assertSame([['name', null], ['Shoe size']], [
            PastedTable::read("Name\tShoe size\nInes\t40", $this->users())->columns,
            PastedTable::read("Name\tShoe size\nInes\t40", $this->users())->unmatched,
        ]);
    }

    public function test_extensions_left_out_are_taken_from_the_range_that_most_rows_have(): void
    {
        $extensions = fn (array ...$rows): array => array_map(
            static fn (array $row): mixed => $row['extension']['value'] ?? null,
            TableReader::read($this->users(), array_values($rows), $this->reader())[0],
        );
        [$ines, $joss, $petra, $colm] = [
            ['name' => 'Ines'], ['name' => 'Joss'], ['name' => 'Petra'], ['name' => 'Colm'],
        ];

        self::assertSame(['103', '101', '102', '104'], $extensions(
            $ines,
            ['extension' => '101'] + $joss,
            ['extension' => '102'] + $petra,
            ['extension' => '104'] + $colm,
        ));
        self::assertSame(['201', '101', '202'], $extensions($ines, ['extension' => '101'] + $joss, $petra));
    }

    public function test_faults_of_a_table_stand_at_their_cells(): void
    {
        [$rows, $faults] = TableReader::read($this->users(), [
            ['name' => 'Petra Lunn', 'extension' => '203'],
            ['name' => 'Colm Reeve', 'extension' => '203'],
            ['name' => 'Dara Finch', 'mail' => 'dara@thornback'],
            ['extension' => '205', 'shoe' => '40'],
        ], $this->reader());

        self::assertCount(4, $rows);
        self::assertSame([
            '2/mail' => '"dara@thornback" is no mail address; write one such as ines@thornback.example',
            '3/shoe' => 'there is no such column',
            '3/name' => 'an answer is needed here',
            '1/extension' => "203 is Petra Lunn's; next free 204",
        ], $faults);
    }

    public function test_extensions_left_out_are_given_and_namesakes_told_apart(): void
    {
        [$rows] = TableReader::read(
            $this->users(),
            [['name' => 'Ines Marsh'], ['name' => 'Ines Marsh', 'extension' => '201'], ['name' => 'Joss Arden']],
            $this->reader(),
        );

        self::assertSame(
            [['ines-marsh', '202'], ['ines-marsh-2', '201'], ['joss-arden', '203']],
            array_map(static fn (array $row): array => [$row['key'], $row['extension']['value'] ?? null], $rows),
        );
    }

    public function test_extensions_kept_for_something_else_are_passed_over(): void
    {
        [$rows] = TableReader::read(
            $this->users(),
            array_map(static fn (int $n): array => ['name' => "Person {$n}"], range(1, 105)),
            $this->reader(),
        );
        $given = array_map(static fn (array $row): mixed => $row['extension']['value'] ?? null, $rows);

        self::assertSame(['299', '301', '302'], array_slice($given, 98, 3));
        self::assertCount(105, array_unique($given));
    }

    public function test_hours_in_a_row_are_said_back_too(): void
    {
        $template = Template::fromJson(
            (string) file_get_contents(__DIR__ . '/../../../templates/several-sites-night-cover.json'),
        );

        $answers = Answers::read(
            $template,
            ['sites' => [['name' => 'Quay End', 'number' => '+19025550150', 'hours' => 'Mon-Fri 8 to 5']]],
            new Circumstances(LocalDate::parse('2026-12-01')),
        );

        self::assertSame(['sites/0/hours' => 'Mon to Fri 08:00 to 17:00; 45 h a week'], $answers->readAs);
    }

    public function test_a_question_that_does_not_arise_is_not_asked(): void
    {
        $template = Template::fromJson((string) json_encode([
            'format' => Template::FORMAT,
            'version' => 1,
            'key' => 'x',
            'name' => 'X',
            'tenant' => ['key' => 'x'],
            'objects' => [],
            'slots' => [
                [
                    'key' => 'closed', 'question' => 'Closed', 'type' => 'choice',
                    'options' => ['message' => 'message', 'mobile' => 'mobile'],
                ],
                [
                    'key' => 'mobile', 'question' => 'Which', 'type' => 'phone',
                    'when' => ['slot' => 'closed', 'is' => 'mobile'],
                ],
            ],
        ]));
        $circumstances = new Circumstances(LocalDate::parse('2026-12-01'));

        self::assertSame(
            [['closed'], []],
            [($answers = Answers::read($template, ['closed' => 'message'], $circumstances))->asked, $answers->faults],
        );
        self::assertSame(
            [['closed', 'mobile'], ['mobile' => 'an answer is needed here']],
            [($answers = Answers::read($template, ['closed' => 'mobile'], $circumstances))->asked, $answers->faults],
        );
    }

    private function reader(): AnswerReader
    {
        return new AnswerReader(new Circumstances(LocalDate::parse('2026-12-01'), 'CA'));
    }

    /** @param array<string, mixed> $fields */
    private function slot(array $fields): Slot
    {
        return Slot::read(Node::of($fields + ['key' => 'x', 'question' => 'X']));
    }

    private function users(): Slot
    {
        foreach (
            Template::fromJson(
                (string) file_get_contents(__DIR__ . '/../../../templates/one-site-office.json'),
            )->slots as $slot
        ) {
            if ($slot->key === 'users') {
                return $slot;
            }
        }
        self::fail('the office asks for its users');
    }
}
