<?php

declare(strict_types=1);

namespace Tests\Core\Templates;

use Jaunty\Core\Book\Node;
use Jaunty\Core\Templates\PastedTable;
use Jaunty\Core\Templates\PersonName;
use Jaunty\Core\Templates\Slot;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Lists of people as customers send them, with what each must give; what was not understood is always named. */
final class MessyPeopleTest extends TestCase
{
    #[DataProvider('names')]
    public function test_a_name_is_taken_apart_as_its_bearer_would(string $written, string $first, string $last): void
    {
        $name = PersonName::of($written);

        self::assertSame([$first, $last], [$name->first, $name->last]);
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function names(): iterable
    {
        foreach (
            [
                ['Ines Marsh', 'Ines', 'Marsh'],
                ['Marsh, Ines', 'Ines', 'Marsh'],
                ['van der Meer, Pia', 'Pia', 'van der Meer'],
                ['Pia van der Meer', 'Pia', 'van der Meer'],
                ['Ó Briain, Maeve', 'Maeve', 'Ó Briain'],
                ['Maeve Ó Briain', 'Maeve', 'Ó Briain'],
                ['Mary Ann Wells', 'Mary Ann', 'Wells'],
                ['De La Cruz, Ana', 'Ana', 'De La Cruz'],
                ['Odile Beauséjour', 'Odile', 'Beauséjour'],
                ['BEAUSÉJOUR Odile', 'Odile', 'BEAUSÉJOUR'],
                ['Sam Fell Jr.', 'Sam', 'Fell Jr.'],
                ['Fell Jr., Sam', 'Sam', 'Fell Jr.'],
                ['Garcia Lopez, Maria', 'Maria', 'Garcia Lopez'],
                ['Jean-Luc St. Pierre', 'Jean-Luc', 'St. Pierre'],
                ['Van Hale', 'Van', 'Hale'],
                ['Reception', 'Reception', ''],
            ] as $each
        ) {
            yield $each[0] => $each;
        }
    }

    /**
     * @param  list<array<string, string>>  $rows
     * @param  list<string>  $unmatched
     */
    #[DataProvider('lists')]
    public function test_a_list_is_read_and_what_was_not_understood_is_named(
        string $text,
        array $rows,
        array $unmatched = [],
    ): void {
        $read = PastedTable::read($text, self::people(), ['Front Desk']);

        self::assertEquals($rows, $read->rows);
        self::assertSame($unmatched, $read->unmatched);
    }

    /** @return iterable<string, array{0: string, 1: list<array<string, string>>, 2?: list<string>}> */
    public static function lists(): iterable
    {
        $person = static fn (string $name, string $ext = '', string $mail = '', string ...$more): array => array_filter(
            ['name' => $name, 'extension' => $ext, 'mail' => $mail] + $more,
        );
        $ines = $person('Ines Marsh', '201', 'ines@inlet.example');

        yield 'an address of a mail, and the extension' => [
            'Marsh, Ines <ines@inlet.example> ext. 201', [$person('Marsh, Ines', '201', 'ines@inlet.example')],
        ];
        yield 'words with one space between' => ['Ines Marsh 201 ines@inlet.example', [$ines]];
        yield 'the extension first' => ['201 Ines Marsh ines@inlet.example', [$ines]];
        yield 'the mail first' => ['ines@inlet.example 201 Ines Marsh', [$ines]];
        yield 'a bullet and labels' => [
            '- Ines Marsh, ext 201, ines@inlet.example, cell 902 555 0177',
            [$person('Ines Marsh', '201', 'ines@inlet.example', mobile: '902 555 0177')],
        ];
        yield 'numbered' => ["1. Ines Marsh x201\n2. Joss Arden x202", [
            $person('Ines Marsh', '201'), $person('Joss Arden', '202'),
        ]];
        yield 'numbered, with a bracket' => ["1) Ines Marsh x201\n2) Joss Arden x202", [
            $person('Ines Marsh', '201'), $person('Joss Arden', '202'),
        ]];
        yield 'quoted in an answer' => ['> Ines Marsh – ext. 201 – ines@inlet.example', [$ines]];
        yield 'a dot for a bullet' => ['• Ines Marsh (x201) mobile: (902) 555-0177', [
            $person('Ines Marsh', '201', mobile: '(902) 555-0177'),
        ]];
        yield 'a sharp before the extension' => ['Ines Marsh #201', [$person('Ines Marsh', '201')]];
        yield 'the extension and the mobile side by side' => ['Ines Marsh 201 902 555 0177', [
            $person('Ines Marsh', '201', mobile: '902 555 0177'),
        ]];
        yield 'a number with a plus' => ['Ines Marsh ext 201 +1 (902) 555-0177', [
            $person('Ines Marsh', '201', mobile: '+1 (902) 555-0177'),
        ]];
        yield 'seven digits' => ['Ines Marsh x201 cell 555-0177', [$person('Ines Marsh', '201', mobile: '555-0177')]];
        yield 'a direct number and a mobile' => [
            'Ines Marsh x201 direct 902-555-0101 cell 902-555-0177',
            [$person('Ines Marsh', '201', direct: '902-555-0101', mobile: '902-555-0177')],
        ];
        yield 'the same in French' => [
            'Odile Beauséjour, poste 201, ligne directe 506 555-0101, cellulaire 506 555-0177',
            [$person('Odile Beauséjour', '201', direct: '506 555-0101', mobile: '506 555-0177')],
        ];
        yield 'an office line nobody asks for' => [
            'Ines Marsh x201 tel 902 555 0110',
            [$person('Ines Marsh', '201')], ['of Ines Marsh: “902 555 0110”'],
        ];
        yield 'two mails' => [
            'Ines Marsh 201 ines@inlet.example ines@home.example', [$ines], ['of Ines Marsh: “ines@home.example”'],
        ];
        yield 'a title between dashes' => [
            'Ines Marsh - Office manager - ext 201 - ines@inlet.example', [$ines], ['of Ines Marsh: “Office manager”'],
        ];
        yield 'a team that is known here' => [
            'Ines Marsh (Front Desk) x201', [$person('Ines Marsh', '201', teams: 'Front Desk')],
        ];
        yield 'a team that several have' => [
            "Ines Marsh, Loft, x201\nJoss Arden, Loft, x202\nPetra Lunn, Hygienist, x203",
            [
                $person('Ines Marsh', '201', teams: 'Loft'), $person('Joss Arden', '202', teams: 'Loft'),
                $person('Petra Lunn', '203'),
            ],
            ['of Petra Lunn: “Hygienist”'],
        ];
        yield 'a greeting above and a name below' => [
            "Hi Lena,\nhere is our list:\nInes Marsh 201 ines@inlet.example\nThanks, Bo", [$ines],
            ['line 1: “Hi Lena,”', 'line 2: “here is our list:”', 'line 4: “Thanks, Bo”'],
        ];
        yield 'ragged columns of a mail' => [
            "Ines Marsh   201   ines@inlet.example   Loft\nJoss Arden   202   902 555 0177   Loft",
            [
                $person('Ines Marsh', '201', 'ines@inlet.example', teams: 'Loft'),
                $person('Joss Arden', '202', mobile: '902 555 0177', teams: 'Loft'),
            ],
        ];
        yield 'ragged columns under headings' => [
            "Name          Ext   Mail                 Mobile\nInes Marsh    201   ines@inlet.example\n"
                . "Joss Arden    202                        902 555 0177",
            [$ines, $person('Joss Arden', '202', mobile: '902 555 0177')],
        ];
        yield 'a name in capitals, last name first' => [
            "BEAUSÉJOUR Odile\t201\todile@inlet.example", [
                $person('BEAUSÉJOUR Odile', '201', 'odile@inlet.example'),
            ],
        ];
        yield 'headings in any order and other words' => [
            "Work e-mail\tCell #\tEmployee name\tExt. no.\nines@inlet.example\t902 555 0177\tInes Marsh\t201",
            [$person('Ines Marsh', '201', 'ines@inlet.example', mobile: '902 555 0177')],
        ];
        yield 'French headings' => [
            "Nom;Poste;Courriel;Cellulaire;Service\nInes Marsh;201;ines@inlet.example;902 555 0177;Accueil",
            [$person('Ines Marsh', '201', 'ines@inlet.example', mobile: '902 555 0177', teams: 'Accueil')],
        ];
        yield 'a title under its heading' => [
            "Name\tTitle\tExt\nInes Marsh\tOffice manager\t201", [$person('Ines Marsh', '201')], ['Title'],
        ];
        yield 'direct numbers under their heading' => [
            "Name\tDirect dial\tExt\nInes Marsh\t902 555 0101\t201",
            [$person('Ines Marsh', '201', direct: '902 555 0101')],
        ];
        yield 'titles without a heading are no teams' => [
            "Ines Marsh\t201\tReception lead\nJoss Arden\t202\tDentist, partner\nPetra Lunn\t203\tHygienist",
            [$person('Ines Marsh', '201'), $person('Joss Arden', '202'), $person('Petra Lunn', '203')],
            ['“Reception lead”, “Dentist, partner”, “Hygienist”'],
        ];
        yield 'teams without a heading' => [
            "Ines Marsh\t201\tLoft\nJoss Arden\t202\tLoft\nPetra Lunn\t203\tQuay",
            [
                $person('Ines Marsh', '201', teams: 'Loft'), $person('Joss Arden', '202', teams: 'Loft'),
                $person('Petra Lunn', '203', teams: 'Quay'),
            ],
        ];
        yield 'titles and teams without headings' => [
            "Ines Marsh\t201\tOffice manager\tLoft\nJoss Arden\t202\tClerk\tLoft",
            [$person('Ines Marsh', '201', teams: 'Loft'), $person('Joss Arden', '202', teams: 'Loft')],
            ['“Office manager”, “Clerk”'],
        ];
        yield 'a name in two columns without headings' => [
            "Ines\tMarsh\t201\tines@inlet.example\nJoss\tArden\t202\tjoss@inlet.example",
            [$ines, $person('Joss Arden', '202', 'joss@inlet.example')],
        ];
        yield 'the same, the last name first: the mails say so' => [
            "Marsh\tInes\t201\tines.marsh@inlet.example\nArden\tJoss\t202\tjoss.arden@inlet.example",
            [
                $person('Ines Marsh', '201', 'ines.marsh@inlet.example'),
                $person('Joss Arden', '202', 'joss.arden@inlet.example'),
            ],
        ];
        yield 'last names of several words in a column' => [
            "Last\tFirst\tExt\nvan der Meer\tPia\t201\nGarcia Lopez\tMaria\t202",
            [$person('Pia van der Meer', '201'), $person('Garcia Lopez, Maria', '202')],
        ];
        yield 'a comma behind the last name of two columns' => [
            "Marsh,\tNora\t240\tnora@inlet.example", [$person('Nora Marsh', '240', 'nora@inlet.example')],
        ];
        yield 'semicolons' => ["Marsh, Ines; 201; ines@inlet.example", [
            $person('Marsh, Ines', '201', 'ines@inlet.example'),
        ]];
        yield 'commas between everything' => ["Ines Marsh,201,ines@inlet.example,902 555 0177", [
            $person('Ines Marsh', '201', 'ines@inlet.example', mobile: '902 555 0177'),
        ]];
        yield 'commas, the last name first' => [
            "Marsh, Ines, 201, ines@inlet.example\nArden, Joss, 202, joss@inlet.example",
            [$ines, $person('Joss Arden', '202', 'joss@inlet.example')],
        ];
        yield 'several names with particles, from a mail' => [
            "van der Meer, Pia <pia@inlet.example> 201\nÓ Briain, Maeve <maeve@inlet.example> 202",
            [
                $person('van der Meer, Pia', '201', 'pia@inlet.example'),
                $person('Ó Briain, Maeve', '202', 'maeve@inlet.example'),
            ],
        ];
        yield 'lines as a telephone list has them' => [
            "Ines Marsh ........ 201\nJoss Arden ........ 202", [
                $person('Ines Marsh', '201'), $person('Joss Arden', '202'),
            ],
        ];
        yield 'names alone' => ["Ines Marsh\nJoss Arden", [$person('Ines Marsh'), $person('Joss Arden')]];
    }

    private static function people(): Slot
    {
        $column = static fn (string $key, string $type): array => [
            'key' => $key, 'question' => ucfirst($key), 'type' => $type, 'optional' => true,
        ];

        return Slot::read(Node::of(['key' => 'people', 'question' => 'People', 'type' => 'table', 'columns' => [
            $column('name', 'person'), $column('extension', 'extension'), $column('mail', 'mail'),
            $column('mobile', 'phone'), $column('direct', 'number'), $column('teams', 'teams'),
        ]]));
    }
}
