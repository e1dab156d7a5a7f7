<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Change\AsTyped;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Whom people mean who type a name, an extension, digits or a word where a book has a reference. */
final class MeantTest extends TestCase
{
    /** A list of members is pasted as somebody had it. */
    public function test_a_line_of_a_list_or_of_a_mail_is_whom_it_speaks_of(): void
    {
        $typed = new AsTyped(self::book());
        $lines = ['Marsh, Ines', '- Marsh, Ines, ext. 201', 'Ines Marsh  201', '201 – Ines Marsh', 'MARSH Ines'];
        foreach ($lines as $line) {
            self::assertSame('user:ines', $typed->meantBy($line, [Kind::User], true), $line);
        }
        $this->expectExceptionMessage('nothing here is called "Nobody, Nowhere"');
        $typed->meantBy('Nobody, Nowhere', [Kind::User], true);
    }

    /** A field that holds a telephone number, however it is called, alone and in a list. */
    public function test_a_telephone_number_is_read_as_it_is_dialled_there_wherever_it_is_wanted(): void
    {
        $typed = new AsTyped(self::book());
        $user = Reference::parse('user:ines');
        self::assertSame('+19025550177', $typed->read($user, 'showsOutside', '902 555 0177'));
        self::assertSame('+19025550177', $typed->read($user, 'legs/mobile/number', '(902) 555-0177'));
        $site = Reference::parse('site:quay');
        self::assertSame('+19025550177', $typed->read($site, 'contacts/ana/phone', '902-555-0177'));
        self::assertSame(
            [['item' => 'ana', 'name' => 'Ana', 'phone' => '+19025550177']],
            $typed->read($site, 'contacts', [['name' => 'Ana', 'phone' => '902 555 0177']]),
        );
        $this->expectExceptionMessage('too few or too many digits');
        $typed->read($site, 'contacts/ana/phone', '902 555 01');
    }

