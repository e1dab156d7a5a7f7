<?php

declare(strict_types=1);

namespace App\Demo;

use Jaunty\Core\Templates\Slug;

/** Somebody of Port Merrow or beyond, invented: nobody of the demo is called as anybody else of it. */
final readonly class Townsman
{
    private const FIRST = [
        'Ines', 'Joss', 'Petra', 'Colm', 'Dara', 'Wynn', 'Tamsin', 'Boyd', 'Merrin', 'Orla', 'Brin', 'Sefton',
        'Della', 'Rafe', 'Una', 'Corin', 'Maeve', 'Idris', 'Lowri', 'Tavish', 'Odile', 'Thibault', 'Maëlle', 'Amaury',
        'Séverine', 'Gaspard', 'Coralie', 'Ozanne', 'Briac', 'Ysée', 'Anouk', 'Fergus', 'Hester', 'Ivo', 'Jorun',
        'Kester', 'Lark', 'Magnus', 'Nerys', 'Oskar', 'Perpetua', 'Quentin', 'Rosalind', 'Stellan', 'Thora', 'Ulric',
        'Verity', 'Wilf', 'Xanthe', 'Yorick', 'Zelda', 'Aled', 'Blythe', 'Cormac', 'Dilys', 'Eamon', 'Freya', 'Gwion',
        'Hollis', 'Isolde', 'Juno',
    ];

    private const LAST = [
        'Marsh', 'Arden', 'Lunn', 'Reeve', 'Finch', 'Abel', 'Quill', 'Osei', 'Farrow', 'Reed', 'Ash', 'Vane', 'Cray',
        'Holm', 'Teal', 'Kell', 'Brack', 'Sorrel', 'Dunn', 'Imre', 'Beauséjour', 'Desmarais', 'Thériault', 'Lachance',
        'Robichaud', 'Bellefeuille', 'Durocher', 'Larivière', 'Maisonneuve', 'Vautrin', 'Alder', 'Birch', 'Cobb',
        'Drake', 'Eider', 'Fenn', 'Gorse', 'Heron', 'Isley', 'Jarrow', 'Kittle', 'Linnet', 'Mallow', 'Nettle',
        'Oakes', 'Pell', 'Quayle', 'Rook', 'Swift', 'Thorne', 'Umber', 'Vetch', 'Wren', 'Yarrow', 'Zander', 'Bracken',
        'Coble', 'Dabb', 'Ellery', 'Foss', 'Garth', 'Hythe', 'Ince', 'Joyce', 'Knapp', 'Larch', 'Merritt', 'Nyland',
        'Orme', 'Pike', 'Rushe', 'Stagg', 'Tarn', 'Usher', 'Vale', 'Wick', 'Yeo', 'Ames', 'Bourne', 'Crane', 'Dove',
        'Eaves', 'Flint',
    ];

    /** How much further on the last names are at each round of the first: as many as first and last names are, no two
     * of a few thousand are called the same. */
    private const STEP = 7;

    /** Of whose people the first is which of the town. */
    private const BEGINS = [
        'bellwether' => 0,
        'ardent' => 80,
        'coldharbour' => 94,
        'dunlin' => 102,
        'eastpier' => 116,
        'gannet' => 125,
        'harrowgate' => 155,
        'inlet' => 171,
        'juniper' => 178,
        'kittiwake' => 190,
        'lantern' => 200,
        'merrow' => 208,
        'northquay' => 224,
        'osier' => 234,
        'puffin' => 238,
        'quillandtern' => 258,
        'redshank' => 273,
        'sandpiper' => 287,
    ];

    private function __construct(public string $first, public string $last)
    {
    }

    /** @return list<self> the people of a customer, by the name of its mail domain */
    public static function at(string $domain, int $count): array
    {
        return array_map(
            static fn (int $place): self => new self(
                self::FIRST[$place % count(self::FIRST)],
                self::LAST[($place + self::STEP * intdiv($place, count(self::FIRST))) % count(self::LAST)],
            ),
            range(self::BEGINS[$domain], self::BEGINS[$domain] + $count - 1),
        );
    }

    public function name(): string
    {
        return "{$this->first} {$this->last}";
    }

    /** As the key of what is made of them. */
    public function key(): string
    {
        return Slug::of($this->name());
    }
}
