<?php

declare(strict_types=1);

namespace Tests\Core\Templates;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Templates\NewPeople;
use Jaunty\Core\Templates\PastedTable;
use PHPUnit\Framework\TestCase;
use Tests\Core\Audit\Samples;

/** A list pasted at a customer that exists: no column is lost, and nobody comes without what they need. */
final class NewPeopleTest extends TestCase
{
    public function test_every_column_is_kept_and_everybody_gets_what_they_need(): void
    {
        $book = $this->book();
        $people = $this->pasted(
            $book,
            "Marsh, Nora\t240\tnora@inlet.example\t902 555 0177\tTaproom\nBob "
                . "Day\t\tbob@inlet.example\t\tTaproom, Yard\n",
        );
        self::assertSame([], $people->faults);
        self::assertSame(['people/0/mobile' => '+1 902 555 0177'], $people->readAs);
        self::assertSame([
            'Nora Marsh: 240, a desk phone, the mobile, a mailbox, a PIN to be made, in Taproom',
            'Bob Day: 202, a desk phone, a mailbox, a PIN to be made, in Taproom, in Yard',
        ], $people->makes);

        $made = ChangeSet::of(...$people->operations)->applyTo($book);
        $made->checkReferences();
        $made->checkExtensions();
        $nora = $made->find(\Jaunty\Core\Book\Reference::parse('user:nora-marsh'))?->toArray() ?? [];
        self::assertSame(
            [
                '240', ['first' => 'Nora', 'last' => 'Marsh'], 'nora@inlet.example', 'site:quay', 'mailbox:nora-marsh',
                'number:' . Samples::NUMBER,
            ],
            [$nora['extension'], $nora['name'], $nora['email'], $nora['site'], $nora['mailbox'], $nora['callerId']],
        );
        self::assertSame(
            [['desk', null], ['mobile', '+19025550177']],
            array_map(static fn (array $leg): array => [$leg['item'], $leg['number']], $nora['legs']),
        );
        $mailbox = $made->find(\Jaunty\Core\Book\Reference::parse('mailbox:nora-marsh'))?->toArray() ?? [];
        self::assertSame(
            [['nora@inlet.example'], 'user:nora-marsh', 'none'],
            [$mailbox['notify'], $mailbox['owner'], $mailbox['pin']],
        );
        $taproom = $made->find(\Jaunty\Core\Book\Reference::parse('group:taproom'))?->toArray() ?? [];
        self::assertSame(['ines', 'nora-marsh', 'bob-day'], array_column($taproom['members'], 'item'));
    }

    public function test_what_cannot_be_is_told_at_its_cell_and_nothing_is_made(): void
    {
        $book = $this->book();
        $people = $this->pasted(
            $book,
            "Name\tExt\tMail\tWorks in\nNora Marsh\t201\tnora@\tCellar\nInes Marsh\t203\t\t\n",
        );

        self::assertSame([
            'people/0/mail' => '"nora@" is no mail address; write one such as ines@thornback.example',
            'people/0/extension' => "201 is Ines Marsh's",
            'people/0/teams' => 'no group is called "Cellar"; there are Taproom, Yard',
        ], $people->faults);
        self::assertSame([], $people->operations);
    }

    public function test_a_direct_number_is_theirs_and_shown_by_them(): void
    {
        $text = "Name\tExt\tDirect dial\nNora Marsh\t240\t902 555 0188\nBob Day\t241\t902 555 0188\n";
        $book = $this->book();
        $rows = PastedTable::read($text, NewPeople::table($book))->rows;

        $people = NewPeople::read($book, array_slice($rows, 0, 1), 20_788);
        $made = ChangeSet::of(...$people->operations)->applyTo($book);
        $made->checkReferences();
        $number = $made->find(\Jaunty\Core\Book\Reference::parse('number:+19025550188'))?->toArray() ?? [];
        $nora = $made->find(\Jaunty\Core\Book\Reference::parse('user:nora-marsh'))?->toArray() ?? [];
        self::assertSame(
            ['user:nora-marsh', 'Nora Marsh, direct', 'number:+19025550188'],
            [$number['destination'], $number['label'], $nora['callerId']],
        );

        self::assertSame(
            ['people/1/direct' => '+19025550188 is given to Nora Marsh above'],
            NewPeople::read($book, $rows, 20_788)->faults,
        );
        self::assertSame(
            ['people/0/direct' => 'it is not ours'],
            NewPeople::read($book, array_slice($rows, 0, 1), 20_788, static fn (): string => 'it is not ours')->faults,
        );
    }

    public function test_what_nobody_can_see_is_no_name_and_no_part_of_one(): void
    {
        $people = $this->pasted($this->book(), "\u{202A}Nora Marsh\u{202C}\t240\n\u{202E}\t241\n");

        self::assertSame('Nora Marsh', $people->understood[0]['name']);
        self::assertSame(['people/1/name' => 'an answer is needed here'], $people->faults);
    }

    public function test_a_namesake_is_a_person_of_their_own(): void
    {
        $people = $this->pasted($this->book(), "Ines Marsh\t240\tines2@inlet.example\n");

        self::assertSame(
            ['mailbox:ines-marsh', 'user:ines-marsh'],
            array_map(static fn ($operation): string => (string) $operation->object, $people->operations),
        );
        $again = $this->pasted(
            ChangeSet::of(...$people->operations)->applyTo($this->book()),
            "Ines Marsh\t241\tines3@inlet.example\n",
        );
        self::assertSame(
            ['mailbox:ines-marsh-2', 'user:ines-marsh-2'],
            array_map(static fn ($operation): string => (string) $operation->object, $again->operations),
        );
    }

    private function pasted(Book $book, string $text): NewPeople
    {
        return NewPeople::read($book, PastedTable::read($text, NewPeople::table($book))->rows, 20_788);
    }

    private function book(): Book
    {
        $group = static fn (string $key): array => ['key' => $key, 'name' => ucfirst($key), 'members' => [
            ['item' => 'ines', 'who' => 'user:ines'],
        ]];

        return Samples::book([
            'tenant' => ['mainNumber' => 'number:' . Samples::NUMBER],
            'sites' => [['key' => 'quay', 'name' => 'Quay End']],
            'numbers' => [['key' => Samples::NUMBER]],
            'users' => [[
                'key' => 'ines', 'name' => ['first' => 'Ines', 'last' => 'Marsh'], 'extension' => '201',
                'callerId' => 'number:' . Samples::NUMBER,
            ]],
            'groups' => [$group('taproom'), $group('yard')],
        ]);
    }
}