    #[DataProvider('meant')]
    public function test_what_is_typed_is_read_as_whom_it_means(string $path, string $typed, string $meant): void
    {
        self::assertSame($meant, (new AsTyped(self::book()))->read(self::field($path), self::path($path), $typed));
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function meant(): iterable
    {
        $to = 'number:+19025550150 destination';
        yield 'a name' => [$to, 'Ines Marsh', 'user:ines'];
        yield 'in other letters, with spaces' => [$to, '  INES marsh ', 'user:ines'];
        yield 'an extension' => [$to, '201', 'user:ines'];
        yield 'an extension and a name' => [$to, '201 Ines Marsh', 'user:ines'];
        yield 'the beginning of a name' => [$to, 'ina', 'user:ina'];
        yield 'a key' => [$to, 'south', 'group:south'];
        yield 'a word as screens have it' => [$to, 'hang up', 'release'];
        yield 'a word as books have it' => [$to, 'release', 'release'];
        yield 'a reference' => [$to, 'group:reception', 'group:reception'];
        yield 'one that is written just so, before those that begin so' => [$to, 'Reception', 'group:desk'];
        yield 'an outside number' => [$to, '+1 (902) 555-0177', 'outside:+19025550177'];
        yield 'one as it is dialled there' => [$to, '902 555 0177', 'outside:+19025550177'];
        yield 'one as a screen shows it' => [$to, 'outside +1 902 555 0177', 'outside:+19025550177'];
        yield 'a number of the book by its last digits' => ['user:ines callerId', '9025550150', 'number:+19025550150'];
        yield 'a number as people read it' => ['user:ines callerId', '+1 902 555 0150', 'number:+19025550150'];
        yield 'only of the kind that fits' => ['user:ines mailbox', 'ines', 'mailbox:ines'];
        yield 'a side of a treatment' => ['user:ines handling/open/noAnswer', 'Reception', 'group:desk'];
        yield 'what is no reference stays as it is' => ['user:ines display', 'Ines Marsh', 'Ines Marsh'];
    }

    #[DataProvider('unclear')]
    public function test_what_is_nobody_or_may_be_several_says_so(string $path, string $typed, string $why): void
    {
        try {
            (new AsTyped(self::book()))->read(self::field($path), self::path($path), $typed);
            self::fail('this is nobody');
        } catch (UnusableBook $fault) {
            self::assertSame($why, $fault->cause);
            self::assertSame(str_replace([' ', '/'], '.', $path), $fault->path);
        }
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function unclear(): iterable
    {
        $to = 'number:+19025550150 destination';
        yield 'several' => [$to, 'in', '"in" may be Ines Marsh or Ina Lunn or Ines Marsh\'s mailbox; say more'];
        yield 'nobody' => [$to, 'Petra', 'nothing here is called "Petra"'];
        yield 'of another kind' => ['user:ines mailbox', 'Reception', 'nothing here is called "Reception"'];
        yield 'a number of the customer\'s own' => [
            $to, '+1 902 555 0150', '+1 902 555 0150 is a number of this customer; say where its calls go instead',
        ];
        yield 'a member that is a word' => ['group:desk members/a/who', 'hang up', 'nothing here is called "hang up"'];
    }

    public function test_lists_are_read_item_by_item_and_items_without_a_key_get_one(): void
    {
        $typed = new AsTyped(self::book());

        self::assertSame([
            ['item' => 'a', 'who' => 'user:ines'],
            ['item' => 'ina', 'who' => 'user:ina'],
            ['item' => '19025550178', 'who' => 'outside:+19025550178'],
            ['item' => 'ina-2', 'who' => 'user:ina'],
        ], $typed->read(self::field('group:desk members'), 'members', [
            ['item' => 'a', 'who' => '201'], ['who' => 'Ina Lunn'], ['who' => '902 555 0178'], ['who' => 'ina'],
        ]));
        self::assertSame('schedule:hours', $typed->read(self::field('group:desk'), 'schedule', 'Office hours'));
        self::assertSame(
            ['name' => 'South', 'mailbox' => 'mailbox:ines'],
            $typed->read(Reference::parse('group:new'), '', ['name' => 'South', 'mailbox' => "Ines Marsh's mailbox"]),
        );
    }

    public function test_the_same_is_said_without_a_field(): void
    {
        $typed = new AsTyped(self::book());

        self::assertSame('user:ina', $typed->meantBy('202', [Kind::User], true));
        self::assertSame('outside:+19025550178', $typed->meantBy('902 555 0178', [Kind::User], true));
        $this->expectExceptionMessage('nothing here is called "902 555 0178"');
        $typed->meantBy('902 555 0178', [Kind::User], false);
    }

    /** A pasted block renames and names in turns: what is followed edit by edit is what would be gathered anew. */
    public function test_it_follows_a_book_as_if_it_were_asked_anew(): void
    {
        $random = new Randomizer(new Mt19937(18));
        $book = self::book();
        $typed = new AsTyped($book);
        $calls = ['Ines Marsh', 'ina', 'Nora', 'nora l', '201', '202 ina lunn', 'reception', '9025550151', 'u1'];
        $answers = [];
        for ($step = 0; $step < 300; $step++) {
            $reference = Reference::parse($random->getInt(0, 3) === 0
                ? 'number:+1902555015' . $random->getInt(0, 2)
                : ['user:ines', 'user:ina', 'user:u1', 'user:u2'][$random->getInt(0, 3)]);
            $book = $random->getInt(0, 2) === 0
                ? $book->without($reference)
                : $book->with(self::another($reference, $random));
            $typed->follow($book, $reference);
            foreach ($calls as $call) {
                $answer = self::answer($typed, $call);
                self::assertSame(self::answer(new AsTyped($book), $call), $answer, "step {$step}, \"{$call}\"");
                $answers["{$call}: {$answer}"] = true;
            }
        }
        // Everybody was called otherwise now and then.
        self::assertGreaterThan(3 * count($calls), count($answers));
    }

    private static function another(Reference $reference, Randomizer $random): BookObject
    {
        $first = ['Ines', 'Ina', 'Nora'][$random->getInt(0, 2)];
        $last = ['Marsh', 'Lunn'][$random->getInt(0, 1)];
        [$kinds, $fields] = $reference->kind === Kind::User
            ? ['users', ['name' => ['first' => $first, 'last' => $last], 'extension' => '20' . $random->getInt(1, 3)]]
            : ['numbers', ['label' => "{$first}'s line"]];

        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => BookFormat::VERSION,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            $kinds => [['key' => $reference->key] + $fields],
        ])->find($reference) ?? throw new \LogicException("{$reference} was not read");
    }

    private static function answer(AsTyped $typed, string $said): string
    {
        try {
            return $typed->meantBy($said, [Kind::User, Kind::Number, Kind::Group], false);
        } catch (UnusableBook $fault) {
            return str_contains($fault->cause, 'may be') ? 'several' : 'nobody';
        }
    }

    private static function field(string $path): Reference
    {
        return Reference::parse(explode(' ', $path)[0]);
    }

    private static function path(string $path): string
    {
        return explode(' ', $path)[1] ?? '';
    }

    private static function book(): Book
    {
        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => BookFormat::VERSION,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax', 'region' => 'CA'],
            'numbers' => [['key' => '+19025550150', 'label' => 'Main number']],
            'users' => [
                ['key' => 'ines', 'extension' => '201', 'name' => ['first' => 'Ines', 'last' => 'Marsh']],
                ['key' => 'ina', 'extension' => '202', 'name' => ['first' => 'Ina', 'last' => 'Lunn']],
            ],
            'groups' => [
                ['key' => 'desk', 'name' => 'Reception', 'extension' => '300', 'members' => [
                    ['item' => 'a', 'who' => 'user:ines'],
                ]],
                ['key' => 'reception', 'name' => 'Reception north', 'extension' => '301'],
                ['key' => 'south', 'name' => 'The other desk'],
            ],
            'mailboxes' => [['key' => 'ines', 'name' => "Ines Marsh's mailbox", 'owner' => 'user:ines']],
            'schedules' => [['key' => 'hours', 'name' => 'Office hours']],
        ]);
    }
}
